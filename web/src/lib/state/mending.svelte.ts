/** Mend all: the thread that works it out, the changes that it proposes, and which of them the maker takes. */
import { applyChanges, type Plan } from '@idle-breadboard/core/plan';
import type { Completion, Relaxation } from '@idle-breadboard/core/solve';
import { counted, say } from '@idle-breadboard/core/words';
import type { CompleteWorker } from '../worker/complete';
import type { Effect } from '../worker/study';
import { Thread } from '../worker/thread';
import { threads } from '../worker/threads';
import { telling } from './telling.svelte';
import { view } from './view.svelte';
import { workbench } from './workbench.svelte';

class Mending {
  running = $state(false);
  progress = $state('');
  /** What went wrong, as it was said. */
  trouble = $state('');
  /** True once a solution is known that could do. */
  known = $state(false);
  completion = $state.raw<Completion | null>(null);
  /** Ids of the changes that are left out. */
  private refused = $state.raw<ReadonlySet<string>>(new Set());
  /** What the chosen changes end and bring; null while it is worked out. */
  effect = $state.raw<Effect | null>(null);
  /** The plan that was given: any change of it makes the proposal worthless. */
  private given: Plan | null = null;
  private readonly thread = new Thread<CompleteWorker>(threads.complete);
  private asked = 0;

  /** Changes that are taken, those left out that nothing stands on without what was refused. */
  taken = $derived.by<ReadonlySet<string>>(() => {
    const kept = new Set<string>();
    for (const { id, needs } of this.completion?.changes ?? [])
      if (!this.refused.has(id) && needs.every((need) => kept.has(need))) kept.add(id);
    return kept;
  });

  async open(): Promise<void> {
    view.sheet = 'mend';
    const { document, library } = workbench;
    if (!document) return;
    this.stop();
    this.running = true;
    this.completion = null;
    this.effect = null;
    this.refused = new Set();
    this.given = document.plan;
    this.progress = 'Trying every part alone, in every way of wiring it.';
    this.known = false;
    this.trouble = '';
    const { plan, cards } = document;
    try {
      const found = await this.thread.newest((calls, whileNewest) =>
        calls.complete(
          plan,
          cards,
          [...library.values()],
          whileNewest(({ nodes, best }) => {
            this.known = best !== null;
            const so = best ? ` So far: ${counted(best.parts, 'part')} more, ${counted(best.changes, 'change')}.` : '';
            this.progress = `Deciding together, ${counted(nodes.toLocaleString('en'), 'step')}.${so}`;
          }),
        ),
      );
      if (!found) return;
      this.completion = found;
    } catch (error) {
      this.trouble = error instanceof Error ? error.message : String(error);
    }
    this.stop();
    await this.weigh();
  }

  /** Goes on with the best so far. */
  enough(): void {
    if (this.running) void this.thread.calls.enough();
  }

  toggle(id: string): void {
    const next = new Set(this.refused);
    if (next.has(id)) next.delete(id);
    else next.add(id);
    this.refused = next;
    void this.weigh();
  }

  /** The plan with the chosen changes. */
  private plan(): Plan | null {
    const { completion, given } = this;
    if (!completion || !given) return null;
    return this.taken.size === completion.changes.length
      ? completion.plan
      : applyChanges(given, completion.changes, this.taken);
  }

  private async weigh(): Promise<void> {
    const plan = this.plan();
    const mine = ++this.asked;
    this.effect = null;
    const effect = plan && (await workbench.effectOf(plan));
    if (mine === this.asked) this.effect = effect;
  }

  /** What was found for an older plan would take back what was changed since. */
  private overtaken(): boolean {
    if (workbench.plan === this.given) return false;
    telling.say('The plan changed meanwhile. Mend all again.');
    return true;
  }

  take(): void {
    const plan = this.plan();
    if (!plan || this.taken.size === 0) return;
    if (this.overtaken()) return;
    const count = this.taken.size;
    workbench.edit(plan, `mend all: ${counted(count, 'change')}`);
    view.sheet = null;
    telling.say(`${counted(count, 'change')} taken. One step back undoes them all.`);
  }

  /** Takes what would help, and begins anew. */
  async relax({ plan, label }: Relaxation): Promise<void> {
    if (this.overtaken()) return;
    workbench.edit(plan, say(label));
    await this.open();
  }

  stop(): void {
    this.thread.end();
    this.running = false;
  }
}

export const mending = new Mending();
