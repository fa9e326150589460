/** Listens to a self-test over whatever carries its prints. A run is taken whole or not at all. */
import { digestOf, type Line, readLines } from './line.ts';

/** Characters that a line may take; what is older and has no end was none. */
const LONGEST = 1200;

/** Lines that belong to no run: what was asked from outside. */
const ANSWERS: readonly string[] = ['watched', 'driven'];
/** Older ones nobody waits for. */
const MOST_ANSWERS = 16;

/** How far a run has come. */
export interface Heard {
  /** Lines that came through. */
  readonly lines: number;
  /** Of how many; null until the last one came. */
  readonly of: number | null;
}

export class Hearing {
  private rest = '';
  private readonly lines = new Map<number, Line>();
  private answers: Line[] = [];
  private end: { readonly seq: number; readonly digest: string } | null = null;

  /** @param plan name that the lines are checked with */
  constructor(private readonly plan: string) {}

  get heard(): Heard {
    return { lines: this.lines.size, of: this.end?.seq ?? null };
  }

  /** @returns what was answered to questions since it was asked for last; their numbers are the asker's */
  answered(): readonly Line[] {
    const { answers } = this;
    this.answers = [];
    return answers;
  }

  /**
   * Takes what came, in pieces of any size.
   * @returns the lines of a run that is whole with this piece; null while none is. Lines of several runs that say the same make up for
   * each other; where they differ the newest counts, and nothing is taken until all of them belong together by the check of the run.
   */
  take(piece: string): readonly Line[] | null {
    const text = this.rest + piece;
    const cut = text.lastIndexOf('\n') + 1;
    this.rest = text.slice(Math.max(cut, text.length - LONGEST));
    return this.read(text.slice(0, cut));
  }

  /** Takes what has no line end behind it as well: there comes no more. */
  finish(): readonly Line[] | null {
    const { rest } = this;
    this.rest = '';
    return this.read(rest);
  }

  private read(text: string): readonly Line[] | null {
    let whole: readonly Line[] | null = null;
    for (const line of readLines(this.plan, text)) {
      if (ANSWERS.includes(line.word)) {
        this.answers = [...this.answers, line].slice(-MOST_ANSWERS);
        continue;
      }
      if (line.word === 'end') this.end = { seq: line.seq, digest: line.fields[0] ?? '' };
      else this.lines.set(line.seq, line);
      whole = this.whole() ?? whole;
    }
    return whole;
  }

  private whole(): readonly Line[] | null {
    if (!this.end || this.lines.size < this.end.seq) return null;
    const all = Array.from({ length: this.end.seq }, (_, seq) => this.lines.get(seq));
    const there = all.filter((line): line is Line => line !== undefined);
    if (there.length < all.length || digestOf(there) !== this.end.digest) return null;
    this.lines.clear();
    this.end = null;
    return there;
  }
}
