/** The demo’s plans under power: what lasts, what does not, and what mends it in one step. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { verify } from '../../src/check/verify.ts';
import { cellRails, runtimeOf } from '../../src/physics/runtime.ts';
import { documentOf, type PlanDocument } from '../../src/plan/document.ts';
import { emptyPlan, setFeed, setRun } from '../../src/plan/edits.ts';
import { removePart } from '../../src/plan/remove.ts';
import type { PartChoice, Plan } from '../../src/plan/plan.ts';
import { referenceProblems } from '../../src/plan/references.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { whatIfs } from '../../src/solve/what-if.ts';
import { DAY } from '../../src/quantity/span.ts';
import { demo, library } from '../support/demo.ts';

const circuitOf = (plan: Plan) => deriveCircuit(documentOf(plan, library.values(), library));
const lasts = (plan: Plan) => {
  const circuit = circuitOf(plan);
  const [rail] = cellRails(circuit);
  const runtime = rail && runtimeOf(circuit, rail);
  if (!rail || !runtime) throw new Error('no cells');
  return { circuit, rail, runtime, verdict: verify(circuit) };
};
const choice = (
  id: string,
  card: string,
  feeds: PartChoice['feeds'] = {},
  more: Partial<PartChoice> = {},
): PartChoice => ({
  id,
  card,
  label: id,
  needs: [],
  feeds,
  ports: {},
  opened: [],
  ...more,
});

describe('the rain-barrel logger', () => {
  const { plan } = demo('rain-barrel');

  it('lasts its season, at the worst too', () => {
    const { runtime, verdict } = lasts(plan);
    expect(verdict.status).to.equal('verified');
    expect(runtime.worst.seconds).to.be.above(90 * DAY);
    expect(runtime.usual.seconds).to.be.above(runtime.worst.seconds);
  });

  // By hand, usual, on the 3.3 V rail: controller (25 mA × 2.2 s + 130 µA × 897.8 s) ÷ 900 s = 190.8 µA; radio (100 mA ×
  // 1.2 s + 11 mA × 1 s + 2 µA × 897.8 s) ÷ 900 = 147.6 µA; the thermometer (1 mA × 0.75 s + 1 µA × 899.25 s) ÷ 900 =
  // 1.83 µA; the probe (2 mA × 0.25 s) ÷ 900 = 0.56 µA; its switch 1 µA; the pull-up of one-wire 3.3 V ÷ 4.7 kΩ ÷ 2 for
  // 2.2 of 900 s = 0.86 µA. Through the switching regulator at 0.88 from half way (see below), and its own (1 mA × 2.2 s +
  // 20 µA × 897.8 s) ÷ 900 = 22.4 µA before it.
  it('draws what a hand sum of its states gives', () => {
    const { runtime } = lasts(plan);
    const rail = 190.8e-6 + 147.6e-6 + 1.83e-6 + 0.556e-6 + 1e-6 + 0.858e-6;
    const before = 22.4e-6;
    expect(runtime.mean.usual).to.be.closeTo((rail * 3.3) / (0.88 * runtime.middle) + before, 2e-7);
    expect(runtime.eaters.reduce((sum, { amps }) => sum + amps, 0)).to.be.closeTo(
      runtime.mean.usual + runtime.packs.usual.leak,
      1e-9,
    );
  });

  const thoughtless = removePart(
    setRun(setFeed(plan, 'level-probe', 'vcc', 'controller.3v3'), 'level-probe', { rest: undefined }),
    'probe-supply',
  );
  it('with its probe always on does not, and is told why', () => {
    const { runtime, verdict } = lasts(thoughtless);
    expect(runtime.usual.seconds).to.be.below(90 * DAY);
    const found = verdict.findings.find(({ check }) => check === 'supply/runtime');
    expect(found?.severity).to.equal('fault');
    expect(say(found?.message)).to.match(/\d+ % of it goes to level probe, idle/);
    expect(runtime.eaters[0]).to.include({ subject: 'level-probe', doing: 'idle' });
  });
  it('is mended by switching that probe off, in one step', () => {
    const { circuit, verdict, rail } = lasts(thoughtless);
    const finding = verdict.findings.find(({ check }) => check === 'supply/runtime');
    const remedies = finding ? proposeRemedies(circuit, verdict, finding, library) : [];
    const off = remedies.find(({ id }) => id === 'off:level-probe');
    expect(say(off?.title)).to.include('Switch level probe off');
    expect(verify(circuitOf(off?.plan ?? plan)).status).to.equal('verified');
    expect(whatIfs(circuit, rail, library).find(({ id }) => id === 'off:level-probe')?.gain).to.be.above(90 * DAY);
  });
  it('left awake does not either', () => {
    const { verdict, runtime } = lasts(setRun(plan, 'controller', { rest: undefined }));
    expect(verdict.findings.some(({ check, severity }) => check === 'supply/runtime' && severity === 'fault')).to.equal(
      true,
    );
    expect(runtime.usual.seconds).to.be.below(10 * DAY);
  });

  it('has its what-ifs, each with a plan that holds together and the runtime that it says', () => {
    const { circuit, rail, runtime } = lasts(plan);
    const all = whatIfs(circuit, rail, library);
    expect(new Set(all.map(({ saving }) => saving))).to.include.members(['interval', 'clock', 'pack']);
    for (const { id, plan: next, usual, worst, gain, wrong } of all) {
      expect(referenceProblems(documentOf(next, [], library)), id).to.deep.equal([]);
      const then = lasts(next).runtime;
      expect([then.usual.seconds, then.worst.seconds], id).to.deep.equal([usual, worst]);
      expect(gain, id).to.be.closeTo(usual - runtime.usual.seconds, 1e-6);
      expect(wrong.length === 0, id).to.equal(
        !lasts(next).verdict.findings.some(({ severity }) => severity === 'danger' || severity === 'fault'),
      );
    }
    // Reading half as often saves at most half, and something.
    const slower = all.find(({ id }) => id === 'interval:2');
    expect(slower?.usual)
      .to.be.above(runtime.usual.seconds)
      .and.below(2 * runtime.usual.seconds);
  });
});

describe('a 9 V block and three cells', () => {
  /** A 5 V build of 45 mA: the text display alone. */
  const build = (pack: string, regulator: string, rail: string): Plan => ({
    ...emptyPlan('run', 'run'),
    parts: [
      choice('pack', pack),
      choice('reg', regulator, { in: 'pack.out' }, { lead: 1e-9 }),
      choice('display', 'display-text-5v', { vcc: `reg.${rail}` }, { lead: 1e-9 }),
    ],
  });
  const block = lasts(build('block-9v', 'linear-5v', 'out'));
  const three = lasts(build('cells-three', 'step-up-5v', '5v'));

  // Linear: the block gives the display’s 45 mA and the regulator’s 5 mA, whatever its voltage. It stops when 6.3 V at
  // the regulator are no longer there at the peak of 60 + 8 mA through 1.7 Ω: 6.416 V inside, 0.9367 of the charge
  // (1.04 to 0.96 V a cell over the last 7 %: 6.24 V are reached at 0.93; 1.13 to 1.04 over 0.8 to 0.93).
  it('the block through a linear regulator lasts its charge ÷ the current of the load', () => {
    const amps = 0.045 + 0.005;
    expect(block.runtime.mean.usual).to.be.closeTo(amps, 1e-6);
    const inside = 6.3 + amps * 1.7;
    const used = 0.8 + (0.13 * (6 * 1.13 - inside)) / (6 * (1.13 - 1.04));
    expect(block.runtime.usual.used).to.be.closeTo(used, 2e-3);
    expect(block.runtime.usual.ends).to.equal('brown-out');
    const leak = (1980 * 0.03) / (365.25 * DAY);
    expect(block.runtime.usual.seconds).to.be.closeTo((1980 * used) / (amps + leak), 40);
  });
  it('three cells through a switching one last their energy ÷ the power of the load', () => {
    const { runtime } = three;
    // 5 V × 45 mA ÷ efficiency, read off the card’s curve between 10 and 100 mA, and 60 µA of its own.
    const share = 0.88 + 0.02 * (Math.log(45 / 10) / Math.log(10));
    const at = (volts: number) => (5 * 0.045) / (share * volts) + 60e-6;
    expect(runtime.mean.usual).to.be.closeTo(at(runtime.middle), 1e-5);
    expect(runtime.usual.ends).to.equal('cut-off');
    // Energy, roughly: 9000 C × used at the mean voltage of what is used.
    const volts = runtime.usual.points.reduce((sum, { volts: v }) => sum + v, 0) / runtime.usual.points.length;
    expect(runtime.usual.seconds).to.be.closeTo((9000 * runtime.usual.used) / at(volts), 0.03 * runtime.usual.seconds);
  });
  it('so the cells last three times as long and more', () => {
    const hours = (of: typeof block) => of.runtime.usual.seconds / 3600;
    expect(hours(block)).to.be.within(9.5, 10.2);
    expect(hours(three) / hours(block)).to.be.within(3.4, 3.9);
  });
  it('and the block turns more than a third of its energy to heat', () => {
    const heat = block.verdict.passes.concat(block.verdict.findings).find(({ check }) => check === 'supply/heat');
    const watts = heat?.workings.find(({ name }) => say(name).includes('takes away'))?.value ?? 0;
    expect(watts / (9.6 * 0.06)).to.be.above(0.35);
  });
});

describe('the cupboard on the controller’s regulator', () => {
  const draft: PlanDocument = demo('cupboard-first-draft');
  const circuit = deriveCircuit(draft);
  const verdict = verify(circuit);
  it('is found with its current and its heat', () => {
    const current = verdict.findings.find(({ key }) => key === 'supply/rail-current|board.3v3');
    const heat = verdict.findings.find(({ key }) => key === 'supply/heat|board.3v3');
    expect(current).to.include({ severity: 'fault', unit: 'A', limit: 0.4 });
    expect(heat).to.include({ severity: 'caution', unit: '°C', limit: 60 });
    // By hand: what lasts is 130 mA × 0.1 + 35 mA × 0.9 of the board, 18 + 30 + 0.5 mA, the sensors’ means, 13 pull-ups, three of them of 5.6 kΩ, and one to ground.
    const lasting =
      0.13 * 0.1 + 0.035 * 0.9 + 0.018 + 0.03 + 0.0005 + 10 * (3.366 / 9500) + 3 * (3.366 / 5320) + 3.366 / 9000;
    const watts = heat?.workings.find(({ name }) => say(name).includes('takes away'))?.value ?? 0;
    expect(watts).to.be.closeTo(lasting * (5.15 - 3.234), 3e-4);
  });
  it('is mended by a second regulator in one step', () => {
    const current = verdict.findings.find(({ key }) => key === 'supply/rail-current|board.3v3');
    const remedies = current ? proposeRemedies(circuit, verdict, current, library) : [];
    const regulator = remedies.find(({ id }) => id.startsWith('regulator:'));
    expect(regulator?.ends).to.include('supply/rail-current|board.3v3');
    const after = verify(circuitOf(regulator?.plan ?? draft.plan));
    expect(after.findings.map(({ key }) => key)).to.not.include('supply/rail-current|board.3v3');
    expect(regulator?.pieces).to.equal(1);
  });
  it('has its shelf sensor put away from the heat in one step', () => {
    const warm = verdict.findings.filter(({ check }) => check === 'body/heat');
    expect(warm.map(({ subjects }) => subjects[0])).to.deep.equal(['shelf-top']);
    expect(say(warm[0]?.message)).to.match(/%RH too low and [\d.]+ °C too high/);
    const [first] = warm;
    const [remedy] = first ? proposeRemedies(circuit, verdict, first, library) : [];
    expect(remedy?.id).to.equal('away:shelf-top');
    expect(remedy?.ends).to.include.members(warm.map(({ key }) => key));
  });
});
