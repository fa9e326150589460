import type { Circuit } from '../circuit/model.ts';
import { evenness, fixedResistors, selfHeating, type Resistive } from '../physics/resistive.ts';
import type { SenseNeed } from '../plan/plan.ts';
import { overLinks, type AnalogLink } from './analog-links.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Quantity, type Text } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface AnalogDividerSays {
  readonly wouldDo: { best: Quantity };
  readonly bareResistanceHasNo: { part: Text; best: Text };
  readonly poor: { fixed: Quantity; part: Text; here: Quantity; best: Quantity; evenness: Quantity };
  readonly holds: { fixed: Quantity; part: Text; here: Quantity };
  readonly meaning: null;
  readonly evenness: null;
  readonly smallestSlopeLargestSlope: null;
  readonly bestSeries: null;
  readonly warmsItselfTenthWanted: { part: Text; kelvin: Quantity; limit: Quantity };
  readonly warmsItselfMost: { part: Text; kelvin: Quantity };
  readonly currentMakesReadingHeats: null;
  readonly powerPart: null;
  readonly worst: { at: Quantity };
  readonly warmth: null;
  readonly powerDissipationConstant: null;
}

const tell = tells<AnalogDividerSays>('analog/divider');

const meta = {
  id: 'analog/divider',
  station: 'levels',
  breaks: 'fault',
  scope: 'part',
  reads: [
    'measures/*/analog/beta',
    'measures/*/analog/dissipation',
    'measures/*/analog/gamma',
    'measures/*/analog/r0',
    'measures/*/analog/r10',
    'measures/*/analog/r25',
  ],
} as const satisfies CheckMeta;

/** Less even than this share of the best is worth a word. */
const EVEN_ENOUGH = 0.5;
/** Self-heating above this share of the accuracy is worth a word. */
const WARM = 0.1;

const R = (x: number) => quantityOf(x, 'Ω', 3);
const share = (x: number) => quantityOf(x * 100, '%', 2);

function slopeResult(circuit: Circuit, link: AnalogLink, transfer: Resistive, need: SenseNeed): Result {
  const { part, net } = link;
  const best = fixedResistors(transfer, need, circuit.plan.rules.series)[0];
  const here = net.fixed ? evenness(transfer, need, net.fixed.ohms.typ) : 0;
  const limit = (best?.evenness ?? 0) * EVEN_ENOUGH;
  const poor = here < limit;
  return result(circuit, meta, {
    subjects: [net.id, need.id],
    severity: net.fixed === null ? 'fault' : poor ? 'caution' : null,
    measured: here * 100,
    limit: limit * 100,
    unit: '%',
    margin: (here - limit) * 100,
    ranked: false,
    message:
      net.fixed === null
        ? tell('bareResistanceHasNo', { part: part.label, best: best ? tell('wouldDo', { best: R(best.ohms) }) : '' })
        : poor
          ? tell('poor', {
              fixed: R(net.fixed.ohms.typ),
              part: part.label,
              here: share(here),
              best: R(best?.ohms ?? 0),
              evenness: share(best?.evenness ?? 0),
            })
          : tell('holds', { fixed: R(net.fixed.ohms.typ), part: part.label, here: share(here) }),
    meaning: tell('meaning'),
    workings: [
      { name: tell('evenness'), sum: tell('smallestSlopeLargestSlope'), value: here * 100, unit: '%' },
      ...(best ? [{ name: tell('bestSeries'), sum: R(best.ohms), value: best.evenness * 100, unit: '%' }] : []),
    ],
    rests: [
      [
        part.card.id,
        transfer.kind === 'beta'
          ? transfer.beta.source
          : transfer.kind === 'light'
            ? transfer.gamma.source
            : transfer.r0.source,
      ],
    ],
  });
}

function heatResult(circuit: Circuit, link: AnalogLink, transfer: Resistive, need: SenseNeed): Result[] {
  const { net, part } = link;
  const rail = net.fixed?.voltage;
  if (!net.fixed || !rail) return [];
  const { watts, kelvin, at } = selfHeating(transfer, need, net.fixed.ohms.min, rail.max);
  if (kelvin === null || need.unit !== '°C') return [];
  const limit = need.accuracy * WARM;
  const U = (x: number) => quantityOf(x, 'K', 2);
  return [
    result(circuit, meta, {
      subjects: [net.id, need.id],
      aspect: 'heat',
      severity: kelvin > limit ? 'caution' : null,
      measured: kelvin,
      limit,
      unit: 'K',
      margin: limit - kelvin,
      message:
        kelvin > limit
          ? tell('warmsItselfTenthWanted', { part: part.label, kelvin: U(kelvin), limit: U(limit) })
          : tell('warmsItselfMost', { part: part.label, kelvin: U(kelvin) }),
      meaning: tell('currentMakesReadingHeats'),
      workings: [
        { name: tell('powerPart'), sum: tell('worst', { at: quantityOf(at, need.unit, 3) }), value: watts, unit: 'W' },
        { name: tell('warmth'), sum: tell('powerDissipationConstant'), value: kelvin, unit: 'K' },
      ],
      rests: [[part.card.id, transfer.kind !== 'light' ? transfer.dissipation?.source : undefined]],
    }),
  ];
}

export const analogDivider = {
  meta,
  ...overLinks((circuit, link) => {
    const transfer = link.measure?.analog;
    if (!transfer || transfer.kind === 'linear' || !link.need) return [];
    return [slopeResult(circuit, link, transfer, link.need), ...heatResult(circuit, link, transfer, link.need)];
  }),
} satisfies Check;
