import { expect } from 'chai';
import { verify } from '../../src/check/verify.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { overviewTable } from '../../src/drawing/table.ts';
import { belongingTo } from '../../src/overview/belongs.ts';
import { overviewOf } from '../../src/overview/overview-of.ts';
import { demo, PLANS } from '../support/demo.ts';

const seen = (name: (typeof PLANS)[number]) => {
  const circuit = deriveCircuit(demo(name));
  const verdict = verify(circuit);
  return { circuit, verdict, overview: overviewOf(circuit, verdict) };
};

describe('what belongs together in the picture', () => {
  const { overview } = seen('cupboard-verified');
  it('of a part: its row up to the controller, its feed up to the source, what stands between', () => {
    const display = overview.rows.flatMap(({ taps }) => taps).find(({ label }) => label === 'display');
    const found = belongingTo(overview, { kind: 'part', id: display?.part ?? '' });
    const row = overview.rows.find(({ taps }) => taps.some(({ part }) => part === display?.part));
    // It hangs behind a translator: that, its own row and the one above belong to it.
    expect(row?.under).not.to.equal(null);
    expect([...found]).to.include.members([
      `row ${row?.id}`,
      `row ${row?.under?.row}`,
      `part ${row?.under?.gate.part}`,
    ]);
    const rails = [...found].filter((key) => key.startsWith('rail '));
    expect(rails.length).to.be.greaterThan(1);
  });
  it('of a feed: what it is made from, what is made of it, and every part on those', () => {
    const [source] = overview.feeds;
    const found = belongingTo(overview, { kind: 'rail', id: source?.rail ?? '' });
    const fed = overview.rows.flatMap(({ taps }) => taps).filter(({ feed }) => feed);
    for (const { part } of fed) expect([...found]).to.include(`part ${part}`);
  });
});

describe('the findings in the picture', () => {
  it('stand each at one thing, and what stands there is the worst of them', () => {
    const { overview, verdict } = seen('cupboard-first-draft');
    const marks = [
      ...overview.rows.flatMap(({ mark, taps }) => [mark, ...taps.map((tap) => tap.mark)]),
      ...overview.feeds.flatMap(function all(node): (typeof node.mark)[] {
        return [node.mark, ...node.into.flatMap(all)];
      }),
      overview.hub?.mark ?? null,
    ].flatMap((mark) => mark ?? []);
    expect(new Set(marks.map(({ key }) => key)).size).to.equal(marks.length);
    const shown = marks.reduce((sum, { more }) => sum + 1 + more, 0);
    const electric = verdict.findings.filter(({ station }) => ['levels', 'bus', 'pins', 'power'].includes(station));
    expect(shown).to.be.at.least(electric.length);
    // The lifted bus, the light without its resistor and the coil without its diode are on what they are about.
    expect(marks.filter(({ severity }) => severity === 'danger').length).to.be.at.least(4);
  });

  it('are in the table as well, part by part', () => {
    for (const name of PLANS) {
      const { overview } = seen(name);
      const lines = overviewTable(overview);
      for (const { taps } of overview.rows)
        for (const { label } of taps)
          expect(
            lines.some(({ part }) => part.includes(String(label))),
            `${name} ${String(label)}`,
          ).to.equal(true);
    }
  });
});
