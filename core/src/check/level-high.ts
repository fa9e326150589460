import type { LevelFigure } from '../card/figure.ts';
import type { Circuit, Net, NetEnd } from '../circuit/model.ts';
import { levelAt, levelVolts, pairMargin, type Resolved } from '../circuit/level.ts';
import { lowestRest, usualRest, type NodeVoltage } from '../physics/node.ts';
import { TYPICAL_THRESHOLD } from '../standard/common-practice.ts';
import { brokenOrTightest, type Weighed } from './pairs.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Quantity, type Text } from '../quantity/message.ts';
import { subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface LevelHighSays {
  readonly whereInputSwitchesNot: null;
  readonly inputSwitches: { switchesAt: Quantity };
  readonly usually: { usually: Quantity; where: Text };
  readonly holds: { from: Text; given: Quantity; receiver: Text; needed: Quantity };
  readonly works: { from: Text; given: Quantity; receiver: Text; needed: Quantity; usual: Text };
  readonly guaranteesOnlyHighNeeds: { from: Text; given: Quantity; receiver: Text; needed: Quantity; usual: Text };
  readonly meaning: null;
  readonly highGuarantees: { from: Text };
  readonly highNeeds: { receiver: Text };
  readonly rest: { net: Text };
}

const tell = tells<LevelHighSays>('level/high');

const meta = {
  id: 'level/high',
  station: 'levels',
  breaks: 'fault',
  scope: 'part',
  reads: [
    'controller/io/inputHigh',
    'controller/io/leakage',
    'controller/io/outputHigh',
    'controller/io/outputLoad',
    'controller/pins/*/fittedPullUp/value',
    'signals/*/fittedPullDown',
    'signals/*/fittedPullUp/value',
    'signals/*/inputHigh',
    'signals/*/leakage',
    'signals/*/outputHigh',
    'signals/*/outputLoad',
    'signals/*/outputResistance',
  ],
} as const satisfies CheckMeta;

const V = (x: number) => quantityOf(x, 'V', 3);

/** The typical threshold: the card's, or half the supply as is common practice; null for a bare gate of which the card says none. */
function typicalThreshold(end: NetEnd): number | null {
  const supply = end.power.voltage?.typ ?? 0;
  const { usualHigh } = end.levels;
  if (usualHigh) return levelVolts(usualHigh, 'typ', supply);
  return supply > 0 ? TYPICAL_THRESHOLD * supply : null;
}

/** What an output usually gives: the card's typical level, or its supply, which it reaches while hardly loaded. */
function typicalOutput({ levels, power }: NetEnd): number {
  const supply = power.voltage?.typ ?? 0;
  const { outputHigh } = levels;
  return outputHigh && (outputHigh.typ !== undefined || outputHigh.max !== undefined)
    ? Math.min(supply, levelVolts(outputHigh, 'typ', supply))
    : supply;
}

interface HighPair {
  readonly from: Text;
  readonly receiver: NetEnd;
  readonly need: LevelFigure;
  readonly driver: Resolved;
  readonly receives: Resolved;
  readonly margin: number;
  /** What it usually is, V. */
  readonly usually: number;
  readonly subject: string;
  readonly rests: readonly (readonly [string, string])[];
}

function report(circuit: Circuit, pair: HighPair): Result {
  const { margin, from, receiver } = pair;
  const broken = margin < -1e-9;
  const switchesAt = typicalThreshold(receiver);
  const works = circuit.plan.rules.marginalLevels === 'working' && switchesAt !== null && pair.usually >= switchesAt;
  const where =
    switchesAt === null ? tell('whereInputSwitchesNot') : tell('inputSwitches', { switchesAt: V(switchesAt) });
  const usual = tell('usually', { usually: V(pair.usually), where });
  const given = V(pair.driver.volts);
  const needed = V(pair.receives.volts);
  return result(circuit, meta, {
    subjects: [pair.subject, keyOf(receiver.part, receiver.signal)],
    severity: broken ? (works ? 'caution' : 'fault') : null,
    measured: pair.driver.volts,
    limit: pair.receives.volts,
    unit: 'V',
    margin,
    message: !broken
      ? tell('holds', { from, given, receiver: receiver.label, needed })
      : works
        ? tell('works', { from, given, receiver: receiver.label, needed, usual })
        : tell('guaranteesOnlyHighNeeds', { from, given, receiver: receiver.label, needed, usual }),
    meaning: tell('meaning'),
    workings: [
      { name: tell('highGuarantees', { from }), sum: pair.driver.sum, value: pair.driver.volts, unit: 'V' },
      {
        name: tell('highNeeds', { receiver: receiver.label }),
        sum: pair.receives.sum,
        value: pair.receives.volts,
        unit: 'V',
      },
      { name: term('margin'), sum: subtract(given, needed), value: margin, unit: 'V' },
    ],
    rests: [[receiver.card, pair.need.source], ...pair.rests],
  });
}

function judge(circuit: Circuit, net: Net): Result[] {
  const rests = new Map<string, NodeVoltage | null>();
  const drivers = net.ends.filter(({ kind }) => kind === 'push-pull' || kind === 'bidirectional');
  return net.ends.flatMap((receiver) => {
    const need = receiver.levels.inputHigh;
    if (!need || receiver.kind === 'push-pull') return [];
    const weighed: Weighed<() => HighPair>[] = [];
    for (const driver of drivers) {
      const level = driver.levels.outputHigh;
      if (driver === receiver || !level) continue;
      const found = pairMargin(
        { level, bound: 'min', power: driver.power },
        { level: need, bound: 'max', power: receiver.power },
        'above',
      );
      if (!found) continue;
      const build = (): HighPair => ({
        from: driver.label,
        receiver,
        need,
        driver: levelAt(level, 'min', found.driverSupply),
        receives: levelAt(need, 'max', found.receiverSupply),
        margin: found.margin,
        usually: typicalOutput(driver),
        subject: keyOf(driver.part, driver.signal),
        rests: [[driver.card, level.source]],
      });
      weighed.push({ margin: found.margin, value: build });
    }
    const rest = net.openDrain ? restPair(net, receiver, need, rests) : null;
    if (rest) weighed.push({ margin: rest.margin, value: () => rest });
    return brokenOrTightest(weighed).map((build) => report(circuit, build()));
  });
}

/** The resting level against a receiver; pull-ups on the receiver's own rail move with it. */
function restPair(
  net: Net,
  receiver: NetEnd,
  need: LevelFigure,
  known: Map<string, NodeVoltage | null>,
): HighPair | null {
  const supply = receiver.power.voltage;
  if (!supply || net.pullUps.every(({ voltage }) => voltage === null)) return null;
  const { rail } = receiver.power;
  const shared = rail !== null && net.pullUps.some(({ root }) => root === rail);
  let worst: HighPair | null = null;
  for (const volts of shared ? [supply.min, supply.max] : [supply.max]) {
    const key = shared ? `${rail} ${volts}` : '';
    const rest = known.has(key) ? known.get(key) : lowestRest(net, shared ? { rail, volts } : null);
    known.set(key, rest ?? null);
    if (!rest) continue;
    const margin = rest.volts - levelVolts(need, 'max', volts);
    if (worst && margin >= worst.margin) continue;
    worst = {
      from: tell('rest', { net: net.label }),
      receiver,
      need,
      driver: rest,
      receives: levelAt(need, 'max', volts),
      margin,
      usually: usualRest(net) ?? rest.volts,
      subject: net.id,
      rests: net.pullUps.flatMap(({ figure }) => (figure ? [[figure.card, figure.source] as const] : [])),
    };
  }
  return worst;
}

export const levelHigh = { meta, ...overNets(judge) } satisfies Check;
