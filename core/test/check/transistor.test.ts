import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import type { Card } from '../../src/card/card.ts';
import type { Helper } from '../../src/plan/helpers.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { baseSum } from '../../src/check/drive-transistor.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { libraryOf } from '../../src/card/library.ts';
import {
  card,
  CMOS,
  controller,
  document,
  exactly,
  figure,
  judge,
  part,
  source5,
  terminals,
  V5,
  type Build,
  type Json,
} from '../support/build.ts';

const fan = (amps: number): Card =>
  card('fan', {
    terminals: terminals('vcc', 'minus'),
    supplies: [
      { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 4, max: 6 }), current: { active: exactly('A', amps) } },
    ],
    ports: [{ id: 'coil', protocol: 'coil', lines: {}, inductance: exactly('H', 1e-6) }],
  });
const driver = (more: Json): Card =>
  card('driver', {
    kind: 'driver',
    terminals: terminals('in', 'load', 'gnd'),
    signals: [{ id: 'in', terminal: 'in', kind: 'input' }],
    ports: [{ id: 'in', protocol: 'digital-in', lines: { in: 'in' } }],
    driver: {
      terminal: 'load',
      voltage: exactly('V', 40),
      current: exactly('A', 0.5),
      diodeFitted: true,
      switchOff: exactly('s', 1e-6),
      ...more,
    },
  });
const bare = {
  bipolar: {
    base: figure('V', { min: 0.6, typ: 0.7, max: 0.9 }),
    saturation: figure('V', { typ: 0.1, max: 0.3 }),
    gain: figure('1', { min: 75 }),
  },
};
const MCU = controller({ ...CMOS, outputHigh: figure('V', { min: 4.2 }) });

function build(amps: number, more: Json, ohms: number | null): Build & { plan: Partial<Plan> } {
  const helpers: Helper[] =
    ohms === null ? [] : [{ id: 'base', kind: 'series', part: 'd', port: 'in', line: 'in', ohms }];
  const cards = [source5('v3', 5), V5, MCU, fan(amps), driver(more)];
  return {
    cards,
    parts: [
      part('d', 'driver', { ports: { in: { lines: { in: { pin: 'p2', locked: false } } } } }),
      part('f', 'fan', { feeds: { vcc: 'v5.out' }, ports: { coil: { driver: 'd' } } }),
    ],
    helpers,
    plan: {},
  };
}
const base = (amps: number, ohms: number | null) =>
  judge(build(amps, bare, ohms))
    .of('drive/transistor')
    .find(({ aspect }) => aspect === 'base');
const carried = (amps: number, more: Json) =>
  judge(build(amps, more, 1000))
    .of('drive/transistor')
    .find(({ aspect }) => aspect !== 'base');

describe('drive/transistor', () => {
  // Saturation at IC ÷ IB = 10, as sheets of small transistors state VCE(sat) (common practice). By hand, 100 mA: 10 mA
  // in the base; (4.2 V − 0.9 V) ÷ 10 mA = 330 Ω at the most, ÷ 1.05 for its tolerance: 314 Ω.
  it('wants a tenth of the load in the base', () => {
    expect(base(0.1, 300)?.severity).to.equal(null);
    expect(base(0.1, 314)?.severity).to.equal(null);
    expect(base(0.1, 315)).to.include({ severity: 'fault', limit: 0.01 });
    expect(base(0.1, 315)?.measured).to.be.closeTo(3.3 / (315 * 1.05), 1e-9);
  });
  // At the top (5 V − 0.6 V) ÷ (R × 0.95) may be 20 mA × 0.8: R ≥ 289 Ω.
  it('is danger where the pin gives more than it may, and without a resistor', () => {
    expect(base(0.05, 290)?.severity).to.equal(null);
    expect(base(0.05, 289)?.severity).to.equal('danger');
    expect(say(base(0.05, null)?.message)).to.include('hangs straight on its pin');
  });
  it('finds a load beyond what the driver may carry', () => {
    // 500 mA × 0.8.
    expect(carried(0.4, bare)?.severity).to.equal(null);
    expect(carried(0.41, bare)).to.include({ severity: 'fault', limit: 0.4 });
  });
  it('finds one that gets too hot: 0.3 V × 300 mA × 1000 K/W on 35 °C', () => {
    const thermal = { toAir: exactly('K/W', 1000), limit: exactly('°C', 150) };
    // 35 + 90 = 125 °C; allowed 35 + 115 × 0.8 = 127 °C. The surface is over 60.
    expect(carried(0.3, { ...bare, thermal })?.severity).to.equal('caution');
    expect(carried(0.31, { ...bare, thermal })?.severity).to.equal('fault');
    // I² × R of a field-effect one that is hot: 0.09 A² × 0.1 Ω × 1.5 = 13.5 mW.
    const cool = carried(0.3, { onResistance: exactly('Ω', 0.1), thermal });
    expect(cool?.severity).to.equal(null);
    expect(cool?.workings.find(({ name }) => name === 'turned to heat')?.value).to.be.closeTo(0.0135, 1e-12);
  });
  it('is given the largest resistor of the series that still saturates it', () => {
    const { circuit, verdict } = judge(build(0.1, bare, null));
    const finding = verdict.findings.find(({ check, aspect }) => check === 'drive/transistor' && aspect === 'base');
    const [remedy] = finding ? proposeRemedies(circuit, verdict, finding, libraryOf([...circuit.cards.values()])) : [];
    // E12 between 289 and 314 Ω has nothing: the window of a pin of 20 mA is too narrow for 100 mA.
    expect(remedy).to.equal(undefined);
    const light = judge(build(0.05, bare, null));
    const found = light.verdict.findings.find(({ check, aspect }) => check === 'drive/transistor' && aspect === 'base');
    // 5 mA: (4.2 − 0.9) ÷ 5 mA ÷ 1.05 = 628 Ω, so 560.
    const mended = found
      ? proposeRemedies(light.circuit, light.verdict, found, libraryOf([...light.circuit.cards.values()]))
      : [];
    expect(mended.map(({ id }) => id)).to.include('series:d.in.in:560');
  });
  it('has no sum before its pin is chosen', () => {
    const doc = document(build(0.1, bare, 270));
    const loose = { ...doc.plan, parts: doc.plan.parts.map((p) => (p.id === 'd' ? { ...p, ports: {} } : p)) };
    const circuit = deriveCircuit({ plan: loose, cards: doc.cards });
    const node = circuit.parts.get('d');
    expect(node && baseSum(circuit, node, 0.1)).to.equal(null);
  });
});
