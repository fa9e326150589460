/** The logbook of the plan that is open: kept in the browser, entry by entry. */
import { latest, type LogEntry } from '@idle-breadboard/core/deliver';
import type { Logbook as LogbookFile } from '@idle-breadboard/core/files';
import { shelf } from '../store/db';
import { watch } from '../store/watch';
import { workbench } from './workbench.svelte';

type Draft = Omit<LogEntry, 'id' | 'plan' | 'build' | 'at' | 'fingerprint'>;

class Logbook {
  entries = $state.raw<readonly LogEntry[]>([]);
  private of = $state('');
  /** Nothing is shown as not measured before it is known what was. */
  readonly ready = $derived(this.of === (workbench.plan?.id ?? ''));

  readonly build = $derived(Math.max(1, ...this.entries.map(({ build }) => build)));
  /** True while the simulated bench takes the place of the real build: what either shows says nothing about the other. */
  simulated = $state(false);
  /** Entries of the build that is looked at, the real one or the simulated one; notes belong to both. */
  readonly world = $derived(
    this.entries.filter(({ kind, by }) => kind === 'note' || kind === 'photo' || (by === 'bench') === this.simulated),
  );
  readonly own = $derived(this.world.filter(({ build }) => build === this.build));
  /** What was mended last: what was measured before tells nothing about the build of now. */
  readonly since = $derived(this.own.filter(({ kind }) => kind === 'mended').at(-1)?.at ?? '');
  readonly values = $derived(latest(this.own, this.build));
  readonly signed = $derived(this.own.findLast(({ kind }) => kind === 'signed') ?? null);

  isOld(entry: LogEntry): boolean {
    return entry.at < this.since;
  }

  private unwatch: () => void = () => undefined;

  /** Takes up what is stored of the open plan, and again whatever another tab writes there. */
  async open(): Promise<void> {
    const plan = workbench.plan?.id ?? '';
    if (this.of === plan) return;
    const stored = async () => (plan === '' ? [] : shelf.log.where('plan').equals(plan).sortBy('at'));
    const entries = await stored();
    if ((workbench.plan?.id ?? '') !== plan) return;
    this.unwatch();
    this.entries = entries;
    this.of = plan;
    this.unwatch = watch(stored, (now) => (this.entries = now));
  }

  /** @param build 1 more than now begins a rebuild */
  async add(drafts: readonly Draft[], build = this.build): Promise<LogEntry[]> {
    const plan = workbench.plan?.id;
    if (!plan || drafts.length === 0) return [];
    const fingerprint = workbench.study?.fingerprint ?? '';
    // Entries of one moment keep their order.
    const now = Math.max(Date.now(), Date.parse(this.entries.at(-1)?.at ?? '') + 1 || 0);
    const made = drafts.map((draft, i): LogEntry => ({
      ...draft,
      ...(this.simulated ? { by: 'bench' as const } : {}),
      id: crypto.randomUUID(),
      plan,
      build,
      at: new Date(now + i).toISOString(),
      fingerprint,
    }));
    await shelf.transaction('rw', shelf.plans, shelf.log, async () => {
      // What is written of a plan that another tab removed would lie there for nobody.
      if (await shelf.plans.get(plan)) await shelf.log.bulkPut(made);
    });
    if (this.of === plan) this.show(made);
    return made;
  }

  async addPhoto(image: Blob, text: string): Promise<void> {
    const [entry] = await this.add([{ kind: 'photo', title: 'photo', text }]);
    if (entry) await shelf.photos.put({ id: entry.id, plan: entry.plan, image });
  }

  async photo(id: string): Promise<Blob | null> {
    return (await shelf.photos.get(id))?.image ?? null;
  }

  /**
   * Takes entries of a file into the logbook of the open plan; what is there stays as it is.
   * @returns how many were new
   */
  async take({ entries }: LogbookFile): Promise<number> {
    const plan = workbench.plan?.id;
    if (!plan) return 0;
    // An entry that another plan of this browser has is taken under a name of its own, not away from it.
    const there = await shelf.log.bulkGet(entries.map(({ id }) => id));
    const named = entries.map((entry, i): LogEntry => {
      const own = there[i] === undefined || there[i]?.plan === plan;
      return { ...entry, id: own ? entry.id : `${entry.id} ${plan}`, plan };
    });
    const known = new Set(this.entries.map(({ id }) => id));
    const fresh = named.filter(({ id }) => !known.has(id));
    await shelf.log.bulkPut(fresh);
    this.show(fresh);
    return fresh.length;
  }

  /** Shows what was stored before the store tells of it. */
  private show(stored: readonly LogEntry[]): void {
    const shown = new Set(this.entries.map(({ id }) => id));
    const all = [...this.entries, ...stored.filter(({ id }) => !shown.has(id))];
    this.entries = all.toSorted((a, b) => (a.at === b.at ? 0 : a.at < b.at ? -1 : 1));
  }

  async remove(id: string): Promise<void> {
    await shelf.transaction('rw', shelf.log, shelf.photos, async () => {
      await shelf.log.delete(id);
      await shelf.photos.delete(id);
    });
    this.entries = this.entries.filter((entry) => entry.id !== id);
  }
}

export const logbook = new Logbook();
