/** Puts the open plan into the store and says how that stands. "Saved" means stored; what another tab stored is never written over. */
import { addHistory, isEmptied, keepHistory, loadPlan, watchPlan, type History, type Kept } from '../store/history';
import { Emptied, Overtaken, Removed, troubleOf, type StoreTrouble } from '../store/trouble';

interface Owner {
  /** What is shown. */
  readonly history: () => History;
  /** Another tab changed the plan, and nothing here is unsaved. */
  readonly follow: (found: Kept) => void;
  /** What is here lies on the shelf as this plan of its own from now on: because another tab changed the plan while something here was unsaved, or because the store was emptied. */
  readonly part: (own: History, why: 'overtaken' | 'emptied') => void;
  /** Another tab removed the plan. */
  readonly removed: () => void;
  /** Once the last change is on the screen, or after a while: until then the processor belongs to that. */
  readonly calm: () => Promise<unknown>;
}

export class Saving {
  /** When what is shown was last known to be stored. */
  at = $state<Date | null>(null);
  trouble = $state.raw<StoreTrouble | null>(null);
  /** Changes that are not in the store yet. */
  unsaved = $state(0);

  /** What is in the store, as far as is known here. */
  private known: Kept | null = null;
  private running: Promise<void> = Promise.resolve();
  private unwatch: () => void = () => undefined;
  /** What is watched: news of what was watched before, still waiting for their turn, are of no plan that is open. */
  private watching: object | null = null;

  constructor(private readonly owner: Owner) {}

  /** A plan was read from the store: from here on it is watched. */
  begin(id: string, found: Kept): void {
    this.end();
    this.known = found;
    this.at = new Date(found.changed);
    const mine = (this.watching = {});
    // After what is being written: its own count would look like that of another.
    this.unwatch = watchPlan(id, (writes) => {
      this.running = this.running.then(() => (this.watching === mine ? this.look(id, writes) : undefined));
    });
  }

  end(): void {
    this.unwatch();
    this.watching = null;
    this.known = null;
    [this.at, this.trouble, this.unsaved] = [null, null, 0];
  }

  /** When everything that was asked for is done, well or not. */
  get done(): Promise<void> {
    return this.running;
  }

  /** Something was changed. */
  ask(): void {
    this.unsaved += 1;
    this.again();
  }

  /** Tries once more what was not stored. */
  again(): void {
    this.running = this.running.then(() => this.owner.calm()).then(() => this.write());
  }

  private async write(): Promise<void> {
    const [now, known, count] = [this.owner.history(), this.known, this.unsaved];
    // An earlier turn took this change with it, or the plan was left.
    if (!known || count === 0) return;
    try {
      const writes = await keepHistory(now, known);
      if (this.known !== known) return;
      this.known = { history: now, writes, changed: Date.now() };
      this.at = new Date(this.known.changed);
      this.trouble = null;
      this.unsaved -= count;
    } catch (error) {
      if (this.known !== known) return;
      if (error instanceof Removed) this.owner.removed();
      else if (error instanceof Overtaken) await this.part(now, 'overtaken');
      else if (error instanceof Emptied) await this.part(now, 'emptied');
      else this.trouble = troubleOf(error);
    }
  }

  /** Puts what is here beside what the other tab made, or back where nothing is left. */
  private async part(written: History, why: 'overtaken' | 'emptied'): Promise<void> {
    const before = written.steps[written.at]?.plan.name ?? '';
    const name = why === 'emptied' ? before : `${before.slice(0, 60)}, second version`;
    try {
      const stored = await addHistory(written, name);
      const plan = stored.steps[stored.at]?.plan;
      if (!plan) return;
      const now = this.owner.history();
      const own = new Map(written.steps.map((step, i) => [step, stored.steps[i]]));
      this.begin(plan.id, { history: stored, writes: 0, changed: Date.now() });
      // What was changed meanwhile belongs to it as well.
      const steps = now.steps.map(
        (step) => own.get(step) ?? { ...step, plan: { ...step.plan, id: plan.id, name: plan.name } },
      );
      this.owner.part({ ...now, steps }, why);
      if (now !== written) this.ask();
    } catch (error) {
      this.trouble = troubleOf(error);
    }
  }

  private async look(id: string, writes: number | null): Promise<void> {
    const { known } = this;
    if (!known || (writes !== null && writes <= known.writes)) return;
    if (writes === null) {
      // Emptied, it is put back with the next change.
      if (await isEmptied()) return;
      return this.owner.removed();
    }
    // What is unsaved here finds out by itself when it is written.
    if (this.unsaved > 0) return;
    const found = await loadPlan(id);
    if (!found || this.known !== known || this.unsaved > 0) return;
    this.known = found;
    this.at = new Date(found.changed);
    this.owner.follow(found);
  }
}
