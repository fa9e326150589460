import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Net } from '../circuit/model.ts';
import { LED_CURRENT_FAINT } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { divide, multiply, subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface DriveLedSays {
  readonly hangsStraightPinWithout: { label: Text; least: Quantity };
  readonly hurts: { label: Text; nominal: Quantity; current: Quantity; most: Quantity; least: Quantity };
  readonly holds: { label: Text; nominal: Quantity; current: Quantity; sum: Quantity; most: Quantity };
  readonly faint: { label: Text; ledcurrentfaint: Quantity; nominal: Quantity };
  readonly keepOrLess: { nominal: Quantity; label: Text; current: Quantity };
  readonly meaning: null;
  readonly pinHighest: null;
  readonly supplyHighest: null;
  readonly forwardVoltageLowest: null;
  readonly currentAllowed: null;
  readonly smallerLightPin: { derating: number };
  readonly smallestResistor: null;
  readonly fittedSmallest: null;
}

const tell = tells<DriveLedSays>('drive/led');

const meta = {
  id: 'drive/led',
  station: 'pins',
  breaks: 'danger',
  scope: 'part',
  reads: ['controller/pinCurrent/recommended', 'ports/*/forward/current', 'ports/*/forward/voltage'],
} as const satisfies CheckMeta;

const R = (x: number) => quantityOf(x, 'Ω');
const A = (x: number) => quantityOf(x, 'A');

export interface LightSum {
  /** Smallest resistor, Ω. */
  readonly least: number;
  readonly volts: number;
  readonly forward: number;
  readonly amps: number;
  /** What light and pin stand at the very most, A. */
  readonly most: number;
}

/** The smallest series resistor of a light on a controller's pin; null when there is no light or no pin. */
export function lightSum(circuit: Circuit, net: Net): LightSum | null {
  const light = net.ends.find(({ kind }) => kind === 'led');
  const pin = net.ends.find(({ controller }) => controller);
  const card = light && circuit.parts.get(light.part)?.card;
  const forward = card?.ports.find(({ protocol }) => protocol === 'led')?.forward;
  const limits = circuit.controller?.card.controller?.pinCurrent;
  const recommended = limits?.recommended;
  if (!forward || !recommended || !pin?.power.voltage) return null;
  const amps = Math.min(toInterval(forward.current).min, toInterval(recommended).min) * circuit.plan.rules.derating;
  const most = Math.min(toInterval(forward.current).min, toInterval(limits.absolute).min);
  const volts = pin.power.voltage.max;
  const drop = toInterval(forward.voltage).min;
  return { least: Math.max(0, (volts - drop) / amps), volts, forward: drop, amps, most };
}

function judge(circuit: Circuit, net: Net): Result[] {
  const sum = lightSum(circuit, net);
  const light = net.ends.find(({ kind }) => kind === 'led');
  const card = light && circuit.parts.get(light.part)?.card;
  const forward = card?.ports.find(({ protocol }) => protocol === 'led')?.forward;
  if (!sum || !light || !card || !forward) return [];
  const label = circuit.parts.get(light.part)?.label ?? light.part;
  const nominal = net.series.reduce((total, { ohms }) => total + ohms, 0);
  const ohms = nominal * (1 - circuit.tolerance);
  const margin = ohms - sum.least;
  const current = nominal > 0 ? (sum.volts - sum.forward) / ohms : Infinity;
  const faint = nominal > 0 && (sum.volts - toInterval(forward.voltage).typ) / nominal < LED_CURRENT_FAINT;
  const hurts = nominal === 0 || current > sum.most;
  const severity = margin < 0 ? (hurts ? 'danger' : 'caution') : faint ? 'caution' : null;
  return [
    result(circuit, meta, {
      subjects: [keyOf(light.part, light.signal)],
      severity,
      measured: ohms,
      limit: sum.least,
      unit: 'Ω',
      margin,
      message:
        margin < 0
          ? nominal === 0
            ? tell('hangsStraightPinWithout', { label, least: R(sum.least) })
            : hurts
              ? tell('hurts', {
                  label,
                  nominal: R(nominal),
                  current: A(current),
                  most: A(sum.most),
                  least: R(sum.least),
                })
              : tell('holds', { label, nominal: R(nominal), current: A(current), sum: A(sum.amps), most: A(sum.most) })
          : faint
            ? tell('faint', { label, ledcurrentfaint: A(LED_CURRENT_FAINT), nominal: R(nominal) })
            : tell('keepOrLess', { nominal: R(nominal), label, current: A(current) }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('pinHighest'), sum: tell('supplyHighest'), value: sum.volts, unit: 'V' },
        { name: tell('forwardVoltageLowest'), sum: term('fromCard'), value: sum.forward, unit: 'V' },
        {
          name: tell('currentAllowed'),
          sum: tell('smallerLightPin', { derating: circuit.plan.rules.derating }),
          value: sum.amps,
          unit: 'A',
        },
        {
          name: tell('smallestResistor'),
          sum: divide(subtract(quantityOf(sum.volts, 'V', 4), quantityOf(sum.forward, 'V')), A(sum.amps)),
          value: sum.least,
          unit: 'Ω',
        },
        { name: tell('fittedSmallest'), sum: multiply(R(nominal), 1 - circuit.tolerance), value: ohms, unit: 'Ω' },
      ],
      rests: [
        [card.id, forward.voltage.source],
        [card.id, forward.current.source],
        [circuit.controller?.card.id ?? '', circuit.controller?.card.controller?.pinCurrent.recommended.source],
      ],
    }),
  ];
}

export const driveLed = { meta, ...overNets(judge) } satisfies Check;
