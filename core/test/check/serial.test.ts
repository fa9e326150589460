/** SPI: three lines in common and a select for each part. */
import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { busTime } from '../../src/check/bus-time.ts';
import { verify } from '../../src/check/verify.ts';
import { addPart } from '../../src/solve/add-part.ts';
import { documentOf } from '../../src/plan/document.ts';
import { emptyPlan } from '../../src/plan/edits.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { library } from '../support/demo.ts';

/** A plan with the parts added one after the other, as from the catalogue. */
function built(...ids: string[]): Plan {
  let plan: Plan = emptyPlan('serial', 'serial');
  for (const id of ids) {
    const card = library.get(id);
    if (!card) throw new Error(`${id} is missing`);
    plan = addPart(deriveCircuit(documentOf(plan, [], library)), library, card).plan;
  }
  return plan;
}

for (const board of ['wifi-board', 'stick-board', 'linux-board']) {
  describe(`two SPI parts on ${board}`, () => {
    const plan = built('usb-adapter', board, 'platinum-amp', 'couple-amp');
    const circuit = deriveCircuit(documentOf(plan, [], library));
    it('share clock and data and are selected apart', () => {
      const spi = circuit.wishes.filter(({ of, ask }) => of === 'spi' || ask === 'out');
      expect(spi.map(({ id }) => id).sort()).to.deep.equal([
        'crucible-ca-thermocouple-amplifier.spi.select',
        'crucible-pa-platinum-amplifier.spi.select',
        'spi.clk',
        'spi.in',
        'spi.out',
      ]);
      expect(new Set(spi.map(({ pin }) => pin)).size).to.equal(5);
      const clock = circuit.nets.find(({ id }) => id === 'spi.clk');
      expect(clock?.ends).to.have.length(3);
    });
    it('take eight clocks a byte, without start and stop', () => {
      const bus = circuit.buses.find(({ protocol }) => protocol === 'spi');
      const shares = bus ? busTime(circuit, bus).shares : [];
      expect(shares.map(({ transfer }) => transfer)).to.deep.equal([(4 * 8) / 1e6, (4 * 8) / 1e6]);
    });
    it('are proved: levels both ways, one instance for all lines, the clock below the slowest', () => {
      const verdict = verify(circuit);
      expect(
        verdict.findings.filter(
          ({ severity, station }) => station !== 'power' && (severity === 'danger' || severity === 'fault'),
        ),
      ).to.deep.equal([]);
      const checks = new Set(
        verdict.passes.filter(({ subjects }) => subjects.some((s) => s.startsWith('spi'))).map(({ check }) => check),
      );
      expect([...checks]).to.include.members(['bus/clock', 'bus/crossed', 'pin/capability', 'level/over-voltage']);
    });
  });
}
