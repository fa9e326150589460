import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { rateError } from '../standard/serial.ts';
import { SERIAL_ERROR, USUAL_RATE_ERROR } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overParts } from './over.ts';

/** What is said here, by the data that it takes. */
export interface BusSerialRateSays {
  readonly broken: { rate: number; controller: Text; own: Text; part: Text; theirs: Text; serialerror: Text };
  readonly holds: { rate: number; together: Text; serialerror: Text };
  readonly meaning: null;
  readonly off: { controller: Text };
  readonly against: { toInterval: Quantity; samples: number; value: number; rate: number };
  readonly offAt: { part: Text };
}

const tell = tells<BusSerialRateSays>('bus/serial-rate');

const meta = {
  id: 'bus/serial-rate',
  station: 'bus',
  breaks: 'fault',
  scope: 'bus',
  reads: ['controller/serial/clock', 'ports/*/rate', 'ports/*/rateError'],
} as const satisfies CheckMeta;

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
        subjects: [keyOf(part.id, port.id)],
        severity: margin < -1e-9 ? 'fault' : null,
        measured: together,
        limit: SERIAL_ERROR,
        unit: 'share',
        margin,
        assumed: !port.rateError,
        message:
          margin < -1e-9
            ? tell('broken', {
                rate,
                controller: circuit.controller.label,
                own: P(own),
                part: part.label,
                theirs: P(theirs),
                serialerror: P(SERIAL_ERROR),
              })
            : tell('holds', { rate, together: P(together), serialerror: P(SERIAL_ERROR) }),
        meaning: tell('meaning'),
        workings: [
          {
            name: tell('off', { controller: circuit.controller.label }),
            sum: tell('against', {
              toInterval: quantityOf(toInterval(serial.clock).typ, 'Hz'),
              samples: serial.samples,
              value: Math.max(1, Math.round(toInterval(serial.clock).typ / serial.samples / rate)),
              rate,
            }),
            value: own * 100,
            unit: '%',
          },
          {
            name: tell('offAt', { part: part.label }),
            sum: port.rateError ? term('fromCard') : term('usual'),
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

export const busSerialRate = {
  meta,
  ...overParts(judge),
} satisfies Check;
