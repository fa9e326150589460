/** Bringing the build up: its sheet, what was measured, what that points to, and the simulated bench. */
import type { Reading } from '@idle-breadboard/core/bench';
import {
  isInside,
  seenOtherwise,
  type BringUpSheet,
  type LogEntry,
  type SheetRow,
} from '@idle-breadboard/core/deliver';
import { say } from '@idle-breadboard/core/words';
import type { Remote } from 'comlink';
import type { IntakeWorker } from '../worker/intake';
import type { BenchWorker, Cause, Look, Pointed } from '../worker/bench';
import { Thread } from '../worker/thread';
import { threads } from '../worker/threads';
import { setSetting, setting } from '../store/db';
import { logbook } from './logbook.svelte';
import { telling } from './telling.svelte';
import { workbench } from './workbench.svelte';

/** Longer titles are cut in the logbook. */
const MOST_OF_A_TITLE = 400;

/** Whether somebody went on all the same after it was measured. */
const overruled = (row: string, at: string): boolean =>
  logbook.own.some((entry) => entry.kind === 'overruled' && entry.row === row && entry.at > at);

class Bringing {
  sheet = $state.raw<BringUpSheet | null>(null);
  private asked = '';
  private readonly thread = new Thread<BenchWorker>(threads.bench);
  /** Reads files while the bench is at work. */
  readonly intake = new Thread<IntakeWorker>(threads.intake);
  trouble = $state('');

  /** Rows for two probes that somebody put anywhere. */
  touched = $state.raw<readonly SheetRow[]>([]);
  places = $state.raw<readonly string[]>([]);
  /** What the oscilloscope shows on the simulated bench, by row. */
  looks = $state.raw<ReadonlyMap<string, Look>>(new Map());

  pointed = $state.raw<Pointed | null>(null);
  /** 0 to 1 while the dictionary is made; null else. */
  making = $state<number | null>(null);

  /** The simulated bench: off, or the kind of fault that is in. */
  bench = $state<'off' | 'sound' | 'drawn' | 'chosen'>('off');
  revealed = $state.raw<{ cause: Cause | null; fewest: number; taken: number } | null>(null);

  readonly rows = $derived(new Map([...(this.sheet?.rows ?? []), ...this.touched].map((row) => [row.key, row])));
  /** What counts as evidence: measured since the last thing was mended. */
  readonly evidence = $derived(
    [...logbook.values.values()].flatMap((entry): LogEntry[] => {
      const row = this.rows.get(entry.row ?? '');
      if (!row || entry.value === undefined || logbook.isOld(entry)) return [];
      // What is expected may have changed with the plan since it was written down.
      return [{ ...entry, inside: isInside(row.expected, entry.value) }];
    }),
  );
  readonly outside = $derived(this.evidence.filter(({ inside }) => inside === false));
  /** What is known of standard rows that nobody measured; a build in order is brought up by these without a meter. */
  readonly seen = $derived.by(() => {
    const circuit = workbench.study?.circuit;
    const read = new Set(this.evidence.map(({ row }) => row));
    const unread = new Set(this.standard.flatMap(({ key }) => (read.has(key) ? [] : [key])));
    const inside = this.evidence.flatMap(({ row, inside: is }) => (row !== undefined && is ? [row] : []));
    const all = circuit && this.sheet && seenOtherwise(circuit, this.sheet, new Set(inside));
    return new Map([...(all ?? [])].filter(([key]) => unread.has(key)));
  });
  /** What forbids to go on: outside before power, or a voltage that is outside under it; null where nothing does. */
  readonly stop = $derived.by(() => {
    const found = this.outside.flatMap((entry) => {
      const row = this.rows.get(entry.row ?? '');
      return row && !overruled(row.key, entry.at) ? [{ row, entry }] : [];
    });
    const live = found.filter(({ row }) => row.phase === 'power' && row.kind === 'volts');
    if (live.length > 0) return { live: true, rows: live };
    const off = found.filter(({ row }) => row.phase === 'off');
    return off.length > 0 ? { live: false, rows: off } : null;
  });
  /** Key of the row that somebody is at. */
  private at = $state<string | null>(null);
  /** Somebody is at a row, and it is not only the next in turn. */
  readonly isHeld = $derived(this.at !== null);
  /** The row in hand: where somebody is, what tells most, or the first that is not measured yet. */
  readonly current = $derived.by<SheetRow | null>(() => {
    const rows = this.sheet?.rows ?? [];
    const next = this.pointed?.settled ? undefined : this.pointed?.next[0]?.row;
    const held = this.rows.get(this.at ?? '') ?? this.rows.get(next ?? '');
    if (held) return held;
    const seen = new Set(this.evidence.map(({ row }) => row));
    return (
      rows.find(({ standard, key }) => standard && !seen.has(key) && !this.seen.has(key)) ??
      rows.find(({ standard, key }) => standard && !seen.has(key)) ??
      rows.find(({ standard }) => standard) ??
      null
    );
  });
  readonly standard = $derived((this.sheet?.rows ?? []).filter(({ standard }) => standard));
  readonly done = $derived(
    this.standard.filter(({ key }) => this.evidence.some((e) => e.row === key && e.inside)).length,
  );

  /** Takes a row in hand. */
  hold(row: string | null): void {
    this.at = row;
  }

  get worker(): Remote<BenchWorker> {
    return this.thread.calls;
  }

  async ask(): Promise<void> {
    const document = workbench.document;
    const fingerprint = workbench.study?.fingerprint;
    if (!document || !fingerprint) return;
    // A copy of a plan has its fingerprint, and a bench of its own.
    const wanted = `${document.plan.id} ${fingerprint}`;
    if (wanted === this.asked) return;
    this.asked = wanted;
    this.trouble = '';
    try {
      const { cards, plan } = document;
      const sheet = await this.thread.newest((calls) => calls.prepare(plan, this.thread.fresh(cards)), 'sheet');
      if (this.asked !== wanted) return;
      this.sheet = sheet;
      this.touched = [];
      this.at = null;
      this.looks = new Map();
      if (sheet) this.places = await this.worker.places();
      this.pointed = null;
      this.revealed = null;
      await this.restore();
      void this.find();
      if (!sheet)
        this.trouble =
          'There is no layout yet, so that nobody knows where to put a probe. Wiring says what is in the way.';
    } catch (error) {
      this.trouble = error instanceof Error ? error.message : String(error);
    }
  }

  /** Writes values down, each beside what was expected. */
  async log(
    values: readonly { row: SheetRow; value: Reading }[],
    by: NonNullable<LogEntry['by']>,
    byProgram = false,
  ): Promise<void> {
    await logbook.add(
      values.map(({ row, value }) => ({
        kind: 'measured',
        title: say(row.title),
        row: row.key,
        value,
        ...(typeof row.expected === 'string' ? {} : { unit: row.expected.unit }),
        expected: typeof row.expected === 'string' ? row.expected : { ...row.expected, sum: say(row.expected.sum) },
        inside: isInside(row.expected, value),
        by,
        ...(byProgram ? { program: true as const } : {}),
      })),
    );
    // What is measured is let go: the next one comes into hand.
    if (values.some(({ row }) => row.key === this.at)) this.at = null;
    void this.find();
  }

  /** Two probes at places as they are typed. @returns their row, or why there is none */
  async touch(kind: 'ohms' | 'volts', from: string, to: string): Promise<{ row: SheetRow } | { says: string }> {
    const found = await this.worker.touch(kind, from, to);
    if ('says' in found) return found;
    const { row } = found;
    // What is on the sheet anyway stays where it is.
    if (!row.standard) this.touched = [row, ...this.touched.filter(({ key }) => key !== row.key)];
    if (this.bench !== 'off') await this.read([row]);
    return found;
  }

  /** Rows that were touched in an earlier session come back with what was written down for them. */
  private async recall(): Promise<void> {
    if (!this.sheet) return;
    const lost = [...logbook.values.keys()].filter((key) => !this.rows.has(key));
    if (lost.length === 0) return;
    const found = await this.worker.touched(lost);
    const there = new Set(this.touched.map(({ key }) => key));
    this.touched = [...this.touched, ...found.filter(({ key }) => !there.has(key))];
  }

  /** What the evidence points to. */
  async find(): Promise<void> {
    await this.recall();
    if (this.evidence.length === 0) {
      this.pointed = null;
      return;
    }
    const observations = this.evidence.flatMap(({ row, value, program }) =>
      row !== undefined && value !== undefined
        ? [{ measurement: row, value, ...(program ? { byProgram: true as const } : {}) }]
        : [],
    );
    const found = await this.thread.newest(
      (calls, whileNewest) =>
        calls.find(
          observations,
          whileNewest((share) => (this.making = share)),
        ),
      'causes',
    );
    this.making = null;
    if (found) this.pointed = found;
  }

  async read(rows: readonly SheetRow[]): Promise<void> {
    const values = await Promise.all(rows.map(async (row) => ({ row, value: await this.worker.read(row.key) })));
    const edges = rows.filter(({ kind }) => kind === 'edge');
    const looks = await Promise.all(
      edges.map(async ({ key }) => [key, await this.worker.look(key.slice('edge:'.length))] as const),
    );
    this.looks = new Map([...this.looks, ...looks.flatMap(([key, look]) => (look ? [[key, look] as const] : []))]);
    await this.log(
      values.flatMap(({ row, value }) => (value === null ? [] : [{ row, value }])),
      'bench',
    );
  }

  /** Somebody put right what forbade to go on: what was measured before tells nothing any more. */
  async mended(): Promise<void> {
    const titles = this.stop?.rows.map(({ row }) => say(row.title)) ?? [];
    await logbook.add([{ kind: 'mended', title: titles.join('; ').slice(0, MOST_OF_A_TITLE) }]);
    this.pointed = null;
  }

  /** Somebody goes on all the same, and says why: it stands in the logbook. */
  async overrule(reason: string): Promise<void> {
    const { stop } = this;
    if (!stop) return;
    await logbook.add(
      stop.rows.map(({ row }) => ({ kind: 'overruled' as const, title: say(row.title), row: row.key, text: reason })),
    );
    telling.say('It stands in the logbook, with your reason.');
  }

  private get settingKey(): string {
    return `bench:${workbench.plan?.id ?? ''}`;
  }

  /** What was on the simulated bench is on it again after a reload, the hidden fault included. */
  private async restore(): Promise<void> {
    const kept = await setting(this.settingKey);
    if (!this.sheet || !kept) this.show('off');
    else {
      const { fault, seed } = JSON.parse(kept) as { fault: string | null; seed: number };
      await this.place(fault, seed);
    }
  }

  private show(bench: Bringing['bench']): void {
    this.looks = new Map();
    this.bench = bench;
    logbook.simulated = bench !== 'off';
  }

  private async place(fault: string | null, seed: number): Promise<void> {
    if (fault === null) this.making = 0;
    const there = await this.worker.put(fault, seed);
    this.making = null;
    this.show(!there ? 'sound' : fault === null ? 'drawn' : 'chosen');
  }

  /** Puts a fault into the simulated build: "" none, null one that is drawn, or the one with that key. */
  async put(fault: string | null): Promise<void> {
    this.revealed = null;
    const seed = Date.now() % 1_000_000;
    await this.place(fault, seed);
    await setSetting(this.settingKey, JSON.stringify({ fault, seed }));
    // What another simulated build showed says nothing about this one.
    if (this.evidence.length > 0)
      await logbook.add([{ kind: 'mended', title: 'another build on the simulated bench' }]);
    this.pointed = null;
    telling.say(
      fault === null
        ? 'One fault is hidden in the simulated build. Read what you need, and name it.'
        : 'The build is on the simulated bench.',
    );
  }

  /** Back to the real build and what was measured on it. */
  async switchOff(): Promise<void> {
    this.show('off');
    this.revealed = null;
    await setSetting(this.settingKey, '');
    await this.find();
  }

  async reveal(): Promise<void> {
    const told = await this.worker.reveal();
    if (told) this.revealed = { ...told, taken: this.evidence.length };
  }

  /** What was wrong is right again: what was measured before tells nothing any more. */
  async mend(cause: Cause): Promise<void> {
    await logbook.add([
      { kind: 'found', title: cause.says },
      { kind: 'mended', title: cause.mend },
    ]);
    if (this.bench !== 'off') {
      const seed = Date.now() % 1_000_000;
      await this.place('', seed);
      await setSetting(this.settingKey, JSON.stringify({ fault: '', seed }));
    }
    this.pointed = null;
  }
}

export const bringing = new Bringing();
