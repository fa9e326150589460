/** A part as it is wired and set: ports of one of its modes, readings of as many bits as are wanted. */
import type { Card } from '../card/card.ts';
import type { Measure } from '../card/measure.ts';
import type { PartChoice } from '../plan/plan.ts';
import { perOwnerAndKey } from '../quantity/memo.ts';

/** The card with what is in use of it; the same where nothing of it can be chosen, or nothing was. */
export function inMode(card: Card, { mode = 0, bits }: Pick<PartChoice, 'mode' | 'bits'>): Card {
  const fewer = bits !== undefined && card.measures.some(({ coarser }) => coarser?.some((c) => c.bits === bits));
  if (!card.modes && !fewer) return card;
  return used(card, `${mode} ${fewer ? bits : ''}`, mode, fewer ? bits : undefined);
}

const used = perOwnerAndKey((card: Card, _key: string, mode: number, bits: number | undefined): Card => ({
  ...card,
  ports: portsIn(card, mode),
  measures: bits === undefined ? card.measures : card.measures.map((measure) => withBits(measure, bits)),
}));

function portsIn(card: Card, mode: number): Card['ports'] {
  if (!card.modes) return card.ports;
  const at = Math.min(mode, card.modes.length - 1);
  const others = new Set(card.modes.flatMap((ports, i) => (i === at ? [] : ports)));
  for (const port of card.modes[at] ?? []) others.delete(port);
  return card.ports.filter(({ id }) => !others.has(id));
}

/** The step is coarser, and a reading is ready sooner. */
function withBits(measure: Measure, bits: number): Measure {
  const setting = measure.coarser?.find((c) => c.bits === bits);
  if (!setting) return measure;
  const { interval: _slower, ...rest } = measure;
  // The stated error is that of the finest step; a coarser one adds half of what it is coarser by.
  const more = Math.max(0, setting.resolution - (measure.resolution?.value ?? 0)) / 2;
  return {
    ...rest,
    accuracy: measure.accuracy.map((band) => ({ ...band, error: band.error + more })),
    resolution: { value: setting.resolution, source: setting.source },
    conversion: setting.conversion,
    interval: setting.conversion,
  };
}
