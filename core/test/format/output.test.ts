import { expect } from 'chai';
import Papa from 'papaparse';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { buildOf } from '../../src/deliver/build.ts';
import { partsCsv, wiringCsv } from '../../src/format/csv.ts';
import { FIGURE_IDS } from '../../src/card/figures.ts';
import { jsonSchema } from '../../src/format/json-schema.ts';
import { reportOf } from '../../src/report/report.ts';
import { changePart } from '../../src/plan/edits.ts';
import { demo, library } from '../support/demo.ts';

describe('CSV', () => {
  const doc = demo('cupboard-verified');
  const evil = ['=1+1', '+1', '-1', '@cmd', '\t=1'];
  const plan = evil.reduce(
    (p, label, i) => changePart(p, p.parts[i]?.id ?? '', (part) => ({ ...part, label })),
    doc.plan,
  );
  const circuit = deriveCircuit({ plan, cards: doc.cards });
  const { wiring, parts } = buildOf(circuit);
  const read = (text: string) => Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data;

  it('neutralises cells that a spreadsheet would run', () => {
    const cells = [partsCsv(parts), wiringCsv(wiring)].flatMap((text) => read(text).flatMap(Object.values));
    expect(cells.filter((cell) => /^[=+\-@\t\r]/.test(cell))).to.deep.equal([]);
    expect(cells.some((cell) => cell.startsWith("'=1+1"))).to.equal(true);
  });

  it('has a line for every part and every lead', () => {
    expect(read(partsCsv(parts))).to.have.length(parts.lines.length);
    expect(read(wiringCsv(wiring))).to.have.length(wiring.steps.flatMap(({ leads }) => leads).length);
    expect(read(partsCsv(parts)).find(({ part }) => part === 'Rill core probe')).to.include({
      needed: '3',
      total: '19.50',
      currency: 'EUR',
    });
  });
});

describe('report', () => {
  it('has the shape of the contract', () => {
    const report = reportOf(demo('cupboard-first-draft'), library);
    expect(report).to.have.keys('status', 'fingerprint', 'findings', 'passes', 'unread', 'wiring');
    expect(report.status).to.equal('open');
    expect(report.fingerprint).to.match(/^[0-9a-f]{16}$/);
    for (const finding of report.findings) {
      expect(finding).to.include.keys(
        'check',
        'severity',
        'subjects',
        'measured',
        'limit',
        'unit',
        'margin',
        'message',
        'evidence',
        'remedies',
      );
      for (const remedy of finding.remedies) expect(remedy).to.have.keys('id', 'title');
    }
    expect(JSON.parse(JSON.stringify(report))).to.deep.equal(report); // nothing is lost on the way out, NaN and Infinity included
  });
});

describe('JSON Schema', () => {
  it('is generated for cards and plans, and names every field of a plan', () => {
    const schema = jsonSchema('plan') as { properties: Record<string, { properties?: object }>; required: string[] };
    expect(schema.required).to.have.members(['format', 'version', 'plan', 'cards']);
    expect(Object.keys(schema.properties.plan?.properties ?? {})).to.include.members([
      'needs',
      'parts',
      'buses',
      'helpers',
      'rules',
    ]);
    expect(jsonSchema('card')).to.have.property('$schema', 'https://json-schema.org/draft/2020-12/schema');
    const text = JSON.stringify(jsonSchema('card'));
    // Every place that is asked is described, in each form that a card has; places of other kinds share a form.
    expect(text.match(/"description":/g)?.length ?? 0).to.be.at.least(FIGURE_IDS.length);
    for (const words of ['addresses and how each is set', 'pins and what each can do (', 'input high ('])
      expect(text).to.include(words.replace(' (', ''));
  });
});
