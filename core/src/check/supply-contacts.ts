import type { Circuit, Rail } from '../circuit/circuit.ts';
import { contactOhms, THICKEST_JUMPER } from '../circuit/contacts.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { JUMPER_GAUGE, SPRING_CURRENT } from '../standard/practice.ts';
import { gaugeCurrent } from '../standard/wire-gauge.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/contacts',
  title: 'Springs and leads carry what flows',
  station: 'power',
  rule: 'The peak of a source goes through one spring of the board, 1 A each; the peak of a feed through its leads, by their gauge. Four contacts of 20 to 50 mΩ on the way there and back are part of what a feed loses.',
  source: 'handbook table of chassis wiring (from memory); 1 A and 20 to 50 mΩ a spring are common practice',
  breaks: 'caution',
};

const A = (x: number) => formatQuantity(x, 'A');

/** What a build draws through the first spring: all that does not come on leads too thick for one. */
function atSource(circuit: Circuit, rail: Rail): Result[] {
  const fed = [...circuit.feeds.values()].filter((feed) => feed.rail === rail.ref && feed.by === 'leads');
  const past = fed.filter(({ lead }) => lead.gauge < THICKEST_JUMPER).reduce((sum, { peak }) => sum + peak, 0);
  const amps = Math.max(0, rail.peak - past);
  if (circuit.plan.boards.length === 0 || fed.length === 0 || amps <= 0) return [];
  const margin = SPRING_CURRENT - amps;
  const ohms = contactOhms(circuit.plan, JUMPER_GAUGE);
  return [
    result(circuit, meta, {
      subjects: [rail.ref],
      severity: margin < 0 ? 'caution' : null,
      measured: amps,
      limit: SPRING_CURRENT,
      unit: 'A',
      margin,
      message:
        margin < 0
          ? `${rail.label} gives up to ${A(amps)} through springs of the board; one carries ${A(SPRING_CURRENT)}. Let the heavy part have thicker leads that are screwed or clamped to the source.`
          : `${rail.label} gives up to ${A(amps)} of the ${A(SPRING_CURRENT)} that a spring carries.`,
      meaning: 'A spring that carries too much gets hot, loses its tension, and then every start looks like a fault.',
      workings: [
        { name: 'peak', sum: 'all that hangs on it', value: rail.peak, unit: 'A' },
        ...(past > 0 ? [{ name: 'past the board', sum: 'on thick leads', value: past, unit: 'A' }] : []),
        { name: 'lost in contacts', sum: `${formatQuantity(ohms, 'Ω')} × ${A(amps)}`, value: ohms * amps, unit: 'V' },
      ],
    }),
  ];
}

export const supplyContacts: Check = {
  meta,
  run: (circuit) => [
    ...[...circuit.rails.values()]
      .filter(({ offer, pin }) => !offer.from && !pin)
      .flatMap((rail) => atSource(circuit, rail)),
    ...[...circuit.feeds.values()].flatMap((feed): Result[] => {
      const limit = gaugeCurrent(feed.lead.gauge);
      if (feed.by !== 'leads' || feed.peak <= 0) return [];
      const label = circuit.parts.get(feed.part)?.label ?? feed.part;
      const margin = limit - feed.peak;
      return [
        result(circuit, meta, {
          subjects: [`${feed.part}.${feed.supply.id}`, 'leads'],
          severity: margin < 0 ? 'fault' : null,
          measured: feed.peak,
          limit,
          unit: 'A',
          margin,
          message:
            margin < 0
              ? `The leads to ${label} carry ${A(feed.peak)}; gauge ${feed.lead.gauge} takes ${A(limit)}. They get hot.`
              : `The leads to ${label} carry ${A(feed.peak)} of the ${A(limit)} that gauge ${feed.lead.gauge} takes.`,
          meaning: 'A lead that carries too much softens its cover and its neighbours’.',
          workings: [{ name: 'gauge', sum: `${feed.lead.gauge}, in free air`, value: limit, unit: 'A' }],
          rests: [[circuit.parts.get(feed.part)?.card.id ?? '', feed.supply.current.active.source]],
        }),
      ];
    }),
  ],
};
