/** A value change dump (IEEE 1364, four-state form; quoted from memory), read in pieces of any size. */
import { Capture, CaptureError, tell, type Assignment, type CaptureSummary } from './capture.ts';

const UNITS: Readonly<Record<string, number>> = { s: 1, ms: 1e-3, us: 1e-6, ns: 1e-9, ps: 1e-12, fs: 1e-15 };
/** Longer than any word of such a file. */
const LONGEST_WORD = 10_000;

export interface VcdVariable {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly bits: number;
}

/** Words of the file with the line that they are on; sections go from $name to $end. */
export class VcdReader {
  private rest = '';
  private line = 1;
  private section: { name: string; words: string[] } | null = null;
  private pendingVector: string | null = null;
  private scope: string[] = [];
  private seconds = 1e-9;
  private time = 0;
  private started = false;
  readonly variables: VcdVariable[] = [];

  /** @param change called with s, the id of the variable, and its value: 0, 1, NaN for unknown, or a real number */
  constructor(private readonly change: (time: number, id: string, value: number) => void) {}

  push(text: string): void {
    const whole = this.rest + text;
    const end = Math.max(whole.lastIndexOf('\n'), whole.lastIndexOf(' '));
    if (end < 0) {
      this.rest = whole;
      if (whole.length > LONGEST_WORD)
        throw new CaptureError(this.line, tell('words'), tell('charactersWithoutSpace', { count: whole.length }));
      return;
    }
    this.rest = whole.slice(end + 1);
    this.words(whole.slice(0, end + 1));
  }

  private words(text: string): void {
    for (const row of text.split('\n')) {
      for (const word of row.split(/\s+/)) if (word !== '') this.word(word);
      this.line += 1;
    }
    // The last piece has not ended its line.
    this.line -= 1;
  }

  private word(word: string): void {
    if (this.section) {
      if (word === '$end') this.close();
      else if (this.section.name !== '$comment') this.section.words.push(word);
      return;
    }
    if (this.pendingVector !== null) {
      this.tell(word, vector(this.pendingVector));
      this.pendingVector = null;
      return;
    }
    const first = word[0] ?? '';
    if (first === '$') {
      // The values of a dump are changes like others; only its name and end are words of their own.
      if (/^\$(?:dumpvars|dumpall|dumpon|dumpoff|end)$/.test(word)) return;
      this.section = { name: word, words: [] };
    } else if (first === '#') {
      const ticks = Number(word.slice(1));
      if (word.length < 2 || !Number.isFinite(ticks))
        throw new CaptureError(this.line, tell('ticks'), word.slice(0, 40));
      const time = ticks * this.seconds;
      if (this.started && time < this.time)
        throw new CaptureError(this.line, tell('notBefore', { time: `${this.time} s` }), `${time} s`);
      this.time = time;
      this.started = true;
    } else if ('01xXzZ'.includes(first) && word.length > 1)
      this.tell(word.slice(1), first === '0' ? 0 : first === '1' ? 1 : NaN);
    else if ('bBrR'.includes(first) && word.length > 1) this.pendingVector = word;
    else throw new CaptureError(this.line, tell('change'), tell('quoted', { text: word.slice(0, 40) }));
  }

  private tell(id: string, value: number): void {
    if (!this.variables.some((v) => v.id === id))
      throw new CaptureError(this.line, tell('declared'), tell('quoted', { text: id.slice(0, 40) }));
    this.change(this.time, id, value);
  }

  private close(): void {
    const { name, words } = this.section ?? { name: '', words: [] };
    this.section = null;
    if (name === '$timescale') {
      const [, count = '', unit = ''] = /^(\d+)\s*([munpf]?s)$/.exec(words.join('')) ?? [];
      const scale = UNITS[unit];
      if (scale === undefined) throw new CaptureError(this.line, tell('scale'), words.join(' ').slice(0, 40));
      this.seconds = Number(count) * scale;
    } else if (name === '$scope') this.scope.push(words[1] ?? '');
    else if (name === '$upscope') this.scope.pop();
    else if (name === '$var') {
      const [kind, bits, id, label] = words;
      if (!kind || !id || !label || !Number.isFinite(Number(bits)))
        throw new CaptureError(this.line, tell('variable'), words.join(' ').slice(0, 60));
      this.variables.push({ id, name: label, kind, bits: Number(bits) });
    }
  }

  end(): void {
    this.words(`${this.rest}\n`);
    this.rest = '';
    if (this.section)
      throw new CaptureError(this.line, tell('endOf', { section: this.section.name }), tell('endOfFile'));
  }
}

const vector = (word: string): number => {
  if (/^r/i.test(word)) return Number(word.slice(1));
  const bits = word.slice(1);
  return /[xz]/i.test(bits) ? NaN : parseInt(bits, 2);
};

/** @returns the variables that the head of a file declares @param text the beginning of the file */
export function vcdVariables(text: string): readonly VcdVariable[] {
  const head = text.slice(0, Math.max(0, text.indexOf('$enddefinitions')));
  const reader = new VcdReader(() => undefined);
  reader.push(head.endsWith(' ') || head.endsWith('\n') ? head : `${head}\n`);
  if (reader.variables.length === 0)
    throw new CaptureError(1, tell('variables'), tell('quoted', { text: text.slice(0, 60).replace(/\s+/g, ' ') }));
  return reader.variables;
}

export class VcdCapture {
  private readonly reader: VcdReader;
  private readonly capture: Capture;
  private readonly values: Float64Array;
  private at: number | null = null;

  constructor(assigned: readonly Assignment[]) {
    this.capture = new Capture(assigned);
    this.values = new Float64Array(assigned.length).fill(1);
    const places = new Map<string, number>();
    this.reader = new VcdReader((time, id, value) => {
      let place = places.get(id);
      if (place === undefined) {
        const name = this.reader.variables.find((v) => v.id === id)?.name;
        place = assigned.findIndex((a) => a.name === name);
        places.set(id, place);
      }
      if (place < 0) return;
      if (this.at !== null && time > this.at) this.capture.push(this.at, this.values);
      this.at = time;
      // What is unknown stays as it was.
      if (!Number.isNaN(value)) this.values[place] = value;
    });
  }

  push(text: string): void {
    this.reader.push(text);
  }

  end(): CaptureSummary {
    this.reader.end();
    if (this.at !== null) this.capture.push(this.at, this.values);
    return this.capture.end();
  }
}
