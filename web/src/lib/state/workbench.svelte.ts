/** The open plan, its history and its save state: the one place where state lives. */
import type { Card, Library } from '@idle-breadboard/core/card';
import { deriveCircuit, type Circuit } from '@idle-breadboard/core/circuit';
import type { Overview } from '@idle-breadboard/core/overview';
import {
  buyingOf,
  documentOf,
  emptyPlan,
  freshPlan,
  referenceProblems,
  slug,
  type Plan,
  type PlanDocument,
  type Problem,
} from '@idle-breadboard/core/plan';
import type { Answer } from '@idle-breadboard/core/solve';
import type { Result } from '@idle-breadboard/core/verify';
import { say } from '@idle-breadboard/core/words';
import { deletePlan, loadPlan, setSetting, setting, shelf, storeStep, type StoredPlan } from '../store/db';
import { fillShelf, putPlan, shelved, type ShelfEntry, type Step } from '../store/shelved';
import { beginsToOpen, failedToOpen, hasFailed, openedWell } from '../store/opened';
import { drawer } from './drawer.svelte';
import type { Study, StudyWorker } from '../worker/study';
import { Thread } from '../worker/thread';
import { threads } from '../worker/threads';

class Workbench {
  /** Cards of the open plan, in the versions that it was made with. */
  private own = $state.raw<readonly Card[]>([]);
  private steps = $state.raw<readonly Step[]>([]);
  private at = $state(0);
  private readonly thread = new Thread<StudyWorker>(threads.study);
  private revision = 0;
  private saving = Promise.resolve();
  /** Index of the oldest kept step in the store. */
  private offset = 0;

  study = $state.raw<Study | null>(null);
  /** True from a change until its verdict is there. */
  stale = $state(false);
  savedAt = $state<Date | null>(null);
  saveTrouble = $state('');
  /** Name of the plan that was not opened at the start, because it failed before. */
  leftOut = $state('');
  /** Why the open plan could not be worked out; empty while it could. */
  trouble = $state('');
  /** Changes that are not in the store yet. */
  unsaved = $state(0);
  ready = $state(false);
  plans = $state.raw<readonly ShelfEntry[]>([]);
  /** What went wrong with a file, with the name of the file. */
  refusal = $state.raw<{ file: string; problems: readonly Problem[] } | null>(null);
  /** Milliseconds from the last change to its verdict, for the benchmark. */
  lastEdit = $state(0);
  /** Number of the change whose verdict is shown. */
  shown = $state(0);

  plan = $derived<Plan | null>(this.steps[this.at]?.plan ?? null);
  canUndo = $derived(this.at > 0);
  canRedo = $derived(this.at < this.steps.length - 1);
  undoWhat = $derived(this.steps[this.at]?.why ?? '');
  redoWhat = $derived(this.steps[this.at + 1]?.why ?? '');

  /** Every card that may be used: the drawer's, and before them those that the plan was made with. */
  library = $derived.by<Library>(() => {
    const pinned = documentOf(this.plan ?? emptyPlan('none', 'none'), this.own).cards;
    const first = new Map([...this.own].reverse().map((card) => [card.id, card] as const));
    return new Map([...drawer.cards, ...first, ...pinned.map((card) => [card.id, card] as const)]);
  });

  /** The open plan with the cards that it uses. */
  document = $derived.by<PlanDocument | null>(() => (this.plan ? documentOf(this.plan, this.own, this.library) : null));

  /**
   * @param demo gives the plans for an empty shelf
   * @param asked plan that the address names; null for the shelf, undefined for the one that was open last
   */
  async start(
    catalogue: Library,
    demo: () => Promise<readonly PlanDocument[]>,
    asked: string | null | undefined,
  ): Promise<void> {
    await drawer.start(catalogue);
    this.own = [];
    await fillShelf(demo);
    await this.refresh();
    const last = asked === undefined ? await setting('open') : asked;
    try {
      if (await hasFailed(last)) this.leftOut = this.plans.find(({ id }) => id === last)?.name ?? '';
      else if (this.plans.some(({ id }) => id === last)) await this.open(String(last));
    } finally {
      // Whatever happens to that plan, the shelf is there.
      this.ready = true;
    }
  }

  private refresh = async (): Promise<void> => void (this.plans = await shelved());

  async open(id: string): Promise<void> {
    await this.saving;
    const found = await loadPlan(id);
    if (!found) return;
    const first = found.steps[0]?.index ?? 0;
    this.own = found.plan.cards;
    this.steps = found.steps.map(({ plan, why }) => ({ plan, why }));
    this.at = Math.min(Math.max(0, found.plan.at - first), this.steps.length - 1);
    this.offset = first;
    [this.savedAt, this.study] = [new Date(found.plan.changed), null];
    [this.trouble, this.leftOut] = ['', ''];
    await setSetting('open', id);
    await beginsToOpen(id);
    await this.verify();
    if (this.trouble === '') await openedWell();
  }

  /** Back to the shelf: no plan is open. */
  async close(): Promise<void> {
    await this.saving;
    [this.steps, this.at] = [[], 0];
    [this.study, this.trouble, this.stale] = [null, '', false];
    this.revision++;
    await setSetting('open', '');
  }

  /** Takes a changed plan: history, verdict, store. */
  edit(plan: Plan, why: string): void {
    // Fields hand on whatever is typed: what is shown in them may be a verdict behind, so that only here is known
    // whether it changes anything.
    if (plan === this.plan || JSON.stringify(plan) === JSON.stringify(this.plan)) return;
    // Cards stay with the plan while any step of its history may need them.
    const key = ({ id, revision }: Card) => `${id} ${revision}`;
    const known = new Set(this.own.map(key));
    this.own = [...this.own, ...documentOf(plan, this.own, this.library).cards.filter((card) => !known.has(key(card)))];
    this.steps = [...this.steps.slice(0, this.at + 1), { plan, why }];
    this.at += 1;
    this.save(true);
    void this.verify();
  }

  /** Cards of the plan of which the drawer has a later revision. */
  newer = $derived.by<readonly { before: Card; after: Card }[]>(() => {
    if (!this.plan) return [];
    return documentOf(this.plan, this.own, this.library).cards.flatMap((before) => {
      const after = drawer.cards.get(before.id);
      return after && after.revision > before.revision ? [{ before, after }] : [];
    });
  });

  /** Takes the later revision of a card into the plan. @returns what the plan names that the revision no longer has */
  takeRevision(card: Card): readonly Problem[] {
    if (!this.plan) return [];
    const plan = { ...this.plan, revisions: { ...this.plan.revisions, [card.id]: card.revision } };
    const problems = referenceProblems(documentOf(plan, [...this.own, card], this.library));
    if (problems.length > 0) return problems;
    this.own = [...this.own, card];
    this.edit(plan, `take revision ${card.revision} of ${card.name}`);
    return [];
  }

  /** What a later revision of a card would end and bring in the plan, before it is taken. */
  async effectOfRevision(card: Card): Promise<{ names: string; ends: number; brings: readonly Result[] }> {
    const nothing = { names: '', ends: 0, brings: [] };
    if (!this.plan) return nothing;
    const plan = { ...this.plan, revisions: { ...this.plan.revisions, [card.id]: card.revision } };
    const document = documentOf(plan, [...this.own, card], this.library);
    const [problem] = referenceProblems(document);
    if (problem) return { ...nothing, names: say(problem.message) };
    const effect = await this.thread.calls.compare(plan, document.cards);
    return effect ? { names: '', ends: effect.ends.length, brings: effect.brings } : nothing;
  }

  /** The picture of a plan that was made of the open one; null once another was asked for. */
  async pictureOf(plan: Plan): Promise<Overview | null> {
    const { cards } = documentOf(plan, this.own, this.library);
    return this.thread.newest((calls) => calls.picture(plan, cards), 'picture');
  }

  undo(): void {
    if (!this.canUndo) return;
    this.at -= 1;
    this.save(false);
    void this.verify();
  }

  redo(): void {
    if (!this.canRedo) return;
    this.at += 1;
    this.save(false);
    void this.verify();
  }

  private save(step: boolean): void {
    const plan = this.plan;
    if (!plan) return;
    const index = this.at + this.offset;
    const why = this.steps[this.at]?.why ?? '';
    const stored: StoredPlan = { id: plan.id, name: plan.name, changed: Date.now(), at: index, cards: this.own };
    this.unsaved += 1;
    this.saving = this.saving
      .then(async () => {
        if (step) await storeStep(stored, { planId: plan.id, index, why, plan });
        else await shelf.plans.put(stored);
        this.savedAt = new Date();
        this.saveTrouble = '';
        await this.refresh();
      })
      .catch((error: unknown) => {
        this.saveTrouble = error instanceof Error ? error.message : 'unknown';
      })
      .finally(() => (this.unsaved -= 1))
      .then(() => undefined);
  }

  /** What failed may have left the thread with half of a plan. */
  private async fail({ id }: Plan, why: string): Promise<void> {
    [this.trouble, this.study, this.stale] = [why, null, false];
    this.thread.end();
    await failedToOpen(id);
  }

  private async verify(): Promise<void> {
    const plan = this.plan;
    if (!plan) return;
    const mine = ++this.revision;
    const began = performance.now();
    this.stale = true;
    const { cards } = documentOf(plan, this.own, this.library);
    let study: Study | null;
    try {
      study = await this.thread.newest((calls) => calls.study(plan, this.thread.fresh(cards)));
    } catch (error) {
      if (mine === this.revision) await this.fail(plan, error instanceof Error ? error.message : String(error));
      return;
    }
    // Meanwhile the plan may have been left.
    if (!study || this.plan === null) return;
    // A step back led out of it.
    if (this.trouble !== '') void openedWell();
    [this.trouble, this.study] = ['', study];
    this.shown = mine;
    this.stale = false;
    this.lastEdit = performance.now() - began;
  }

  /**
   * The circuit of the plan as it stands, also while its verdict is on the way: what is built on the circuit that is
   * shown would lose the change in between.
   */
  circuit(): Circuit | null {
    if (!this.plan) return null;
    return this.study && !this.stale
      ? this.study.circuit
      : deriveCircuit(documentOf(this.plan, this.own, this.library));
  }

  /** How the plan buys; as a new one does while none is open. */
  readonly buying = $derived(buyingOf(this.plan ?? emptyPlan('', '')));

  async remedies(finding: string): Promise<Answer | null> {
    return this.thread.calls.remedies(finding, [...this.library.values()]);
  }

  /** What other choices would do to the runtime of a pack. */
  async whatIfs(rail: string) {
    return this.thread.calls.whatIfs(rail, [...this.library.values()]);
  }

  /** What another plan would end and bring, against the one that is shown. */
  async effectOf(plan: Plan) {
    return this.thread.calls.compare(plan, documentOf(plan, this.own, this.library).cards);
  }

  async pinSheet(as: 'c' | 'python' | 'overlay'): Promise<string> {
    return this.thread.calls.pinSheet(as);
  }

  /** Pins for the plan as it stands; asked again when it changed meanwhile. */
  async assignPins() {
    for (;;) {
      const asked = this.plan;
      const answer = await this.thread.calls.assign();
      if (asked === this.plan) return answer;
    }
  }

  async readPack(text: string) {
    return this.thread.calls.readPack(text);
  }

  async writePack(cards: readonly Card[]): Promise<string> {
    return this.thread.calls.writePack(cards);
  }

  async cardProblems(card: Card): Promise<readonly Problem[]> {
    return this.thread.calls.cardProblems(card);
  }

  /** The file of the open plan, with exactly the cards that it uses. */
  async exported(): Promise<string> {
    return this.plan ? this.thread.calls.write(documentOf(this.plan, this.own, this.library)) : '';
  }

  /** Reads a plan file; what is open stays as it is unless the whole file is good. */
  async importFile(name: string, text: string): Promise<boolean> {
    const read = await this.thread.calls.read(text);
    if (!read.ok) {
      this.refusal = { file: name, problems: read.problems };
      return false;
    }
    this.refusal = null;
    const id = await putPlan(read.value);
    await this.refresh();
    await this.open(id);
    return true;
  }

  async create(name: string): Promise<void> {
    await this.openPlan(freshPlan(slug(name) || 'plan', name, drawer.cards, drawer.stock));
  }

  /** Puts a plan that is made of the drawer's cards on the shelf and opens it. */
  async openPlan(plan: Plan): Promise<void> {
    await this.openNew(documentOf(plan, [], drawer.cards));
  }

  async openNew(document: PlanDocument): Promise<void> {
    const id = await putPlan(document);
    await this.refresh();
    await this.open(id);
  }

  async duplicate(): Promise<void> {
    if (!this.plan) return;
    await this.openNew(
      documentOf({ ...this.plan, name: `${this.plan.name}, copy`.slice(0, 80) }, this.own, this.library),
    );
  }

  async remove(): Promise<void> {
    if (!this.plan) return;
    await this.saving;
    await deletePlan(this.plan.id);
    await this.close();
    await this.refresh();
  }
}

export const workbench = new Workbench();
