/** What is to be said, as data. The room `say` alone makes sentences of it. */

/** A number with its unit, and how many of its digits count. */
export interface Quantity {
  /** SI base units, or the plain unit that is named. */
  readonly value: number;
  readonly unit: string;
  readonly digits: number;
}

/** A span of time as people say it, s. */
export interface Duration {
  readonly seconds: number;
}

/** An amount of money. */
export interface Price {
  readonly amount: number;
  readonly currency: string;
}

/** An address on a bus, seven bits. */
export interface BusAddress {
  readonly address: number;
}

/** A part of a whole, nought to one. */
export interface Share {
  readonly share: number;
}

/** Which sentence, and what goes into it. */
export interface Message {
  /** The file that says it, or the check: "level/high". */
  readonly topic: string;
  readonly id: string;
  readonly data: Data;
}

/** Operations of a sum; "per" is a division that belongs to a unit, "5 V/m". */
export type Operator = 'add' | 'subtract' | 'multiply' | 'divide' | 'per' | 'parallel' | 'raise' | 'ln';

/** Values put together by an operation, in the order in which they are written. */
export interface Operation {
  readonly op: Operator;
  readonly of: readonly Sum[];
}

/** A sum with a word beside it: "20 mA × 2 s heating". */
export interface Noted {
  readonly of: Sum;
  readonly note: Text;
}

/** How a value was worked out: one term, several put together, or words where there is nothing to calculate. */
export type Sum = Quantity | Price | number | Operation | Noted | Message | string;

/** A name that is data already (of a plan, of a card), or words that are still to be said. */
export type Text = string | Message;

export type Datum = Sum | Duration | Price | BusAddress | Share | boolean | null | undefined | readonly Datum[];

export interface Data {
  readonly [name: string]: Datum;
}

/** @param value SI base units */
export const quantityOf = (value: number, unit: string, digits = 3): Quantity => ({ value, unit, digits });
/** @param seconds as people say it: "90 days" */
export const durationOf = (seconds: number): Duration => ({ seconds });
export const priceOf = (amount: number, currency: string): Price => ({ amount, currency });
/** @param address seven bits */
export const addressOf = (address: number): BusAddress => ({ address });
/** @param of nought to one */
export const shareOf = (of: number): Share => ({ share: of });

const NOTHING: Data = {};

/**
 * The messages of one topic, by the data that each takes; null for a sentence that takes none.
 * @example const tell = tells<{ holds: { pin: Text; high: Quantity } }>('level/high'); tell('holds', { pin: 'D2', high: quantityOf(3.3, 'V') })
 */
export const tells =
  <Says>(topic: string) =>
  <Id extends keyof Says & string>(id: Id, ...[data]: Says[Id] extends null ? [] : [data: Says[Id]]): Message => ({
    topic,
    id,
    data: (data as Data | undefined) ?? NOTHING,
  });

/** Whether a text is words that are still to be said. */
export const isMessage = (text: Datum): text is Message => typeof text === 'object' && text !== null && 'topic' in text;

/** One word of a list that `say` keeps, by its code: what a part is doing, which way a line goes. */
export const wordOf = (list: string, code: string): Message => ({ topic: `word/${list}`, id: code, data: NOTHING });

/** The texts of a list, each once, in order. */
export function distinct(texts: readonly Text[]): Text[] {
  const seen = new Map(texts.map((text) => [JSON.stringify(text), text]));
  return [...seen.values()];
}
