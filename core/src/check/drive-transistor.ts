import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Net, PartNode } from '../circuit/model.ts';
import { levelVolts } from '../circuit/level.ts';
import { warmestAir, warmth } from '../physics/heat.ts';
import { FORCED_GAIN, HOT_ON_RESISTANCE, HOT_SURFACE } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { divide, multiply, subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overParts } from './over.ts';
import { netsBy } from '../circuit/watched.ts';

/** What is said here, by the data that it takes. */
export interface DriveTransistorSays {
  readonly takesMayCarry: {
    load: Text;
    amps: Quantity;
    driver: Text;
    limit: Quantity;
    most: Quantity;
    derating: number;
  };
  readonly tooHot: { driver: Text; watts: Quantity; junction: Quantity; limit: Quantity };
  readonly getsWarmOutsideDo: { driver: Text; surface: Quantity };
  readonly holds: { driver: Text; amps: Quantity; limit: Quantity };
  readonly meaning: null;
  readonly loadPeak: null;
  readonly words: { load: Text };
  readonly mayCarry: null;
  readonly turnedHeat: null;
  readonly hot: { amps: Quantity; hotOhms: Quantity };
  readonly airHeatResistanceAir: null;
  readonly baseHangsStraightPin: { driver: Text };
  readonly letIntoBasePin: { ohms: Quantity; strongest: Quantity; driver: Text; allowed: Quantity };
  readonly letIntoBaseNeeded: { ohms: Quantity; weakest: Quantity; driver: Text; needed: Quantity; amps: Quantity };
  readonly letOrMoreInto: { ohms: Quantity; weakest: Quantity; driver: Text; needed: Quantity };
  readonly baseDiodeGroundOnly: null;
  readonly least: null;
  readonly most: null;
  readonly pinGives: null;
  readonly recommended: { derating: number };
  readonly resistorFits: null;
  readonly to: { least: Quantity; most: Quantity };
}

const tell = tells<DriveTransistorSays>('drive/transistor');

const meta = {
  id: 'drive/transistor',
  station: 'pins',
  breaks: 'fault',
  scope: 'part',
  reads: [
    'controller/pinCurrent/recommended',
    'driver/bipolar/base',
    'driver/bipolar/saturation',
    'driver/current',
    'driver/onResistance',
    'driver/thermal/limit',
    'driver/thermal/toAir',
    'supplies/*/current/active',
  ],
} as const satisfies CheckMeta;

const A = (x: number) => quantityOf(x, 'A');
const V = (x: number) => quantityOf(x, 'V');
const R = (x: number) => quantityOf(x, 'Ω');

export interface BaseSum {
  readonly net: Net;
  /** A needed in the base. */
  readonly needed: number;
  /** A that the pin may give. */
  readonly allowed: number;
  /** High level of the pin and voltage of the base, V: at their worst for saturation, and for the pin. */
  readonly low: { readonly high: number; readonly base: number };
  readonly top: { readonly high: number; readonly base: number };
  /** Ω between which the resistor must be, its tolerance taken off; upside down where none will do. */
  readonly least: number;
  readonly most: number;
}

/** What a load takes from its driver, A. */
const loadAmps = (circuit: Circuit, load: PartNode): number => {
  const supply = load.card.supplies[0];
  const own = supply && circuit.feeds.get(keyOf(load.id, supply.id));
  return own ? Math.max(own.peak, toInterval(own.supply.current.active).max) : 0;
};

/** The resistor before the base of a bare transistor. @returns null for other drivers, and while it has no pin */
export function baseSum(circuit: Circuit, driver: PartNode, amps: number): BaseSum | null {
  const bipolar = driver.card.driver?.bipolar;
  const [net] = netsBy(circuit, 'part', driver.id).filter(({ ends }) =>
    ends.some(({ part, controller }) => part === driver.id && !controller),
  );
  const pin = net?.ends.find(({ controller }) => controller);
  const recommended = circuit.controller?.card.controller?.pinCurrent.recommended;
  if (!bipolar || !net || !pin?.power.voltage || !recommended) return null;
  const base = toInterval(bipolar.base);
  const { outputHigh } = pin.levels;
  const high = {
    min: outputHigh ? levelVolts(outputHigh, 'min', pin.power.voltage.min - pin.power.drop) : pin.power.voltage.min,
    max: pin.power.voltage.max,
  };
  const needed = amps / FORCED_GAIN;
  const allowed = toInterval(recommended).min * circuit.plan.rules.derating;
  return {
    net,
    needed,
    allowed,
    low: { high: high.min, base: base.max },
    top: { high: high.max, base: base.min },
    least: (high.max - base.min) / allowed / (1 - circuit.tolerance),
    most: (high.min - base.max) / needed / (1 + circuit.tolerance),
  };
}

/** What a field-effect transistor adds when it is on and hot, Ω. */
const hotOhms = ({ card }: PartNode): number =>
  card.driver?.onResistance ? toInterval(card.driver.onResistance).max * HOT_ON_RESISTANCE : 0;

function judgeCurrent(circuit: Circuit, load: PartNode, driver: PartNode, amps: number): Result[] {
  const sheet = driver.card.driver;
  if (!sheet) return [];
  const { derating } = circuit.plan.rules;
  const most = toInterval(sheet.current).min;
  const limit = most * derating;
  const watts = sheet.bipolar ? toInterval(sheet.bipolar.saturation).max * amps : amps ** 2 * hotOhms(driver);
  const warm = sheet.thermal ? warmth(sheet.thermal, watts, warmestAir(circuit, driver.id), derating) : null;
  const tooHot = warm !== null && warm.junction > warm.limit;
  const severity = amps > limit || tooHot ? 'fault' : warm && warm.surface > HOT_SURFACE ? 'caution' : null;
  return [
    result(circuit, meta, {
      subjects: [driver.id, `${load.id}.load`],
      severity,
      measured: amps,
      limit,
      unit: 'A',
      margin: limit - amps,
      message:
        amps > limit
          ? tell('takesMayCarry', {
              load: load.label,
              amps: A(amps),
              driver: driver.label,
              limit: A(limit),
              most: A(most),
              derating,
            })
          : tooHot
            ? tell('tooHot', {
                driver: driver.label,
                watts: quantityOf(watts, 'W'),
                junction: quantityOf(warm.junction, '°C'),
                limit: quantityOf(warm.limit, '°C'),
              })
            : severity === 'caution'
              ? tell('getsWarmOutsideDo', { driver: driver.label, surface: quantityOf(warm?.surface ?? 0, '°C') })
              : tell('holds', { driver: driver.label, amps: A(amps), limit: A(limit) }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('loadPeak'), sum: tell('words', { load: load.label }), value: amps, unit: 'A' },
        { name: tell('mayCarry'), sum: multiply(A(most), derating), value: limit, unit: 'A' },
        {
          name: tell('turnedHeat'),
          sum: sheet.bipolar
            ? multiply(V(toInterval(sheet.bipolar.saturation).max), A(amps))
            : tell('hot', { amps: A(amps), hotOhms: R(hotOhms(driver)) }),
          value: watts,
          unit: 'W',
        },
        ...(warm
          ? [{ name: term('junction'), sum: tell('airHeatResistanceAir'), value: warm.junction, unit: '°C' }]
          : []),
      ],
      rests: [
        [driver.card.id, sheet.current.source],
        [load.card.id, load.card.supplies[0]?.current.active.source],
      ],
    }),
  ];
}

function judgeBase(circuit: Circuit, driver: PartNode, amps: number): Result[] {
  const sum = baseSum(circuit, driver, amps);
  if (!sum) return [];
  const { needed, allowed, low, top } = sum;
  const ohms = sum.net.series.reduce((total, s) => total + s.ohms, 0);
  const weakest = ohms === 0 ? Infinity : Math.max(0, low.high - low.base) / (ohms * (1 + circuit.tolerance));
  const strongest = ohms === 0 ? Infinity : (top.high - top.base) / (ohms * (1 - circuit.tolerance));
  const burns = strongest > allowed;
  const severity = burns ? 'danger' : weakest < needed ? 'fault' : null;
  return [
    result(circuit, meta, {
      subjects: [driver.id],
      aspect: 'base',
      severity,
      measured: ohms === 0 ? null : burns ? strongest : weakest,
      limit: burns ? allowed : needed,
      unit: 'A',
      margin: ohms === 0 ? null : burns ? allowed - strongest : weakest - needed,
      message: burns
        ? ohms === 0
          ? tell('baseHangsStraightPin', { driver: driver.label })
          : tell('letIntoBasePin', {
              ohms: R(ohms),
              strongest: A(strongest),
              driver: driver.label,
              allowed: A(allowed),
            })
        : weakest < needed
          ? tell('letIntoBaseNeeded', {
              ohms: R(ohms),
              weakest: A(weakest),
              driver: driver.label,
              needed: A(needed),
              amps: A(amps),
            })
          : tell('letOrMoreInto', { ohms: R(ohms), weakest: A(weakest), driver: driver.label, needed: A(needed) }),
      meaning: tell('baseDiodeGroundOnly'),
      workings: [
        { name: term('needed'), sum: divide(A(amps), FORCED_GAIN), value: needed, unit: 'A' },
        ...(ohms === 0
          ? []
          : [
              {
                name: tell('least'),
                sum: divide(subtract(V(low.high), V(low.base)), multiply(R(ohms), 1 + circuit.tolerance)),
                value: weakest,
                unit: 'A',
              },
              {
                name: tell('most'),
                sum: divide(subtract(V(top.high), V(top.base)), multiply(R(ohms), 1 - circuit.tolerance)),
                value: strongest,
                unit: 'A',
              },
            ]),
        {
          name: tell('pinGives'),
          sum: tell('recommended', { derating: circuit.plan.rules.derating }),
          value: allowed,
          unit: 'A',
        },
        { name: tell('resistorFits'), sum: tell('to', { least: R(sum.least), most: R(sum.most) }) },
      ],
      rests: [
        [driver.card.id, driver.card.driver?.bipolar?.base.source],
        [circuit.controller?.card.id ?? '', circuit.controller?.card.controller?.pinCurrent.recommended.source],
      ],
    }),
  ];
}

interface DrivenLoad {
  readonly load: PartNode;
  readonly driver: PartNode;
  readonly amps: number;
}

const drivenAt = (circuit: Circuit, load: PartNode): DrivenLoad[] =>
  Object.values(load.choice?.ports ?? {}).flatMap((choice) => {
    const driver = choice.driver === undefined ? undefined : circuit.parts.get(choice.driver);
    return driver?.card.driver ? [{ load, driver, amps: loadAmps(circuit, load) }] : [];
  });

/** Loads with the driver that switches them. */
export const drivenLoads = (circuit: Circuit): DrivenLoad[] =>
  [...circuit.parts.values()].flatMap((load) => drivenAt(circuit, load));

export const driveTransistor = {
  meta,
  ...overParts((circuit, part) =>
    drivenAt(circuit, part).flatMap(({ load, driver, amps }) => [
      ...judgeCurrent(circuit, load, driver, amps),
      ...judgeBase(circuit, driver, amps),
    ]),
  ),
} satisfies Check;
