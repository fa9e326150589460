/** From data to text: figures with their units, sums with their signs, messages with the words of a language. */
import { formatAddress } from '../quantity/address.ts';
import { quantityText } from '../quantity/engineering.ts';
import { formatMoney } from '../quantity/money.ts';
import type { Data, Datum, Message, Operation, Operator, Quantity, Sum } from '../quantity/message.ts';
import { spanOf } from '../quantity/span.ts';
import type { Language } from './language.ts';

/** How tightly a sign binds; what binds less stands in brackets inside it. */
const BINDS: Readonly<Record<Operator, number>> = {
  parallel: 0,
  add: 1,
  subtract: 1,
  multiply: 2,
  divide: 2,
  per: 3,
  raise: 4,
  ln: 5,
};

const SIGN: Readonly<Record<Operator, string>> = {
  parallel: ' || ',
  add: ' + ',
  subtract: ' − ',
  multiply: ' × ',
  divide: ' ÷ ',
  per: '/',
  raise: '^',
  ln: '',
};

/** A share below this is written with one digit behind the point. */
const SMALL_SHARE = 0.1;

const formatShare = (share: number): string => `${Number((share * 100).toFixed(share < SMALL_SHARE ? 1 : 0))} %`;

export interface Speaker {
  /** A text, a figure, a sum or a message in the words of the language. */
  say(of: Datum): string;
}

export function speaker(language: Language): Speaker {
  const isOperation = (of: Sum): of is Operation => typeof of === 'object' && 'op' in of;

  /** An operation on a single value is that value. */
  function bare(of: Sum): Sum {
    const [only] = isOperation(of) && of.op !== 'ln' && of.of.length === 1 ? of.of : [];
    return only === undefined ? of : bare(only);
  }

  function operation({ op, of }: Operation): string {
    if (op === 'ln') return `ln(${of.map(say).join('')})`;
    return of
      .map(bare)
      .map((term, i) => {
        const text = say(term);
        if (!isOperation(term)) return text;
        // The second of two that do not commute stands in brackets when it binds alike: a − (b − c), a ÷ (b × c).
        const alike = i > 0 && op !== 'add' && BINDS[term.op] === BINDS[op];
        // 2 ÷ 1/3 could be read either way.
        const unclear = i > 0 && op === 'divide' && term.op === 'per' && typeof term.of[1] !== 'string';
        return BINDS[term.op] < BINDS[op] || alike || unclear ? `(${text})` : text;
      })
      .join(SIGN[op]);
  }

  function message({ topic, id, data }: Message): string {
    const words = language[topic]?.says[id];
    if (words === undefined) throw new Error(`no words for ${topic} ${id}`);
    return typeof words === 'string' ? words : words(told(data) as never);
  }

  const told = (data: Data): Record<string, unknown> =>
    Object.fromEntries(Object.entries(data).map(([name, datum]) => [name, heard(datum)]));

  /** A datum as words take it: plain values stay what they are. */
  function heard(datum: Datum): unknown {
    // Words count with numbers, and no count is below nought.
    if (typeof datum === 'number' && datum < 0) return say(datum);
    if (Array.isArray(datum)) return datum.map((item: Datum) => heard(item));
    return typeof datum === 'object' && datum !== null ? say(datum) : datum;
  }

  /** Signs of units are the same everywhere; what is counted in words is not. */
  function figure({ value, unit, digits }: Quantity): string {
    const text = quantityText(value, unit, digits);
    const word = language['word/unit']?.says[text.unit];
    const sign = typeof word === 'string' ? word : text.unit;
    return sign ? `${text.number} ${sign}` : text.number;
  }

  function span(seconds: number): string {
    const { count, unit } = spanOf(seconds) ?? { count: 0, unit: 'forever' };
    return message({ topic: 'word/span', id: unit, data: { count } });
  }

  function say(of: Datum): string {
    if (of === null || of === undefined) return '';
    if (typeof of === 'number' && of < 0) return `−${-of}`;
    if (typeof of !== 'object') return String(of);
    if ('topic' in of) return message(of);
    if ('op' in of) return operation(of);
    if ('note' in of) return [say(of.of), say(of.note)].filter((text) => text !== '').join(' ');
    if ('value' in of) return figure(of);
    if ('seconds' in of) return span(of.seconds);
    if ('amount' in of) return formatMoney(of.amount, of.currency);
    if ('address' in of) return formatAddress(of.address);
    if ('share' in of) return formatShare(of.share);
    return of.map(say).join(', ');
  }

  return { say };
}
