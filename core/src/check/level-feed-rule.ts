import { toInterval } from '../card/to-interval.ts';
import type { Supply } from '../card/card-shape.ts';
import type { Circuit, PartNode, Rail } from '../circuit/model.ts';
import { within } from '../quantity/interval.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface LevelFeedRuleSays {
  readonly worksFromFedFrom: { part: Text; range: Quantity; upTo: Quantity; rail: Text; other: Text };
  readonly meaning: null;
  readonly vHasMoreHeadroom: null;
  readonly range: null;
  readonly to: { range: Quantity; upTo: Quantity };
}

const tell = tells<LevelFeedRuleSays>('level/feed-rule');

const meta = {
  id: 'level/feed-rule',
  station: 'levels',
  breaks: 'note',
  scope: 'part',
  houseRule: true,
  reads: ['supplies/*/range'],
} as const satisfies CheckMeta;

/** Rails nearer than this share to a voltage count as being of it. */
export const NEAR_RAIL = 0.1;
export const FIVE_VOLTS = 5;

export interface WideSupply {
  readonly part: PartNode;
  readonly supply: Supply;
  readonly rail: Rail;
  readonly other: Rail;
  /** True where the rule asks for the other rail. */
  readonly against: boolean;
}

/** Rails of about so many volts, those of the controller first. */
function railsOf(circuit: Circuit, volts: number): Rail[] {
  const own = (rail: Rail) => (rail.part === circuit.controller?.id ? 0 : 1);
  return [...circuit.rails.values()]
    .filter(({ voltage }) => voltage && Math.abs(voltage.typ - volts) <= NEAR_RAIL * volts)
    .sort((a, b) => own(a) - own(b));
}

/** Supplies that could be fed either way, and how they are. */
export function wideSupplies(circuit: Circuit): WideSupply[] {
  const io = circuit.controller && keyOf(circuit.controller.id, circuit.controller.card.controller?.io.reference);
  const logic = io === null ? null : (circuit.rails.get(io)?.voltage ?? circuit.feeds.get(io)?.voltage);
  if (!logic || Math.abs(logic.typ - FIVE_VOLTS) <= NEAR_RAIL * FIVE_VOLTS) return [];
  const low = railsOf(circuit, logic.typ);
  const high = railsOf(circuit, FIVE_VOLTS);
  const found: WideSupply[] = [];
  for (const part of circuit.parts.values()) {
    if (part.helper || part.card.controller || part.card.signals.length === 0) continue;
    if (part.card.kind !== 'module' || part.choice?.fittedOn !== undefined) continue;
    for (const supply of part.card.supplies) {
      const rail = circuit.rails.get(circuit.feeds.get(keyOf(part.id, supply.id))?.rail ?? '');
      const range = toInterval(supply.range);
      const fits = (r: Rail) => r.part !== part.id && r.voltage !== null && within(r.voltage, range);
      const [lower, upper] = [low.find(fits), high.find(fits)];
      if (!rail?.voltage || !lower || !upper) continue;
      const onLow = low.includes(rail);
      if (!onLow && !high.includes(rail)) continue;
      const against = circuit.plan.rules.feed === 'logic-rail' ? !onLow : onLow;
      found.push({ part, supply, rail, other: onLow ? upper : lower, against });
    }
  }
  return found;
}

export const levelFeedRule = {
  meta,
  run: (circuit) =>
    wideSupplies(circuit)
      .filter(({ against }) => against)
      .map(({ part, supply, rail, other }): Result => {
        const range = toInterval(supply.range);
        const V = (x: number) => quantityOf(x, 'V');
        return result(circuit, meta, {
          subjects: [keyOf(part.id, supply.id)],
          severity: 'note',
          message: tell('worksFromFedFrom', {
            part: part.label,
            range: V(range.min),
            upTo: V(range.max),
            rail: rail.label,
            other: other.label,
          }),
          meaning: circuit.plan.rules.feed === 'logic-rail' ? tell('meaning') : tell('vHasMoreHeadroom'),
          workings: [{ name: tell('range'), sum: tell('to', { range: V(range.min), upTo: V(range.max) }) }],
          rests: [[part.card.id, supply.range.source]],
        });
      }),
} satisfies Check;
