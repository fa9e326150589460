import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Net, PartNode } from '../circuit/circuit.ts';
import { levelVolts } from '../circuit/level.ts';
import { warmestAir, warmth } from '../physics/heat.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { FORCED_GAIN, HOT_ON_RESISTANCE, HOT_SURFACE } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'drive/transistor',
  title: 'Drivers carry their load, and are fully on',
  station: 'pins',
  rule: 'Load ≤ the driver’s current × derating. A bare bipolar transistor saturates with a tenth of the load in its base: (VOH(min) − VBE(max)) ÷ R(max) ≥ I ÷ 10, and (VOH(max) − VBE(min)) ÷ R(min) ≤ what the pin gives. It turns VCE(sat) × I to heat, a field-effect one I² × R.',
  source: 'Ohm’s law; saturation at a forced gain of 10, as transistor sheets state VCE(sat), is common practice',
  breaks: 'fault',
};

const A = (x: number) => formatQuantity(x, 'A');
const V = (x: number) => formatQuantity(x, 'V');
const R = (x: number) => formatQuantity(x, 'Ω');

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
  const own = supply && circuit.feeds.get(`${load.id}.${supply.id}`);
  return own ? Math.max(own.peak, toInterval(own.supply.current.active).max) : 0;
};

/** The resistor before the base of a bare transistor. @returns null for other drivers, and while it has no pin */
export function baseSum(circuit: Circuit, driver: PartNode, amps: number): BaseSum | null {
  const bipolar = driver.card.driver?.bipolar;
  const net = circuit.nets.find(({ ends }) => ends.some(({ part, controller }) => part === driver.id && !controller));
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
          ? `${load.label} takes ${A(amps)}; ${driver.label} may carry ${A(limit)} (${A(most)} × ${derating}).`
          : tooHot
            ? `${driver.label} turns ${formatQuantity(watts, 'W')} to heat and reaches ${formatQuantity(warm.junction, '°C')} inside; ${formatQuantity(warm.limit, '°C')} is allowed.`
            : severity === 'caution'
              ? `${driver.label} gets ${formatQuantity(warm?.surface ?? 0, '°C')} warm outside. Do not touch it.`
              : `${driver.label} carries ${A(amps)} of ${A(limit)}.`,
      meaning: 'A switch that is not fully on, or carries too much, turns the difference to heat.',
      workings: [
        { name: 'load at its peak', sum: `of ${load.label}`, value: amps, unit: 'A' },
        { name: 'may carry', sum: `${A(most)} × ${derating}`, value: limit, unit: 'A' },
        {
          name: 'turned to heat',
          sum: sheet.bipolar
            ? `${V(toInterval(sheet.bipolar.saturation).max)} × ${A(amps)}`
            : `(${A(amps)})² × ${R(hotOhms(driver))}, hot`,
          value: watts,
          unit: 'W',
        },
        ...(warm
          ? [{ name: 'junction', sum: 'air + heat × resistance to the air', value: warm.junction, unit: '°C' }]
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
      subjects: [driver.id, 'base'],
      severity,
      measured: ohms === 0 ? null : burns ? strongest : weakest,
      limit: burns ? allowed : needed,
      unit: 'A',
      margin: ohms === 0 ? null : burns ? allowed - strongest : weakest - needed,
      message: burns
        ? ohms === 0
          ? `The base of ${driver.label} hangs straight on its pin; nothing limits the current. Pin or transistor burns.`
          : `${R(ohms)} let ${A(strongest)} into the base of ${driver.label}; its pin gives ${A(allowed)}.`
        : weakest < needed
          ? `${R(ohms)} let ${A(weakest)} into the base of ${driver.label}; ${A(needed)} are needed for its ${A(amps)}. It is not fully on and gets hot.`
          : `${R(ohms)} let ${A(weakest)} or more into the base of ${driver.label}; ${A(needed)} are needed.`,
      meaning:
        'A base is a diode to ground: only the resistor sets its current, and only enough of it switches fully on.',
      workings: [
        { name: 'needed', sum: `${A(amps)} ÷ ${FORCED_GAIN}`, value: needed, unit: 'A' },
        ...(ohms === 0
          ? []
          : [
              {
                name: 'at the least',
                sum: `(${V(low.high)} − ${V(low.base)}) ÷ (${R(ohms)} × ${1 + circuit.tolerance})`,
                value: weakest,
                unit: 'A',
              },
              {
                name: 'at the most',
                sum: `(${V(top.high)} − ${V(top.base)}) ÷ (${R(ohms)} × ${1 - circuit.tolerance})`,
                value: strongest,
                unit: 'A',
              },
            ]),
        { name: 'the pin gives', sum: `recommended × ${circuit.plan.rules.derating}`, value: allowed, unit: 'A' },
        { name: 'resistor that fits', sum: `${R(sum.least)} to ${R(sum.most)}` },
      ],
      rests: [
        [driver.card.id, driver.card.driver?.bipolar?.base.source],
        [circuit.controller?.card.id ?? '', circuit.controller?.card.controller?.pinCurrent.recommended.source],
      ],
    }),
  ];
}

/** Loads with the driver that switches them. */
export const drivenLoads = (circuit: Circuit): { load: PartNode; driver: PartNode; amps: number }[] =>
  [...circuit.parts.values()].flatMap((load) =>
    Object.values(load.choice?.ports ?? {}).flatMap((choice) => {
      const driver = choice.driver === undefined ? undefined : circuit.parts.get(choice.driver);
      return driver?.card.driver ? [{ load, driver, amps: loadAmps(circuit, load) }] : [];
    }),
  );

export const driveTransistor: Check = {
  meta,
  run: (circuit) =>
    drivenLoads(circuit).flatMap(({ load, driver, amps }) => [
      ...judgeCurrent(circuit, load, driver, amps),
      ...judgeBase(circuit, driver, amps),
    ]),
};
