/** The open plan, its history and its save state: the one place where state lives. */
import type { Card, Library } from '@idle-breadboard/core/card';
import type { Overview } from '@idle-breadboard/core/overview';
import {
  buyingOf,
  documentOf,
  emptyPlan,
  freshPlan,
  slug,
  type Plan,
  type PlanDocument,
  type Problem,
} from '@idle-breadboard/core/plan';
import type { Answer } from '@idle-breadboard/core/solve';
import { setSetting, setting } from '../store/db';
import { deletePlan, loadPlan, type History, type Kept } from '../store/history';
import { putPlan, shelved, watchShelf, type ShelfEntry } from '../store/shelved';
import { beginsToOpen, failedToOpen, hasFailed, openedWell } from '../store/opened';
import { calmAfter, soon } from './calm';
import { drawer } from './drawer.svelte';
import { isWhole, PlanHistory } from './history.svelte';
import { Rehearsal } from './rehearsal';
import { Saving } from './saving.svelte';
import { Studies } from './studies';
import { telling } from './telling.svelte';
import type { Study, StudyWorker } from '../worker/study';
import { Thread } from '../worker/thread';
import { threads } from '../worker/threads';

/** ms after which it is said that a verdict is not there yet. */
const LATE = 100;

class Workbench {
  private readonly history = new PlanHistory();
  readonly saving = new Saving({
    history: () => this.history.now,
    follow: (found) => this.follow(found),
    part: (own, why) => this.part(own, why),
    removed: () => void this.wasRemoved(),
    calm: () => calmAfter(this.judging),
  });
  private readonly thread = new Thread<StudyWorker>(threads.study);
  private readonly studies = new Studies(this.thread);
  private readonly rehearsal = new Rehearsal();
  private revision = 0;
  /** The verdict of the last change. */
  private judging: Promise<void> = Promise.resolve();

  study = $state.raw<Study | null>(null);
  /** True from a change until its verdict is there. */
  stale = $state(false);
  /** True where that takes long enough to be said: a word that comes and goes at once would only flicker. */
  late = $state(false);
  /** Why the open plan could not be worked out; empty while it could. */
  trouble = $state('');
  ready = $state(false);
  plans = $state.raw<readonly ShelfEntry[]>([]);
  /** What went wrong with a file, with the name of the file. */
  refusal = $state.raw<{ file: string; problems: readonly Problem[] } | null>(null);
  /** Milliseconds from the last change to its verdict, for the benchmark. */
  lastEdit = $state(0);
  /** Number of the change whose verdict is shown. */
  shown = $state(0);

  readonly plan = $derived(this.history.plan);
  readonly canUndo = $derived(this.history.canUndo);
  readonly canRedo = $derived(this.history.canRedo);
  readonly undoWhat = $derived(this.history.undoWhat);
  readonly redoWhat = $derived(this.history.redoWhat);
  /** Cards of the open plan, in the versions that it was made with. */
  private readonly own = $derived<readonly Card[]>(this.history.now.cards);

  /** Every card that may be used: the drawer's, and before them those that the plan was made with. */
  library = $derived.by<Library>(() => {
    const pinned = documentOf(this.plan ?? emptyPlan('none', 'none'), this.own).cards;
    const first = new Map([...this.own].reverse().map((card) => [card.id, card] as const));
    return new Map([...drawer.cards, ...first, ...pinned.map((card) => [card.id, card] as const)]);
  });

  /** The open plan with the cards that it uses. */
  document = $derived.by<PlanDocument | null>(() => (this.plan ? documentOf(this.plan, this.own, this.library) : null));

  /** A plan is going to be opened: what works it out is fetched beside the store. */
  warm(): void {
    void this.thread.calls;
  }

  /** @param asked plan that the address names; null for the shelf, undefined for the one that was open last */
  async start(asked: string | null | undefined): Promise<void> {
    await drawer.start();
    this.plans = await shelved();
    watchShelf((plans) => (this.plans = plans));
    const last = asked === undefined ? await setting('open') : asked;
    try {
      if (await hasFailed(last)) {
        // A thread that was fetched for it is not kept for others.
        this.thread.end();
        this.leaveOut(String(last), 'failed');
      } else if (this.plans.some(({ id }) => id === last)) await this.open(String(last));
    } finally {
      // Whatever happens to that plan, the shelf is there.
      this.ready = true;
    }
  }

  async open(id: string): Promise<void> {
    await this.left();
    const found = await loadPlan(id);
    if (!found || !isWhole(found.history)) {
      await this.close();
      return this.leaveOut(id, 'broken');
    }
    this.history.now = found.history;
    this.saving.begin(id, found);
    this.study = null;
    [this.trouble, telling.leftOut] = ['', null];
    await setSetting('open', id);
    await beginsToOpen(id);
    await this.verify();
    if (this.trouble === '') await openedWell();
  }

  private leaveOut(id: string, why: 'failed' | 'broken'): void {
    const there = this.plans.find((plan) => plan.id === id);
    if (there) telling.leftOut = { ...there, why };
  }

  /** Another tab changed the plan: it is shown as it is stored. */
  private follow({ history }: Kept): void {
    this.history.now = history;
    const last = history.steps.at(-1);
    telling.say(
      last && history.at === history.steps.length - 1
        ? `Done in another tab: ${last.why}.`
        : 'Another tab went back a step.',
    );
    void this.verify();
  }

  /** What is here is a plan of its own from now on. */
  private part(own: History, why: 'overtaken' | 'emptied'): void {
    this.history.now = own;
    if (why === 'overtaken') telling.apart = this.plan?.name ?? '';
    else telling.say('The browser’s store was emptied. The open plan is stored again.');
    void setSetting('open', this.plan?.id ?? '');
    void this.verify();
  }

  private async wasRemoved(): Promise<void> {
    const name = this.plan?.name ?? 'The plan';
    await this.close();
    telling.say(`${name} was removed in another tab.`);
  }

  /** Before another plan, or none: what could not be stored is tried once more, and said where it stays behind. */
  private async left(): Promise<void> {
    if (this.saving.trouble) this.saving.again();
    await this.saving.done;
    if (this.saving.trouble)
      telling.say(`The last changes of ${this.plan?.name ?? 'the plan'} could not be stored and are gone with it.`);
  }

  /** Back to the shelf: no plan is open. */
  async close(): Promise<void> {
    await this.left();
    this.saving.end();
    this.history.clear();
    [this.study, this.trouble, this.stale, this.late] = [null, '', false, false];
    this.revision++;
    await setSetting('open', '');
  }

  /** Takes a changed plan: history, verdict, store. @param more see cardsOf */
  edit(plan: Plan, why: string, more: readonly Card[] = []): void {
    if (this.rehearsal.takes(plan)) return;
    // Fields hand on whatever is typed: what is shown in them may be a verdict behind, so that only here is known
    // whether it changes anything.
    if (plan === this.plan || JSON.stringify(plan) === JSON.stringify(this.plan)) return;
    this.history.addCards(this.cardsOf(plan, more));
    this.history.add({ plan, why });
    this.saving.ask();
    this.judging = this.verify();
  }

  /** The picture of a plan that was made of the open one; null once another was asked for. */
  async pictureOf(plan: Plan): Promise<Overview | null> {
    return this.thread.newest((calls) => calls.picture(plan, this.cardsOf(plan)), 'picture');
  }

  undo = (): void => this.move(-1);
  redo = (): void => this.move(1);

  private move(by: 1 | -1): void {
    if (!this.history.move(by)) return;
    this.saving.ask();
    this.judging = this.verify();
    // Who goes a step back often goes another.
    void this.judging.then(() => soon(() => this.foreseeStep(by)));
  }

  /** A step that may be gone next. */
  foreseeStep(by: 1 | -1): void {
    this.foresee(this.history.planAt(by));
  }

  /** What failed may have left the thread with half of a plan. */
  private async fail({ id }: Plan, why: string): Promise<void> {
    [this.trouble, this.study, this.stale, this.late] = [why, null, false, false];
    this.thread.end();
    this.studies.forget();
    await failedToOpen(id);
  }

  /** A plan that may be the next one: worked out before it is. */
  foresee(plan: Plan | null): void {
    if (plan && plan !== this.plan && !this.stale) this.studies.foresee(plan, this.cardsOf(plan));
  }

  /** Somebody points at what would make a plan. */
  point(plan: Plan | null): void {
    if (plan && plan !== this.plan && !this.stale) this.studies.point(plan, this.cardsOf(plan));
  }

  /** The same of a handler that does nothing but edit. */
  rehearse(handler: () => unknown): void {
    if (!this.stale) this.point(this.rehearsal.of(handler));
  }

  /** @param more cards in versions that no step of the plan uses yet */
  cardsOf(plan: Plan, more: readonly Card[] = []): readonly Card[] {
    return documentOf(plan, [...this.own, ...more], this.library).cards;
  }

  private async verify(): Promise<void> {
    const plan = this.plan;
    if (!plan) return;
    const mine = ++this.revision;
    const began = performance.now();
    const cards = this.cardsOf(plan);
    const known = this.studies.known(plan, cards);
    if (known) this.show(known, mine, began);
    else this.stale = true;
    const wait = setTimeout(() => (this.late = this.stale), LATE);
    let study: Study | null;
    try {
      study = await this.studies.of(plan, cards);
    } catch (error) {
      if (mine === this.revision) await this.fail(plan, error instanceof Error ? error.message : String(error));
      return;
    }
    // Meanwhile the plan may have been changed, or left.
    if (!study || mine !== this.revision || this.plan === null) return;
    clearTimeout(wait);
    if (study !== this.study || this.stale) this.show(study, mine, began);
  }

  private show(study: Study, revision: number, began: number): void {
    // A step back led out of it.
    if (this.trouble !== '') void openedWell();
    [this.trouble, this.study, this.shown] = ['', study, revision];
    [this.stale, this.late] = [false, false];
    this.lastEdit = performance.now() - began;
  }

  /** How the plan buys; as a new one does while none is open. */
  readonly buying = $derived(buyingOf(this.plan ?? emptyPlan('', '')));

  async remedies(finding: string): Promise<Answer | null> {
    return this.thread.calls.remedies(finding, this.thread.fresh([...this.library.values()], 'library'));
  }

  /** What the thread of the open plan answers without being told of it. */
  get asks() {
    return this.thread.calls;
  }

  /** What other choices would do to the runtime of a pack. */
  async whatIfs(rail: string) {
    return this.thread.calls.whatIfs(rail, this.thread.fresh([...this.library.values()], 'library'));
  }

  /** What another plan would end and bring, against the one that is shown. */
  async effectOf(plan: Plan, more: readonly Card[] = []) {
    return this.thread.calls.compare(plan, this.cardsOf(plan, more));
  }

  /** Pins for the plan as it stands; asked again when it changed meanwhile. */
  async assignPins() {
    for (;;) {
      const asked = this.plan;
      const answer = await this.thread.calls.assign();
      if (asked === this.plan) return answer;
    }
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
    await this.openNew(read.value);
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
    await this.open(await putPlan(document));
  }

  async duplicate(): Promise<void> {
    if (!this.plan) return;
    await this.openNew(
      documentOf({ ...this.plan, name: `${this.plan.name}, copy`.slice(0, 80) }, this.own, this.library),
    );
  }

  async remove(): Promise<void> {
    if (!this.plan) return;
    const { id } = this.plan;
    // Before it is gone: it is not another tab that removes it.
    await this.close();
    await deletePlan(id);
  }
}

export const workbench = new Workbench();
