import type { Circuit } from '../circuit/circuit.ts';
import { evenness, fixedResistors, selfHeating, type Resistive } from '../physics/resistive.ts';
import type { SenseNeed } from '../plan/plan.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { analogLinks, type AnalogLink } from './analog-links.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'analog/divider',
  title: 'A resistive part has the fixed resistor that suits its range',
  station: 'levels',
  rule: 'A thermistor, light-dependent or platinum resistor stands under a fixed resistor; the smallest slope over the wanted range is at least half as even as the best value of the series gives, and self-heating stays under a tenth of the wanted accuracy.',
  source: 'the divider’s transfer; common practice for the shares',
  breaks: 'fault',
};

/** Less even than this share of the best is worth a word. */
const EVEN_ENOUGH = 0.5;
/** Self-heating above this share of the accuracy is worth a word. */
const WARM = 0.1;

const R = (x: number) => formatQuantity(x, 'Ω', 3);
const share = (x: number) => formatQuantity(x * 100, '%', 2);

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
        ? `${part.label} is a bare resistance and has no fixed resistor: the pin sees no voltage that says anything. ${best ? `${R(best.ohms)} would do.` : ''}`
        : poor
          ? `${R(net.fixed.ohms.typ)} with ${part.label}: the flattest place has ${share(here)} of the steepest slope; ${R(best?.ohms ?? 0)} would give ${share(best?.evenness ?? 0)}.`
          : `${R(net.fixed.ohms.typ)} with ${part.label}: the flattest place has ${share(here)} of the steepest slope.`,
    meaning: 'Where the curve is flat a count is many units wide: one end of the range is read coarsely.',
    workings: [
      { name: 'evenness', sum: 'smallest slope ÷ largest slope over the wanted range', value: here * 100, unit: '%' },
      ...(best ? [{ name: 'best of the series', sum: R(best.ohms), value: best.evenness * 100, unit: '%' }] : []),
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
  const U = (x: number) => formatQuantity(x, 'K', 2);
  return [
    result(circuit, meta, {
      subjects: [net.id, need.id, 'heat'],
      severity: kelvin > limit ? 'caution' : null,
      measured: kelvin,
      limit,
      unit: 'K',
      margin: limit - kelvin,
      message:
        kelvin > limit
          ? `${part.label} warms itself by ${U(kelvin)}; a tenth of the wanted accuracy is ${U(limit)}. A larger resistor, or power only while reading.`
          : `${part.label} warms itself by ${U(kelvin)} at most.`,
      meaning: 'The current that makes the reading heats the part: it shows its own warmth.',
      workings: [
        { name: 'power in the part', sum: `worst at ${formatQuantity(at, need.unit, 3)}`, value: watts, unit: 'W' },
        { name: 'warmth', sum: 'power ÷ dissipation constant', value: kelvin, unit: 'K' },
      ],
      rests: [[part.card.id, transfer.kind !== 'light' ? transfer.dissipation?.source : undefined]],
    }),
  ];
}

export const analogDivider: Check = {
  meta,
  run: (circuit) =>
    analogLinks(circuit).flatMap((link) => {
      const transfer = link.measure?.analog;
      if (!transfer || transfer.kind === 'linear' || !link.need) return [];
      return [slopeResult(circuit, link, transfer, link.need), ...heatResult(circuit, link, transfer, link.need)];
    }),
};
