import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Net } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { LED_CURRENT_FAINT } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'drive/led',
  title: 'A light has its resistor',
  station: 'pins',
  rule: 'R(min) ≥ (VOH(max) − Vf(min)) ÷ I, I being the smaller of the light’s limit and the pin’s recommended current, each × derating. Between that and what light and pin stand at most is a caution, and so is too large a resistor.',
  source: 'Ohm’s law; 5 to 20 mA for one light and the pin’s recommended current are common practice',
  breaks: 'danger',
};

const R = (x: number) => formatQuantity(x, 'Ω');
const A = (x: number) => formatQuantity(x, 'A');

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
      subjects: [`${light.part}.${light.signal}`],
      severity,
      measured: ohms,
      limit: sum.least,
      unit: 'Ω',
      margin,
      message:
        margin < 0
          ? nominal === 0
            ? `${label} hangs straight on its pin, without a resistor; at least ${R(sum.least)} are needed. The light or the pin will be damaged.`
            : hurts
              ? `${label} has ${R(nominal)}, so that ${A(current)} may flow; light and pin stand ${A(sum.most)} at most, which takes ${R(sum.least)} with what my rules leave. The light or the pin will be damaged.`
              : `${label} has ${R(nominal)}, so that ${A(current)} may flow; ${A(sum.amps)} is what my rules leave of it, and ${A(sum.most)} the most. It works, and wears.`
          : faint
            ? `${label} gets less than ${A(LED_CURRENT_FAINT)} through ${R(nominal)}; it will be hard to see.`
            : `${R(nominal)} keep ${label} at ${A(current)} or less.`,
      meaning:
        'A light has almost no resistance of its own above its forward voltage; only the resistor limits the current.',
      workings: [
        { name: 'pin, at its highest', sum: 'its supply at its highest', value: sum.volts, unit: 'V' },
        { name: 'forward voltage, at its lowest', sum: 'from the card', value: sum.forward, unit: 'V' },
        {
          name: 'current allowed',
          sum: `the smaller of light and pin × ${circuit.plan.rules.derating}`,
          value: sum.amps,
          unit: 'A',
        },
        {
          name: 'smallest resistor',
          sum: `(${formatQuantity(sum.volts, 'V', 4)} − ${formatQuantity(sum.forward, 'V')}) ÷ ${A(sum.amps)}`,
          value: sum.least,
          unit: 'Ω',
        },
        { name: 'fitted, at its smallest', sum: `${R(nominal)} × ${1 - circuit.tolerance}`, value: ohms, unit: 'Ω' },
      ],
      rests: [
        [card.id, forward.voltage.source],
        [card.id, forward.current.source],
        [circuit.controller?.card.id ?? '', circuit.controller?.card.controller?.pinCurrent.recommended.source],
      ],
    }),
  ];
}

export const driveLed: Check = { meta, run: (circuit) => circuit.nets.flatMap((net) => judge(circuit, net)) };
