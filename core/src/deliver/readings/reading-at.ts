/** What a build reads: each quantity of each part that senses, with what the plan wants of it. */
import type { Measure } from '../../card/measure.ts';
import type { Protocol } from '../../card/protocol.ts';
import { toInterval } from '../../card/to-interval.ts';
import { measureFor } from '../../check/sense-error.ts';
import type { Circuit } from '../../circuit/model.ts';
import type { SenseNeed } from '../../plan/plan.ts';
import type { Text } from '../../quantity/message.ts';
import { type Formula, formulaOf } from '../settings/formula.ts';

export interface ReadingAt {
  readonly part: string;
  readonly label: Text;
  readonly quantity: string;
  readonly unit: string;
  readonly measure: Measure;
  /** Null where nobody wants it. */
  readonly need: SenseNeed | null;
  /** Where it is a voltage that a converter reads. */
  readonly formula: Formula | null;
  /** s that the card asks for from one reading to the next; null where it does not say. */
  readonly shortest: number | null;
  readonly protocol: Protocol | null;
  /** It comes as a number over a bus or a line. */
  readonly isDigital: boolean;
}

const NUMBERS: readonly Protocol[] = ['i2c', 'spi', 'onewire', 'pulse', 'uart', 'clocked'];

/** Row of the logbook that readings of a quantity are written to. */
export const readingKey = ({ part, quantity }: Pick<ReadingAt, 'part' | 'quantity'>): string =>
  `reads:${part}:${quantity}`;

/** In the order of the plan. */
export function readingsOf(circuit: Circuit): ReadingAt[] {
  const { plan } = circuit;
  return [...circuit.parts.values()].flatMap((part) =>
    part.card.measures.map((measure): ReadingAt => {
      const need = plan.needs.find(
        (one): one is SenseNeed =>
          one.kind === 'sense' &&
          part.choice?.needs.includes(one.id) === true &&
          measureFor(part.card, one)?.quantity === measure.quantity,
      );
      const protocol = part.card.ports[0]?.protocol ?? null;
      return {
        part: part.id,
        label: part.label,
        quantity: measure.quantity,
        unit: measure.unit,
        measure,
        need: need ?? null,
        formula: formulaOf(circuit, part, measure),
        shortest: measure.interval ? toInterval(measure.interval).max : null,
        protocol,
        isDigital: measure.analog === undefined && protocol !== null && NUMBERS.includes(protocol),
      };
    }),
  );
}
