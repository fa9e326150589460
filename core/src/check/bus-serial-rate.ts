import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { rateError } from '../standard/serial.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { SERIAL_ERROR, USUAL_RATE_ERROR } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'bus/serial-rate',
  title: 'Both ends of a serial line count alike',
  station: 'bus',
  rule: 'Error of the controller’s rate, clock ÷ (samples × the nearest whole divisor) against the rate, and that of the part, together 2 % at most.',
  source: 'ten bits, sampled in the middle, stand about 4 % in all; half of it is common practice',
  breaks: 'fault',
};

function judge(circuit: Circuit, part: PartNode): Result[] {
  const serial = circuit.controller?.card.controller?.serial;
  return part.card.ports.flatMap((port): Result[] => {
    if (port.protocol !== 'uart' || !port.rate || !circuit.controller || !serial) return [];
    const rate = part.choice?.ports[port.id]?.rate ?? toInterval(port.rate).typ;
    const own = rateError(toInterval(serial.clock).typ, serial.samples, rate);
    const theirs = port.rateError ? toInterval(port.rateError).max : USUAL_RATE_ERROR;
    const together = Math.abs(own) + theirs;
    const margin = SERIAL_ERROR - together;
    const P = (x: number) => `${(x * 100).toFixed(2)} %`;
    return [
      result(circuit, meta, {
        subjects: [`${part.id}.${port.id}`],
        severity: margin < -1e-9 ? 'fault' : null,
        measured: together,
        limit: SERIAL_ERROR,
        unit: 'share',
        margin,
        assumed: !port.rateError,
        message:
          margin < -1e-9
            ? `At ${rate} bits a second ${circuit.controller.label} is ${P(own)} off and ${part.label} up to ${P(theirs)}; together ${P(SERIAL_ERROR)} may be. Letters come out wrong: take a slower rate that divides evenly.`
            : `At ${rate} bits a second both ends are ${P(together)} apart at most; ${P(SERIAL_ERROR)} may be.`,
        meaning:
          'Each letter is timed from its first edge; at its last bit the errors of both clocks have added up tenfold.',
        workings: [
          {
            name: `off at ${circuit.controller.label}`,
            sum: `${formatQuantity(toInterval(serial.clock).typ, 'Hz')} ÷ (${serial.samples} × ${Math.max(1, Math.round(toInterval(serial.clock).typ / serial.samples / rate))}) against ${rate}`,
            value: own * 100,
            unit: '%',
          },
          {
            name: `off at ${part.label}`,
            sum: port.rateError ? 'from the card' : 'usual',
            value: theirs * 100,
            unit: '%',
          },
        ],
        rests: [
          [part.card.id, port.rate.source],
          [circuit.controller.card.id, serial.clock.source],
        ],
      }),
    ];
  });
}

export const busSerialRate: Check = {
  meta,
  run: (circuit) => [...circuit.parts.values()].flatMap((part) => judge(circuit, part)),
};
