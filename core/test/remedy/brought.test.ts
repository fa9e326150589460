/** Remedies that bring what is missing: fewer bits, opened one-wire jumpers, sleep between readings. Each sum by hand beside it. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { verify } from '../../src/check/verify.ts';
import type { PartChoice, Plan, SenseNeed } from '../../src/plan/plan.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { answerTo } from '../../src/solve/answer.ts';
import { whatIfs } from '../../src/solve/what-if.ts';
import { complete } from '../../src/solve/complete/complete.ts';
import { CMOS, card, controller, document, exactly, figure, judge, part, terminals, V3 } from '../support/build.ts';
import { circuitOf, TABLE, withParts } from '../support/bought.ts';
import { library } from '../support/demo.ts';

const wire = (pulled: boolean) =>
  card('probe', {
    terminals: terminals('vcc', 'gnd', 'data'),
    supplies: [
      { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 3, max: 5.5 }), current: { active: exactly('A', 0) } },
    ],
    signals: [
      {
        id: 'data',
        terminal: 'data',
        kind: 'open-drain',
        reference: 'vcc',
        sinkCurrent: figure('A', { min: 0.004 }),
        ...CMOS,
        ...(pulled ? { fittedPullUp: { value: exactly('Ω', 4700), to: 'vcc', removable: 'jumper' } } : {}),
      },
    ],
    ports: [{ id: 'wire', protocol: 'onewire', lines: { data: 'data' } }],
    measures: [
      {
        quantity: 'water temperature',
        unit: '°C',
        range: { from: -10, to: 85, source: 'sheet' },
        accuracy: [{ from: -10, to: 85, error: 0.5, source: 'sheet' }],
        resolution: { value: 0.0625, source: 'sheet' },
        conversion: exactly('s', 0.75),
        coarser: [
          { bits: 11, resolution: 0.125, conversion: exactly('s', 0.375), source: 'sheet' },
          { bits: 9, resolution: 0.5, conversion: exactly('s', 0.094), source: 'sheet' },
        ],
      },
    ],
  });
const need = (accuracy: number, interval: number): SenseNeed => ({
  id: 'n',
  kind: 'sense',
  quantity: 'water temperature',
  unit: '°C',
  from: 0,
  to: 60,
  accuracy,
  interval,
  place: 'tank',
});
const probes = (count: number, more: { accuracy?: number; interval?: number; pulled?: boolean; bits?: number } = {}) =>
  document({
    cards: [V3, controller(), wire(more.pulled ?? false)],
    parts: Array.from({ length: count }, (_, i): PartChoice =>
      part(`w${i}`, 'probe', {
        feeds: { vcc: 'v3.out' },
        needs: ['n'],
        ports: { wire: { bus: 'bus' } },
        ...(more.bits ? { bits: more.bits } : {}),
      }),
    ),
    buses: [{ id: 'bus', name: 'wire', protocol: 'onewire', lines: { data: { pin: 'p2', locked: false } } }],
    helpers: more.pulled ? [] : [{ id: 'r', kind: 'pull-up', of: 'bus', line: 'data', to: 'v3.out', ohms: 4700 }],
    plan: { needs: [need(more.accuracy ?? 2, more.interval ?? 60)], resistors: 'resistors-e12' },
  });
const remediesOf = (doc: ReturnType<typeof probes>, check: string) => {
  const { circuit, verdict } = judge(doc);
  const found = verdict.findings.find((r) => r.check === check);
  if (!found) throw new Error(`no ${check}`);
  return proposeRemedies(circuit, verdict, found, library).map(({ id, title }) => ({ id, title }));
};

describe('fewer bits', () => {
  // Reset 0.96 ms + 16 × 70 µs, 0.75 s, and reset + 152 × 70 µs for each probe: 0.7637 s for one.
  const late = { interval: 0.5 };
  it('take less time: one probe of 0.75 s does not fit into 0.5 s, with 11 bits it takes 0.375 s and is read in 14 ms', () => {
    const [found] = judge(probes(1, late)).broken('wire/budget');
    expect(found?.measured).to.be.closeTo(0.96e-3 + 16 * 70e-6 + 0.75 + 0.96e-3 + 152 * 70e-6, 1e-9);
    expect(remediesOf(probes(1, late), 'wire/budget').map(({ title }) => say(title))).to.include(
      'Read them with 11 bits: 375 ms each',
    );
    expect(judge(probes(1, { ...late, bits: 11 })).broken('wire/budget')).to.deep.equal([]);
  });
  it('are coarser: ±0.5 °C become 0.5 + (0.5 − 0.0625) ÷ 2 with 9 bits, no remedy where ±0.6 °C are wanted', () => {
    expect(judge(probes(1, { accuracy: 1, bits: 9 })).of('need/accuracy')[0]?.measured).to.be.closeTo(0.71875, 1e-9);
    const ids = remediesOf(probes(1, { ...late, accuracy: 0.6 }), 'wire/budget').map(({ id }) => id);
    expect(ids.filter((id) => id.startsWith('bits:11'))).to.have.length(1);
    expect(ids.filter((id) => id.startsWith('bits:9'))).to.deep.equal([]);
  });
});

describe('jumpers of one-wire modules', () => {
  it('are opened but for one: four times 4.7 kΩ are 1175 Ω', () => {
    const doc = probes(4, { pulled: true });
    const [found] = judge(doc).broken('wire/pull-up');
    expect(found?.measured).to.be.closeTo(1175, 0.5);
    const remedies = remediesOf(doc, 'wire/pull-up');
    expect(remedies.map(({ title }) => say(title))).to.include('Open the pull-up jumpers of w1, w2 and w3');
  });
});

describe('a charge that is to last', () => {
  const wanted: SenseNeed = {
    id: 'n',
    kind: 'sense',
    quantity: 'air temperature',
    unit: '°C',
    from: 0,
    to: 40,
    accuracy: 2,
    interval: 600,
    place: 'shed',
  };
  const built = (runFor: number): Plan =>
    withParts({ ...TABLE, needs: [wanted], runFor }, ['cells-three', 'stick-board', 'humid-fixed'], 'humid-fixed');
  it('sleeps between readings without being told: Mend all takes a board that idles to 60 days', function () {
    this.timeout(120_000);
    const plan = built(60 * 86400);
    const before = verify(circuitOf(plan)).findings.filter(({ check }) => check === 'supply/runtime');
    expect(before[0]?.severity).to.equal('fault');
    const done = complete(circuitOf(plan), library);
    const after = verify(circuitOf(done.plan)).findings.filter(
      ({ severity }) => severity === 'fault' || severity === 'danger',
    );
    expect(after.map(({ message }) => say(message))).to.deep.equal([]);
    expect(done.plan.parts.find(({ card: id }) => id === 'stick-board')?.run?.rest).to.equal('sleep');
  });
  it('offers every change by which What if shows enough days, and says none only where it shows none', () => {
    for (const days of [20, 60, 400]) {
      const circuit = circuitOf(built(days * 86400));
      const verdict = verify(circuit);
      const found = verdict.findings.find(({ check }) => check === 'supply/runtime');
      const rail = circuit.rails.get(found?.subjects[0] ?? '');
      if (!found || !rail) throw new Error(`no finding for ${days} days`);
      const enough = whatIfs(circuit, rail, library).filter(
        ({ wrong, worst }) => wrong.length === 0 && worst >= days * 86400,
      );
      const offered = new Set(answerTo(circuit, verdict, found, library).remedies.map(({ id }) => id));
      expect(
        enough.map(({ id }) => id).filter((id) => !offered.has(id)),
        `${days} days`,
      ).to.deep.equal([]);
      expect(offered.size > 0, `${days} days`).to.equal(enough.length > 0);
    }
  });
});
