/** Feeds on the bench: through a diode, from a second source, and from a pin. */
import { expect } from 'chai';
import { partsList } from '../../src/deliver/parts-list.ts';
import { pointKey } from '../../src/deliver/wirer.ts';
import { wiringPlan } from '../../src/deliver/wiring.ts';
import { documentOf } from '../../src/plan/document.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { card, CMOS, controller, document, judge, part, source5, V5, type Build } from '../support/build.ts';
import { load } from '../support/power-build.ts';

const [diode, toggle] = ['diode', 'switch'].map((kind) => card(kind, { kind }));
if (!diode || !toggle) throw new Error('no cards');
const build: Build = {
  cards: [source5('s5', 5), source5('s6', 6), load('x', 0.1), diode, toggle],
  parts: [part('a', 's5'), part('b', 's6'), part('x', 'x', { feeds: { vcc: 'a.out' }, also: { vcc: 'b.out' } })],
  helpers: [
    { id: 'g1', kind: 'guard', part: 'x', supply: 'vcc', rail: 'a.out', card: 'diode' },
    { id: 'g2', kind: 'guard', part: 'x', supply: 'vcc', rail: 'b.out', card: 'switch' },
  ],
};

describe('wiring of feeds', () => {
  const { circuit } = judge(build);
  const wiring = wiringPlan(circuit);
  const leads = wiring.steps.flatMap((step) => step.leads);
  it('leads each source to its own guard, and both behind it to the part', () => {
    for (const [source, kind] of [
      ['a.out', 'diode'],
      ['b.out', 'switch'],
    ] as const) {
      const guard = leads.find((lead) => lead.kind === kind);
      if (!guard) throw new Error(`no ${kind}`);
      const [before, behind] = [pointKey(guard.from), pointKey(guard.to)];
      // The plain end of a diode is on the side of the source: current flows towards the part.
      expect(
        leads.some((lead) => [pointKey(lead.from), pointKey(lead.to)].sort().join() === [source, before].sort().join()),
        source,
      ).to.equal(true);
      const reaches =
        behind === 'x.vcc' ||
        leads.some(
          (lead) =>
            [pointKey(lead.from), pointKey(lead.to)].includes(behind) &&
            [pointKey(lead.from), pointKey(lead.to)].includes('x.vcc'),
        );
      expect(reaches, kind).to.equal(true);
    }
    expect(leads.some((lead) => [pointKey(lead.from), pointKey(lead.to)].sort().join() === 'a.out,x.vcc')).to.equal(
      false,
    );
  });
  it('has both guards on the list of parts', () =>
    expect(
      partsList(circuit, wiring)
        .lines.filter(({ card: id }) => id === 'diode' || id === 'switch')
        .map(({ needed }) => needed),
    ).to.deep.equal([1, 1]));
  it('leads a pin to the part that it feeds', () => {
    const doc = document({
      cards: [V5, source5('v3', 5), controller(CMOS), load('x', 0.01)],
      parts: [part('x', 'x', { feeds: { vcc: 'mcu.p3' } })],
    });
    const fed = deriveCircuit(documentOf(doc.plan, doc.cards));
    const found = wiringPlan(fed).steps.flatMap((step) =>
      step.leads.map((lead) => [pointKey(lead.from), pointKey(lead.to)].sort().join()),
    );
    expect(found).to.include('mcu.p3,x.vcc');
  });
});
