import type { Circuit, Rail } from '../circuit/model.ts';
import { isCellRail, runtimeOf, type Eater, type Runtime } from '../physics/runtime.ts';
import { DAY } from '../quantity/span.ts';
import { loadRests } from './rail-load.ts';
import { result, type Check, type CheckMeta, type Result, type Step } from './result.ts';
import {
  quantityOf,
  durationOf,
  tells,
  type Text,
  type Quantity,
  type Duration,
  shareOf,
  wordOf,
  type Share,
} from '../quantity/message.ts';
import { multiply, subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { overRails } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyRuntimeSays {
  readonly charge: { as: Text };
  readonly at: { charge: Quantity; air: Quantity };
  readonly usable: { as: Text };
  readonly eater: { label: Text; doing: Text };
  readonly part: { share: Share };
  readonly nothingLeft: null;
  readonly cutOff: { cutOff: Quantity };
  readonly buildStops: { least: Quantity };
  readonly until: { ends: Text; used: Share };
  readonly average: { as: Text };
  readonly halfWay: { middle: Quantity };
  readonly lasts: { as: Text };
  readonly alongCurve: { charge: Quantity; used: Share; average: Quantity };
  readonly cellsLoseThemselves: { share: Share };
  readonly whatTheyLoseShelf: null;
  readonly goes: { share: Share; eaterName: Text };
  readonly usuallyWorst: { seconds: Duration; seconds2: Duration };
  readonly cannotCarryBuildSinks: { rail: Text };
  readonly lastsBand: { rail: Text; band: Text; doing: Text; unsaid: Text };
  readonly lastsWanted: { rail: Text; band: Text; runFor: Duration; eats: Text; lost: Text; unsaid: Text };
  readonly holds: { rail: Text; band: Text; runFor: Duration; doing: Text; unsaid: Text };
  readonly meaning: null;
  readonly needsThere: { stops: Text; limit: Quantity };
  readonly countsAsEmpty: { limit: Quantity };
  readonly broken: { rail: Text; measured: Quantity; stops: Text };
  readonly freshStillHasWorst: { rail: Text; measured: Quantity; limit: Quantity };
  readonly packMeasuresFullMeter: null;
  readonly freshWithoutLoad: null;
  readonly insidePack: null;
  readonly resistanceMost: null;
  readonly worstMoment: null;
  readonly moreThanCanGive: null;
  readonly soWorks: { stops: Text };
  readonly cutOffCells: null;
}

const tell = tells<SupplyRuntimeSays>('supply/runtime');

const runtimeMeta = {
  id: 'supply/runtime',
  station: 'power',
  breaks: 'fault',
  scope: 'plan',
  reads: [
    'controller/wakeTime',
    'diode/drop',
    'rails/*/cells/capacity',
    'rails/*/cells/selfDischarge',
    'rails/*/ownLoad/active',
    'rails/*/ownLoad/busy',
    'rails/*/ownLoad/clocks/*/active',
    'rails/*/ownLoad/clocks/*/idle',
    'rails/*/ownLoad/sleep',
    'rails/*/ownLoad/stages/*/time',
    'rails/*/ownLoad/warmUp',
    'supplies/*/current/active',
    'supplies/*/current/busy',
    'supplies/*/current/clocks/*/active',
    'supplies/*/current/clocks/*/idle',
    'supplies/*/current/idle',
    'supplies/*/current/sleep',
    'supplies/*/current/stages/*/current',
    'supplies/*/current/stages/*/time',
    'supplies/*/current/warmUp',
  ],
} as const satisfies CheckMeta;

const sagMeta = {
  id: 'supply/sag',
  station: 'power',
  breaks: 'fault',
  scope: 'plan',
  reads: ['rails/*/cells/resistance', 'supplies/*/current/active'],
} as const satisfies CheckMeta;

/** From this share on what cells lose by themselves is said in the sentence. */
const SHELF_SHARE = 0.1;

const A = (x: number) => quantityOf(x, 'A');
const V = (x: number) => quantityOf(x, 'V', 4);
const AH = (coulombs: number) => quantityOf(coulombs / 3600, 'Ah');

/** "the level probe, idle", as the rank names it. */
export const eaterName = ({ label, doing }: Eater): Text =>
  doing === 'self-discharge' || doing === 'switched-on'
    ? label
    : tell('eater', { label, doing: wordOf('doing', doing) });

function workings(runtime: Runtime): Step[] {
  const side = (as: 'usual' | 'worst'): Step[] => {
    const pack = runtime.packs[as];
    const run = runtime[as];
    const average = runtime.mean[as] + pack.leak;
    return [
      {
        name: tell('charge', { as: wordOf('view', as) }),
        sum: tell('at', { charge: AH(pack.charge), air: quantityOf(runtime.air[as], '°C') }),
        value: pack.charge / 3600,
        unit: 'Ah',
      },
      {
        name: tell('usable', { as: wordOf('view', as) }),
        sum: tell('until', {
          ends:
            run.ends === 'empty'
              ? tell('nothingLeft')
              : run.ends === 'cut-off'
                ? tell('cutOff', { cutOff: V(pack.cutOff) })
                : tell('buildStops', { least: V(runtime.least?.volts ?? 0) }),
          used: shareOf(run.used),
        }),
      },
      {
        name: tell('average', { as: wordOf('view', as) }),
        sum: tell('halfWay', { middle: V(runtime.middle) }),
        value: average,
        unit: 'A',
      },
      {
        name: tell('lasts', { as: wordOf('view', as) }),
        sum: tell('alongCurve', { charge: AH(pack.charge), used: shareOf(run.used), average: A(average) }),
        value: run.seconds / DAY,
        unit: 'days',
      },
    ];
  };
  return [
    ...side('usual'),
    ...side('worst'),
    ...runtime.eaters.slice(0, 6).map((eater) => ({
      name: eaterName(eater),
      sum: tell('part', { share: shareOf(eater.share) }),
      value: eater.amps,
      unit: 'A',
    })),
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
      ? tell('cellsLoseThemselves', { share: shareOf(shelf.share) })
      : '';
  const unsaid = runtime.cells.selfDischarge ? '' : tell('whatTheyLoseShelf');
  const eats = first ? tell('goes', { share: shareOf(first.share), eaterName: eaterName(first) }) : '';
  const band = tell('usuallyWorst', { seconds: durationOf(usual.seconds), seconds2: durationOf(worst.seconds) });
  return result(circuit, runtimeMeta, {
    subjects: [rail.ref],
    severity: short ? 'fault' : tight ? 'caution' : null,
    measured: (short ? usual : worst).seconds / DAY,
    limit: runFor === undefined ? null : runFor / DAY,
    unit: 'days',
    margin: runFor === undefined ? null : ((short ? usual : worst).seconds - runFor) / DAY,
    message:
      usual.seconds === 0
        ? tell('cannotCarryBuildSinks', { rail: rail.label })
        : runFor === undefined
          ? tell('lastsBand', {
              rail: rail.label,
              band,
              doing: first?.doing === 'self-discharge' ? eats : lost,
              unsaid,
            })
          : short || tight
            ? tell('lastsWanted', { rail: rail.label, band, runFor: durationOf(runFor), eats, lost, unsaid })
            : tell('holds', {
                rail: rail.label,
                band,
                runFor: durationOf(runFor),
                doing: first?.doing === 'self-discharge' ? eats : lost,
                unsaid,
              }),
    meaning: tell('meaning'),
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
        ? tell('broken', {
            rail: rail.label,
            measured: V(measured),
            stops: stops ? tell('needsThere', { stops, limit: V(limit) }) : tell('countsAsEmpty', { limit: V(limit) }),
          })
        : tell('freshStillHasWorst', { rail: rail.label, measured: V(measured), limit: V(limit) }),
    meaning: tell('packMeasuresFullMeter'),
    workings: [
      { name: tell('freshWithoutLoad'), sum: term('fromCard'), value: open, unit: 'V' },
      { name: tell('insidePack'), sum: tell('resistanceMost'), value: pack.resistance, unit: 'Ω' },
      {
        name: tell('worstMoment'),
        sum:
          measured > 0
            ? subtract(V(open), multiply(A(amps), quantityOf(pack.resistance, 'Ω')))
            : tell('moreThanCanGive'),
        value: measured,
        unit: 'V',
      },
      { name: term('needed'), sum: stops ? tell('soWorks', { stops }) : tell('cutOffCells'), value: limit, unit: 'V' },
    ],
    rests: [
      [circuit.parts.get(rail.part)?.card.id ?? '', runtime.cells.resistance.source],
      ...loadRests(circuit, rail),
    ],
  });
}

const each = (judge: (circuit: Circuit, rail: Rail, runtime: Runtime) => Result) =>
  overRails((circuit, rail) => {
    const runtime = isCellRail(rail) ? runtimeOf(circuit, rail) : null;
    return runtime ? [judge(circuit, rail, runtime)] : [];
  });

export const supplyRuntime = { meta: runtimeMeta, ...each(judgeRuntime) } satisfies Check;
export const supplySag = { meta: sagMeta, ...each(judgeSag) } satisfies Check;
