/** A true value goes through the card's curve, the resistors of the plan and the converter by handbook formulas; the settings bring it back. */
import { expect } from 'chai';
import type { Card } from '../../../src/card/card.ts';
import { deriveCircuit } from '../../../src/circuit/derive.ts';
import { readingOf } from '../../../src/deliver/settings/formula.ts';
import { settingsOf } from '../../../src/deliver/settings/settings-of.ts';
import { documentOf } from '../../../src/plan/document.ts';
import type { Plan } from '../../../src/plan/plan.ts';
import { complete } from '../../../src/solve/complete/complete.ts';
import { library } from '../../support/demo.ts';
import { circuitOf, MATRIX } from '../../support/matrix.ts';

interface Bounds {
  readonly min?: number | undefined;
  readonly typ?: number | undefined;
  readonly max?: number | undefined;
}

const typ = (f: Bounds): number =>
  f.typ ?? (f.min !== undefined && f.max !== undefined ? (f.min + f.max) / 2 : (f.min ?? f.max ?? 0));

/**
 * Ω at a reading: R25 × e^(B × (1/T − 1/T25)) of a thermistor, R10 × (E/10 lx)^−gamma of a light-dependent resistor, and
 * R0 × (1 + At + Bt² + C(t − 100)t³) of platinum (IEC 60751; coefficients from memory).
 */
function ohmsAt(transfer: NonNullable<Card['measures'][number]['analog']>, at: number): number {
  if (transfer.kind === 'beta')
    return typ(transfer.r25) * Math.exp(typ(transfer.beta) * (1 / (at + 273.15) - 1 / 298.15));
  if (transfer.kind === 'light') return typ(transfer.r10) * (at / 10) ** -typ(transfer.gamma);
  if (transfer.kind !== 'platinum') return NaN;
  const cold = at < 0 ? -4.183e-12 * (at - 100) * at ** 3 : 0;
  return typ(transfer.r0) * (1 + 3.9083e-3 * at - 5.775e-7 * at * at + cold);
}

/** V at the pin, by what the plan has there. */
function voltsAt(plan: Plan, card: Card, at: number, rails: ReadonlyMap<string, number>): number {
  const [measure] = card.measures;
  const transfer = measure?.analog;
  if (!measure || !transfer) return NaN;
  if (transfer.kind !== 'linear') {
    const fixed = plan.helpers.find((helper) => helper.kind === 'fixed');
    if (fixed?.kind !== 'fixed') return NaN;
    const ohms = ohmsAt(transfer, at);
    return ((rails.get(fixed.to) ?? NaN) * ohms) / (ohms + fixed.ohms);
  }
  const part = plan.parts.find(({ id }) => id === 'part');
  const supply = rails.get(part?.feeds[card.supplies[0]?.id ?? ''] ?? '') ?? NaN;
  const level = (f: typeof transfer.low) =>
    f.unit === 'V' ? typ(f) : f.unit === 'share' ? typ(f) * supply : supply + typ(f);
  const [low, high] = [level(transfer.low), level(transfer.high)];
  const out = low + ((at - measure.range.from) / (measure.range.to - measure.range.from)) * (high - low);
  const divider = plan.helpers.find((helper) => helper.kind === 'divider');
  if (divider?.kind !== 'divider') return out;
  // The output's own resistance is in series with the upper one.
  const source = card.signals.find(({ id }) => id === transfer.signal)?.outputResistance;
  return (out * divider.lower) / (divider.upper + divider.lower + (source ? typ(source) : 0));
}

describe('counts of a converter', function () {
  this.timeout(240_000);

  it('become the reading that they came from, for every analog part that ships, on every board that can read it', () => {
    const kinds = new Set<string>();
    let tried = 0;
    for (const cell of MATRIX) {
      const measure = cell.card.measures[0];
      if (!measure?.analog || cell.by !== 'socket') continue;
      const completion = complete(circuitOf(cell), library);
      if (completion.verdict.status !== 'verified') continue;
      const circuit = deriveCircuit(documentOf(completion.plan, [], library));
      const told = settingsOf(circuit).find(({ id }) => id === 'part');
      const conversion = told?.conversions.find(({ quantity }) => quantity === measure.quantity);
      expect(conversion, cell.name).to.not.equal(undefined);
      if (!conversion) continue;
      const rails = new Map([...circuit.rails].map(([ref, rail]) => [ref, rail.voltage?.typ ?? NaN]));
      // Where full scale follows a rail of the board it is what that rail has at the moment, whatever the card calls usual.
      const board = circuit.controller;
      const follows = board?.card.controller?.adc?.follows ?? '';
      const fullScale = rails.get(`board.${follows}`) ?? rails.get(circuit.feeds.get(`board.${follows}`)?.rail ?? '');
      const { counts, reference } = conversion.formula;
      const need = completion.plan.needs[0];
      const [from, to] = need?.kind === 'sense' ? [need.from, need.to] : [measure.range.from, measure.range.to];
      for (const share of [0.1, 0.35, 0.6, 0.9]) {
        const at = from + share * (to - from);
        const volts = voltsAt(completion.plan, cell.card, at, rails);
        const back = readingOf(conversion.formula, (volts / (fullScale ?? reference)) * counts);
        expect(Math.abs(back - at), `${cell.name} at ${at}`).to.be.lessThan(1e-6 * (to - from) + 1e-3);
      }
      tried += 1;
      kinds.add(measure.analog.kind);
    }
    expect(tried).to.be.greaterThan(20);
    expect([...kinds].sort()).to.deep.equal(['beta', 'light', 'linear', 'platinum']);
  });
});
