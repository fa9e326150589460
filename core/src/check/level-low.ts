import type { LevelFigure } from '../card/figure.ts';
import type { Circuit, Net, NetEnd } from '../circuit/model.ts';
import { levelAt, levelVolts, pairMargin, type Resolved } from '../circuit/level.ts';
import { sinkAt } from '../standard/bus-timing.ts';
import { SWITCH_LOW } from '../standard/common-practice.ts';
import { brokenOrTightest, type Weighed } from './pairs.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface LevelLowSays {
  readonly contactClosedGround: null;
  readonly broken: { driver: Text; given: Quantity; receiver: Text; needed: Quantity };
  readonly holds: { driver: Text; given: Quantity; receiver: Text; needed: Quantity };
  readonly meaning: null;
  readonly lowGuarantees: { driver: Text };
  readonly lowAccepts: { receiver: Text };
}

const tell = tells<LevelLowSays>('level/low');

const meta = {
  id: 'level/low',
  station: 'levels',
  breaks: 'fault',
  scope: 'part',
  reads: [
    'controller/io/inputLow',
    'controller/io/outputLoad',
    'controller/io/outputLow',
    'signals/*/inputLow',
    'signals/*/outputLoad',
    'signals/*/outputLow',
    'signals/*/outputResistance',
  ],
} as const satisfies CheckMeta;

const V = (x: number) => quantityOf(x, 'V', 3);

interface LowPair {
  readonly driver: NetEnd;
  readonly given: Resolved;
  readonly needed: Resolved;
  readonly margin: number;
  readonly level: LevelFigure | undefined;
}

/** What the standard asks of a part on a bus whose card does not say its low; 0.4 V, or 0.2 × VDD at 2 V and below. */
function standardLow({ kind, power }: NetEnd, bus: boolean): LevelFigure | undefined {
  if (!bus || kind !== 'open-drain' || !power.voltage) return undefined;
  return { max: sinkAt(power.voltage.max, null).volts, unit: 'V', source: '' };
}

/** Either the closed contact of a switch, or an output with its low level. */
function pairOf(driver: NetEnd, receiver: NetEnd, need: LevelFigure, bus: boolean): Weighed<() => LowPair> | null {
  const supply = receiver.power.voltage;
  if (driver.kind === 'switch' && supply) {
    const lowest = supply.min - receiver.power.drop;
    const margin = levelVolts(need, 'min', lowest) - SWITCH_LOW;
    const given = { volts: SWITCH_LOW, sum: tell('contactClosedGround') };
    return { margin, value: () => ({ driver, given, needed: levelAt(need, 'min', lowest), margin, level: undefined }) };
  }
  const level = driver.levels.outputLow ?? standardLow(driver, bus);
  if (!level || driver.kind === 'input' || driver.kind === 'led') return null;
  const found = pairMargin(
    { level, bound: 'max', power: driver.power },
    { level: need, bound: 'min', power: receiver.power },
    'below',
  );
  if (!found) return null;
  const value = (): LowPair => ({
    driver,
    given: levelAt(level, 'max', found.driverSupply),
    needed: levelAt(need, 'min', found.receiverSupply),
    margin: found.margin,
    level,
  });
  return { margin: found.margin, value };
}

function report(circuit: Circuit, pair: LowPair, receiver: NetEnd, need: LevelFigure): Result {
  const { driver } = pair;
  const given = V(pair.given.volts);
  const needed = V(pair.needed.volts);
  const broken = pair.margin < -1e-9;
  return result(circuit, meta, {
    subjects: [keyOf(driver.part, driver.signal), keyOf(receiver.part, receiver.signal)],
    severity: broken ? 'fault' : null,
    measured: pair.given.volts,
    limit: pair.needed.volts,
    unit: 'V',
    margin: pair.margin,
    message: broken
      ? tell('broken', { driver: driver.label, given, receiver: receiver.label, needed })
      : tell('holds', { driver: driver.label, given, receiver: receiver.label, needed }),
    meaning: tell('meaning'),
    workings: [
      {
        name: tell('lowGuarantees', { driver: driver.label }),
        sum: pair.given.sum,
        value: pair.given.volts,
        unit: 'V',
      },
      {
        name: tell('lowAccepts', { receiver: receiver.label }),
        sum: pair.needed.sum,
        value: pair.needed.volts,
        unit: 'V',
      },
      { name: term('margin'), sum: subtract(needed, given), value: pair.margin, unit: 'V' },
    ],
    rests: [[receiver.card, need.source], pair.level ? [driver.card, pair.level.source] : null],
  });
}

function judge(circuit: Circuit, net: Net): Result[] {
  return net.ends.flatMap((receiver) => {
    const need = receiver.levels.inputLow;
    if (!need || receiver.kind === 'push-pull') return [];
    const pairs = net.ends.flatMap((driver) =>
      driver === receiver ? [] : (pairOf(driver, receiver, need, net.protocol === 'i2c') ?? []),
    );
    return brokenOrTightest(pairs).map((build) => report(circuit, build(), receiver, need));
  });
}

export const levelLow = { meta, ...overNets(judge) } satisfies Check;
