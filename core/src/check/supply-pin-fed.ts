import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/model.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity, type Sum } from '../quantity/message.ts';
import { multiply } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { overRails } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyPinFedSays {
  readonly danger: { names: readonly Text[]; peak: Quantity; rail: Text; absolute: Quantity };
  readonly broken: { names: readonly Text[]; peak: Quantity; rail: Text; limit: Quantity };
  readonly never: { names: readonly Text[]; rail: Text; peak: Quantity; recommended: Quantity };
  readonly holds: { names: readonly Text[]; peak: Quantity; limit: Quantity; rail: Text };
  readonly meaning: null;
  readonly peakUsually: { sum: Sum };
  readonly recommendedPin: null;
  readonly voltageUnderLoad: null;
  readonly highLevelAsResistance: null;
}

const tell = tells<SupplyPinFedSays>('supply/pin-fed');

const meta = {
  id: 'supply/pin-fed',
  station: 'power',
  breaks: 'fault',
  scope: 'part',
  reads: ['controller/pinCurrent/absolute', 'controller/pinCurrent/recommended'],
} as const satisfies CheckMeta;

const A = (x: number) => quantityOf(x, 'A');

function judge(circuit: Circuit, rail: Rail): Result {
  const limits = circuit.controller?.card.controller?.pinCurrent;
  const recommended = limits ? toInterval(limits.recommended).min : 0;
  const absolute = limits ? toInterval(limits.absolute).min : 0;
  const { pinPower } = circuit.plan.rules;
  const never = pinPower === 0;
  const limit = recommended * (never ? 1 : pinPower);
  const margin = limit - rail.peak;
  const names = rail.loads.map(({ label }) => label);
  const danger = rail.peak > absolute;
  const severity = danger ? 'danger' : margin < 0 || never ? 'fault' : null;
  return result(circuit, meta, {
    subjects: [rail.ref],
    severity,
    measured: rail.peak,
    limit: danger ? absolute : never ? 0 : limit,
    unit: 'A',
    margin: danger ? absolute - rail.peak : never ? -rail.peak : margin,
    message: danger
      ? tell('danger', { names, peak: A(rail.peak), rail: rail.label, absolute: A(absolute) })
      : margin < 0
        ? tell('broken', { names, peak: A(rail.peak), rail: rail.label, limit: A(limit) })
        : never
          ? tell('never', { names, rail: rail.label, peak: A(rail.peak), recommended: A(recommended) })
          : tell('holds', { names, peak: A(rail.peak), limit: A(limit), rail: rail.label }),
    meaning: tell('meaning'),
    workings: [
      ...rail.loads.map(({ label, peak, sum }) => ({
        name: label,
        sum: tell('peakUsually', { sum }),
        value: peak,
        unit: 'A',
      })),
      {
        name: term('mayBeDrawn'),
        sum: never ? tell('recommendedPin') : multiply(A(recommended), pinPower),
        value: limit,
        unit: 'A',
      },
      {
        name: tell('voltageUnderLoad'),
        sum: tell('highLevelAsResistance'),
        value: rail.voltage?.min ?? 0,
        unit: 'V',
      },
    ],
    rests: [
      [circuit.controller?.card.id ?? '', limits?.recommended.source],
      [circuit.controller?.card.id ?? '', limits?.absolute.source],
    ],
  });
}

export const supplyPinFed = {
  meta,
  ...overRails((circuit, rail) => (rail.pin ? [judge(circuit, rail)] : [])),
} satisfies Check;
