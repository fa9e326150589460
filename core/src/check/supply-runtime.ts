import type { Circuit, Rail } from '../circuit/circuit.ts';
import { cellRails, runtimeOf, type Eater, type Runtime } from '../physics/runtime.ts';
import { DOING } from '../circuit/rhythm.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { DAY, formatSpan } from '../quantity/span.ts';
import { loadRests } from './rail-load.ts';
import { result, type Check, type CheckMeta, type Result, type Step } from './result.ts';

const runtimeMeta: CheckMeta = {
  id: 'supply/runtime',
  title: 'The cells last as long as they must',
  station: 'power',
  rule: 'Capacity × usable share ÷ average current, followed along the discharge curve: through a linear regulator the current is the load’s, through a switching one the power is. Usable is what comes before the cut-off or before the build stops at its worst moment. Too short even with usual figures is a fault, with the worst ones a caution.',
  source: 'the cards',
  breaks: 'fault',
};

const sagMeta: CheckMeta = {
  id: 'supply/sag',
  title: 'A fresh pack carries the worst moment',
  station: 'power',
  rule: 'Fresh voltage − peak current × internal resistance ≥ the least that every part below still works at, leads, diodes and dropout included.',
  source: 'the cards',
  breaks: 'fault',
};

/** From this share on what cells lose by themselves is said in the sentence. */
const SHELF_SHARE = 0.1;

const A = (x: number) => formatQuantity(x, 'A');
const V = (x: number) => formatQuantity(x, 'V', 4);
const AH = (coulombs: number) => `${formatQuantity(coulombs / 3600, 'A')}h`;
const percent = (share: number) => `${Number((share * 100).toFixed(share < 0.1 ? 1 : 0))} %`;

/** "the level probe, idle", as the rank names it. */
export const eaterName = ({ label, doing }: Eater): string =>
  doing === 'self-discharge' || doing === 'switched on' ? label : `${label}, ${DOING[doing]}`;

function workings(runtime: Runtime): Step[] {
  const side = (as: 'usual' | 'worst'): Step[] => {
    const pack = runtime.packs[as];
    const run = runtime[as];
    const average = runtime.mean[as] + pack.leak;
    return [
      {
        name: `charge, ${as}`,
        sum: `${AH(pack.charge)} at ${formatQuantity(runtime.air[as], '°C')}`,
        value: pack.charge / 3600,
        unit: 'Ah',
      },
      {
        name: `usable, ${as}`,
        sum: `until ${run.ends === 'empty' ? 'nothing is left' : run.ends === 'cut-off' ? `the cut-off at ${V(pack.cutOff)}` : `the build stops at ${V(runtime.least?.volts ?? 0)}`}: ${percent(run.used)}`,
      },
      { name: `average, ${as}`, sum: `at ${V(runtime.middle)}, half way`, value: average, unit: 'A' },
      {
        name: `lasts, ${as}`,
        sum: `${AH(pack.charge)} × ${percent(run.used)} ÷ ${A(average)}, along the curve`,
        value: run.seconds / DAY,
        unit: 'days',
      },
    ];
  };
  return [
    ...side('usual'),
    ...side('worst'),
    ...runtime.eaters
      .slice(0, 6)
      .map((eater) => ({ name: eaterName(eater), sum: percent(eater.share), value: eater.amps, unit: 'A' })),
  ];
}

function judgeRuntime(circuit: Circuit, rail: Rail, runtime: Runtime): Result {
  const { usual, worst, eaters } = runtime;
  const { runFor } = circuit.plan;
  const short = runFor !== undefined && usual.seconds < runFor;
  const tight = runFor !== undefined && worst.seconds < runFor;
  const [first] = eaters;
  const shelf = eaters.find(({ doing }) => doing === 'self-discharge');
  const lost =
    shelf && shelf !== first && shelf.share >= SHELF_SHARE
      ? ` The cells lose ${percent(shelf.share)} of it by themselves.`
      : '';
  const unsaid = runtime.cells.selfDischarge ? '' : ' What they lose on the shelf is not on their card.';
  const eats = first ? ` ${percent(first.share)} of it goes to ${eaterName(first)}.` : '';
  const band = `${formatSpan(usual.seconds)} usually, ${formatSpan(worst.seconds)} at the worst`;
  return result(circuit, runtimeMeta, {
    subjects: [rail.ref],
    severity: short ? 'fault' : tight ? 'caution' : null,
    measured: (short ? usual : worst).seconds / DAY,
    limit: runFor === undefined ? null : runFor / DAY,
    unit: 'days',
    margin: runFor === undefined ? null : ((short ? usual : worst).seconds - runFor) / DAY,
    message:
      usual.seconds === 0
        ? `${rail.label} cannot carry the build: it sinks too far at the worst moment, even fresh.`
        : runFor === undefined
          ? `${rail.label} lasts ${band}.${first?.doing === 'self-discharge' ? eats : lost}${unsaid}`
          : short || tight
            ? `${rail.label} lasts ${band}; ${formatSpan(runFor)} are wanted.${eats}${lost}${unsaid}`
            : `${rail.label} lasts ${band}, longer than the ${formatSpan(runFor)} that are wanted.${first?.doing === 'self-discharge' ? eats : lost}${unsaid}`,
    meaning:
      'What a build draws while it waits counts for more than what it draws while it works: it waits nearly all the time.',
    workings: workings(runtime),
    rests: [
      [circuit.parts.get(rail.part)?.card.id ?? '', runtime.cells.capacity.source],
      [circuit.parts.get(rail.part)?.card.id ?? '', runtime.cells.source],
      ...loadRests(circuit, rail),
    ],
  });
}

function judgeSag(circuit: Circuit, rail: Rail, runtime: Runtime): Result {
  const [fresh] = runtime.worst.points;
  const pack = runtime.packs.worst;
  const limit = Math.max(pack.cutOff, runtime.least?.volts ?? 0);
  const measured = fresh?.sagged ?? 0;
  const margin = measured - limit;
  const open = pack.curve[0]?.volts ?? 0;
  const stops =
    runtime.least && runtime.least.volts > pack.cutOff ? circuit.parts.get(runtime.least.part)?.label : null;
  const amps = (open - measured) / pack.resistance;
  return result(circuit, sagMeta, {
    subjects: [rail.ref],
    severity: margin < 0 ? 'fault' : null,
    measured,
    limit,
    unit: 'V',
    margin,
    message:
      margin < 0
        ? `Even fresh, ${rail.label} sinks to ${V(measured)} at the worst moment; ${stops ? `${stops} needs ${V(limit)} there` : `${V(limit)} counts as empty`}. The build restarts again and again.`
        : `Fresh, ${rail.label} still has ${V(measured)} at the worst moment; ${V(limit)} are needed.`,
    meaning: 'A pack that measures full on a meter can still give in for the millisecond in which the radio sends.',
    workings: [
      { name: 'fresh, without load', sum: 'from the card', value: open, unit: 'V' },
      { name: 'inside the pack', sum: 'resistance at its most', value: pack.resistance, unit: 'Ω' },
      {
        name: 'at the worst moment',
        sum:
          measured > 0 ? `${V(open)} − ${A(amps)} × ${formatQuantity(pack.resistance, 'Ω')}` : 'more than it can give',
        value: measured,
        unit: 'V',
      },
      { name: 'needed', sum: stops ? `so that ${stops} works` : 'the cut-off of the cells', value: limit, unit: 'V' },
    ],
    rests: [
      [circuit.parts.get(rail.part)?.card.id ?? '', runtime.cells.resistance.source],
      ...loadRests(circuit, rail),
    ],
  });
}

const each = (circuit: Circuit, judge: (circuit: Circuit, rail: Rail, runtime: Runtime) => Result): Result[] =>
  cellRails(circuit).flatMap((rail) => {
    const runtime = runtimeOf(circuit, rail);
    return runtime ? [judge(circuit, rail, runtime)] : [];
  });

export const supplyRuntime: Check = { meta: runtimeMeta, run: (circuit) => each(circuit, judgeRuntime) };
export const supplySag: Check = { meta: sagMeta, run: (circuit) => each(circuit, judgeSag) };
