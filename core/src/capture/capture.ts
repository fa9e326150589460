/** A capture as it comes in, piece by piece: what reads a file feeds it, what wants to know asks it at the end. */
import { type Text, tells } from '../quantity/message.ts';
import { ReadError } from '../quantity/read-error.ts';
import { I2cDecoder, type I2cReading } from './i2c-decoder.ts';
import { LineWatch, type LineSummary } from './line-watch.ts';

/** What a column or variable of the file stands for. */
export interface Assignment {
  /** Name in the file. */
  readonly name: string;
  /** "sda" and "scl" are decoded; anything else is looked at by itself. */
  readonly line: 'sda' | 'scl' | 'other';
  /** V of the supply that its levels are taken of; 1 for a channel that is only high or low. */
  readonly supply: number;
}

export interface CaptureSummary {
  readonly lines: readonly (Assignment & LineSummary)[];
  readonly i2c: I2cReading | null;
  /** s */
  readonly from: number;
  readonly to: number;
}

/** Something in the file that is not what it should be. */
/** What is said of a file that is no capture. */
export interface CaptureSays {
  readonly at: { line: number; expected: Text; found: Text };
  readonly words: null;
  readonly charactersWithoutSpace: { count: number };
  readonly charactersWithoutEnd: { count: number };
  readonly ticks: null;
  readonly notBefore: { time: string };
  readonly change: null;
  readonly declared: null;
  readonly scale: null;
  readonly variable: null;
  readonly endOf: { section: string };
  readonly endOfFile: null;
  readonly endOfRow: null;
  readonly variables: null;
  readonly rows: null;
  readonly column: { name: string };
  readonly row: null;
  readonly time: null;
  readonly number: { column: string };
  readonly quoted: { text: string };
}
export const tell = tells<CaptureSays>('capture');

export class CaptureError extends ReadError {
  override readonly name = 'CaptureError';
  constructor(
    readonly line: number,
    expected: Text,
    found: Text,
  ) {
    super(tell('at', { line, expected, found }));
  }
}

export class Capture {
  private readonly watches: readonly LineWatch[];
  private readonly decoder: I2cDecoder | null;
  private readonly levels: (boolean | null)[];
  private readonly sda: number;
  private readonly scl: number;
  private from = NaN;
  private to = NaN;
  private told = '';

  constructor(readonly assigned: readonly Assignment[]) {
    this.watches = assigned.map(({ supply }) => new LineWatch(supply));
    this.levels = assigned.map(() => null);
    this.sda = assigned.findIndex(({ line }) => line === 'sda');
    this.scl = assigned.findIndex(({ line }) => line === 'scl');
    this.decoder = this.sda >= 0 && this.scl >= 0 ? new I2cDecoder() : null;
  }

  /** @param time s @param values in the order of the assignments */
  push(time: number, values: ArrayLike<number>): void {
    if (Number.isNaN(this.from)) this.from = time;
    this.to = time;
    this.watches.forEach((watch, i) => (this.levels[i] = watch.push(time, values[i] ?? 0)));
    const [sda, scl] = [this.levels[this.sda], this.levels[this.scl]];
    if (!this.decoder || sda === null || scl === null || sda === undefined || scl === undefined) return;
    const key = `${sda}${scl}`;
    if (key === this.told) return;
    this.told = key;
    this.decoder.push(time, sda, scl);
  }

  end(): CaptureSummary {
    return {
      lines: this.assigned.map((a, i) => ({ ...a, ...(this.watches[i] as LineWatch).end() })),
      i2c: this.decoder?.end() ?? null,
      from: this.from,
      to: this.to,
    };
  }
}
