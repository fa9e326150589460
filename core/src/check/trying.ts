/**
 * Tries changes of a circuit by what they touch. Of every piece of every check it is known what was read for it; after a change only those are
 * judged again for which something that was read is different.
 */
import { changedBetween, watched, type Changed, type Collection } from '../circuit/watched.ts';
import type { Circuit } from '../circuit/model.ts';
import { noting } from '../quantity/reads.ts';
import type { Result } from './result.ts';
import type { NotMet, Verdict } from './standing.ts';
import { isSame } from '../plan/same.ts';
import { perOwner } from '../quantity/memo.ts';
import { findingsAmong, judged, PIECES, subjectsOf, verdictOf, type CheckPiece } from './verify.ts';

/** What a piece of a check says of one thing. */
class Said {
  /** Null until it is asked what was read. */
  private known: ReadonlySet<string> | null = null;

  constructor(
    readonly piece: CheckPiece,
    readonly id: string,
    readonly results: readonly Result[],
    /** Let go once what was read is known. */
    private circuit: Circuit | null,
  ) {}

  /** What was read for it. To note that takes longer than to judge, and only the next change has to know. */
  get reads(): ReadonlySet<string> {
    const { circuit, piece, id } = this;
    if (circuit) {
      this.known = noting(() => judged(piece, watched(circuit), id)).reads;
      this.circuit = null;
    }
    return this.known ?? new Set();
  }
}

/** @param before what it said of the circuit before: what it says again stays the same object */
function learn(piece: CheckPiece, circuit: Circuit, id: string, before: Said | undefined): Said {
  const now = judged(piece, circuit, id);
  return new Said(piece, id, before ? asBefore(before.results, now) : now, circuit);
}

/** The results of now, with those taken from before that say the same. */
function asBefore(before: readonly Result[], now: readonly Result[]): readonly Result[] {
  const results = now.map((one, i) => {
    const old = before[i]?.key === one.key ? before[i] : before.find(({ key }) => key === one.key);
    return old && isSame(old, one) ? old : one;
  });
  return results.length === before.length && results.every((one, i) => one === before[i]) ? before : results;
}

function readersBy(all: readonly Said[]): Map<string, Said[]> {
  const by = new Map<string, Said[]>();
  for (const said of all)
    for (const name of said.reads) {
      const readers = by.get(name);
      if (readers) readers.push(said);
      else by.set(name, [said]);
    }
  return by;
}

export class Trying {
  readonly verdict: Verdict;
  private readonly all: readonly Said[];
  /** Those with something that is not met. */
  private readonly unmet: readonly Said[];
  /** Who read what has a name; made once somebody wants to know. */
  private readers: Map<string, Said[]> | null = null;
  private readonly byPiece = new Map<CheckPiece, Map<string, Said>>();

  /**
   * @param before that of a circuit much like it
   * @param again what of that is to be judged again
   */
  constructor(
    private readonly circuit: Circuit,
    before: Trying | null = null,
    again: ReadonlySet<Said> = new Set(),
  ) {
    this.all = PIECES.flatMap((piece) =>
      [...subjectsOf(piece, circuit)].map((id) => {
        const said = before?.byPiece.get(piece)?.get(id);
        return this.take(said && !again.has(said) ? said : learn(piece, circuit, id, said));
      }),
    );
    this.unmet = this.all.filter(({ results }) => results.some(({ severity }) => severity !== null));
    this.verdict = verdictOf(
      circuit,
      this.all.flatMap(({ results }) => results),
    );
  }

  private take(said: Said): Said {
    let ids = this.byPiece.get(said.piece);
    if (!ids) this.byPiece.set(said.piece, (ids = new Map<string, Said>()));
    ids.set(said.id, said);
    return said;
  }

  /** The same of a changed circuit, with what is not touched taken over: its verdict is that of the whole. */
  next(circuit: Circuit): Trying {
    return new Trying(circuit, this, this.readersOf(changedBetween(this.circuit, circuit)));
  }

  /** Works out now what the next change will ask for. */
  prepare(): void {
    this.readers ??= readersBy(this.all);
  }

  /** How many pieces are judged again after a change, of how many. */
  touched(next: Circuit): { readonly again: number; readonly of: number } {
    return { again: this.readersOf(changedBetween(this.circuit, next)).size, of: this.all.length };
  }

  private readersOf({ names }: Changed): Set<Said> {
    this.prepare();
    const readers = new Set<Said>();
    for (const name of names) for (const said of this.readers?.get(name) ?? []) readers.add(said);
    return readers;
  }

  /** What is not met after a change: the same as `verify` says of it. */
  after(next: Circuit): NotMet {
    const changed = changedBetween(this.circuit, next);
    const { added, gone } = changed;
    const again = this.readersOf(changed);
    const over = (of: Collection | null, list: ReadonlyMap<Collection, readonly string[]>) =>
      (of && list.get(of)) ?? [];
    const broken: Result[] = [];
    const take = (results: readonly Result[]) => {
      for (const one of results) if (one.severity !== null) broken.push(one);
    };
    const lost = new Set<Said>();
    for (const piece of PIECES) {
      for (const id of over(piece.of, gone)) {
        const said = this.byPiece.get(piece)?.get(id);
        if (said) lost.add(said);
      }
      for (const id of over(piece.of, added)) take(judged(piece, next, id));
    }
    for (const said of this.unmet) if (!lost.has(said) && !again.has(said)) take(said.results);
    for (const said of again) if (!lost.has(said)) take(judged(said.piece, next, said.id));
    return findingsAmong(broken);
  }
}

/**
 * Whoever tries changes of a circuit tries them against the same; its verdict is `verify`'s.
 * @param before that of a circuit much like it, which makes this one quick
 */
export const tryingOf = perOwner((circuit: Circuit, before?: Trying | null) =>
  before ? before.next(circuit) : new Trying(circuit),
);
