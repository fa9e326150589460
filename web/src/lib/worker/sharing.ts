/**
 * Answers that are mostly what they were: what a thread has sent before it names by a number, and the page takes its own copy of that, so that
 * little is copied and what is not changed stays the same object on the page as well. Plain data, lists, maps and sets, without circles.
 */

/** What goes over: the data, with a bigint in place of whatever the other side has. Data itself has no bigint. */
export interface Packed<T> {
  readonly value: unknown;
  /** What it is once it is unpacked; never there. */
  readonly of?: T;
  /** True where the other side is to forget what it has. */
  readonly afresh: boolean;
}

/** What is known is forgotten once it is so many times what one answer is made of; and not before there is so much of it. */
const TIMES = 6;
const AT_LEAST = 40_000;

/** Every field of a thing, given on into another or into itself. Much goes this way at every edit: no lists are made for it. */
function filled(from: object, into: object, by: (value: unknown) => unknown): object {
  for (const key of Object.keys(from)) {
    const value = by(Reflect.get(from, key));
    // Setting it would be another thing.
    if (key === '__proto__')
      Object.defineProperty(into, key, { value, enumerable: true, configurable: true, writable: true });
    else Reflect.set(into, key, value);
  }
  return into;
}

export class Sender {
  private numbers = new WeakMap<object, bigint>();
  private count = 0;
  private most = 0;

  pack<T>(value: T): Packed<T> {
    const afresh = this.count >= this.most;
    if (afresh) {
      this.numbers = new WeakMap();
      this.count = 0;
    }
    const packed = this.packed(value);
    if (afresh) this.most = Math.max(AT_LEAST, TIMES * this.count);
    return { value: packed, afresh };
  }

  private packed(value: unknown): unknown {
    if (typeof value !== 'object' || value === null) return value;
    const known = this.numbers.get(value);
    if (known !== undefined) return known;
    this.numbers.set(value, BigInt(this.count++));
    if (Array.isArray(value)) return value.map((one) => this.packed(one));
    if (value instanceof Map) return new Map([...value].map(([key, one]) => [this.packed(key), this.packed(one)]));
    if (value instanceof Set) return new Set([...value].map((one) => this.packed(one)));
    return filled(value, {}, (one) => this.packed(one));
  }
}

/** The other side: it has to be given every answer, in the order in which they were sent. */
export class Receiver {
  private things: object[] = [];

  unpack<T>({ value, afresh }: Packed<T>): T {
    if (afresh) this.things = [];
    return this.unpacked(value) as T;
  }

  private unpacked(value: unknown): unknown {
    if (typeof value === 'bigint') return this.things[Number(value)];
    if (typeof value !== 'object' || value === null) return value;
    // What was sent is ours alone: it is filled in where it lies.
    const at = this.things.push(value) - 1;
    if (Array.isArray(value)) {
      for (let i = 0; i < value.length; i++) value[i] = this.unpacked(value[i]);
      return value;
    }
    if (value instanceof Map)
      return (this.things[at] = new Map([...value].map(([k, v]) => [this.unpacked(k), this.unpacked(v)])));
    if (value instanceof Set) return (this.things[at] = new Set([...value].map((one) => this.unpacked(one))));
    return filled(value, value, (one) => this.unpacked(one));
  }
}
