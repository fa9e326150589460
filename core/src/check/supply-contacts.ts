import type { Circuit, Rail } from '../circuit/model.ts';
import { contactOhms, THICKEST_JUMPER } from '../circuit/contacts.ts';
import { JUMPER_GAUGE, SPRING_CURRENT } from '../standard/common-practice.ts';
import { gaugeCurrent } from '../standard/wire-gauge.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { multiply } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { both, overFeeds, overRails } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyContactsSays {
  readonly broken: { rail: Text; amps: Quantity; springcurrent: Quantity };
  readonly holds: { rail: Text; amps: Quantity; springcurrent: Quantity };
  readonly meaning: null;
  readonly pastBoard: null;
  readonly thickLeads: null;
  readonly lostContacts: null;
  readonly leadsCarryGaugeTakes: { label: Text; peak: Quantity; gauge: number; limit: Quantity };
  readonly leadsOfGauge: { label: Text; peak: Quantity; limit: Quantity; gauge: number };
  readonly leadCarriesTooMuch: null;
  readonly gauge: null;
  readonly freeAir: { gauge: number };
}

const tell = tells<SupplyContactsSays>('supply/contacts');

const meta = {
  id: 'supply/contacts',
  station: 'power',
  breaks: 'caution',
  scope: 'plan',
  reads: ['supplies/*/current/active', 'supplies/*/current/peak'],
} as const satisfies CheckMeta;

const A = (x: number) => quantityOf(x, 'A');

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
          ? tell('broken', { rail: rail.label, amps: A(amps), springcurrent: A(SPRING_CURRENT) })
          : tell('holds', { rail: rail.label, amps: A(amps), springcurrent: A(SPRING_CURRENT) }),
      meaning: tell('meaning'),
      workings: [
        { name: term('peak'), sum: term('allHangs'), value: rail.peak, unit: 'A' },
        ...(past > 0 ? [{ name: tell('pastBoard'), sum: tell('thickLeads'), value: past, unit: 'A' }] : []),
        { name: tell('lostContacts'), sum: multiply(quantityOf(ohms, 'Ω'), A(amps)), value: ohms * amps, unit: 'V' },
      ],
    }),
  ];
}

export const supplyContacts = {
  meta,
  ...both(
    overRails((circuit, rail) => (rail.offer.from || rail.pin ? [] : atSource(circuit, rail))),
    overFeeds((circuit, feed): Result[] => {
      const limit = gaugeCurrent(feed.lead.gauge);
      if (feed.by !== 'leads' || feed.peak <= 0) return [];
      const label = circuit.parts.get(feed.part)?.label ?? feed.part;
      const margin = limit - feed.peak;
      return [
        result(circuit, meta, {
          subjects: [keyOf(feed.part, feed.supply.id)],
          aspect: 'leads',
          severity: margin < 0 ? 'fault' : null,
          measured: feed.peak,
          limit,
          unit: 'A',
          margin,
          message:
            margin < 0
              ? tell('leadsCarryGaugeTakes', { label, peak: A(feed.peak), gauge: feed.lead.gauge, limit: A(limit) })
              : tell('leadsOfGauge', { label, peak: A(feed.peak), limit: A(limit), gauge: feed.lead.gauge }),
          meaning: tell('leadCarriesTooMuch'),
          workings: [
            { name: tell('gauge'), sum: tell('freeAir', { gauge: feed.lead.gauge }), value: limit, unit: 'A' },
          ],
          rests: [[circuit.parts.get(feed.part)?.card.id ?? '', feed.supply.current.active.source]],
        }),
      ];
    }),
  ),
} satisfies Check;
