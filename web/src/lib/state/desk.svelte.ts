/** The desk at which a part of one's own is entered. Whatever is typed is in the store at once. */
import type { Card, Source } from '@idle-breadboard/core/card';
import { say } from '@idle-breadboard/core/words';
import {
  beginDraft,
  cardFrom,
  judge,
  lackingIn,
  moreOf,
  openDraft,
  questionsOf,
  standingOf,
  titleOf,
  treeOf,
  withConfirmed,
  withNone,
  withPrint,
  withReading,
  withSheet,
  withSource,
  type Answer,
  type ClassId,
  type Draft,
  type Measurement,
  type PrintedHeader,
  type Question,
  type SheetFigure,
} from '@idle-breadboard/core/workshop';
import { shelf, type StoredDraft } from '../store/db';
import { drawer } from './drawer.svelte';
import { hold } from './held';
import { reviews } from './reviews.svelte';

const MEMORY: Source = { kind: 'memory', title: 'entered by hand' };
/** Title of the source of what is assumed. */
const TYPICAL = 'what such parts have';
const UNNAMED = 'unnamed part';
/** ms between the last letter and the store. */
const TYPING_PAUSE = 250;

export const keyOfQuestion = ({ places }: Question): string => places.join('|');

class Desk {
  private stored = $state.raw<StoredDraft | null>(null);
  private letGo: (() => void) | null = null;
  private pause: ReturnType<typeof setTimeout> | undefined;
  private saving: Promise<unknown> = Promise.resolve();

  /** Drafts that were left, the last one first. */
  drafts = $state.raw<readonly StoredDraft[]>([]);
  /** Key of the question in hand. */
  current = $state<string | null>(null);
  /** Whether everything that a card can say is shown, or what is asked. */
  whole = $state(false);
  photo = $state.raw<Blob | null>(null);
  /** Why a draft was not opened, or not kept. */
  trouble = $state('');

  draft = $derived<Draft | null>(this.stored?.draft ?? null);
  isOpen = $derived(this.stored !== null);
  /** True from the wish for a draft until it is open, or is not opened. */
  opening = $state(false);
  /** Id of the card that it is a new revision of. */
  revises = $derived(this.stored?.card ?? null);
  source = $derived<Source>(this.stored?.source ?? MEMORY);
  stock = $derived(this.stored?.stock ?? 0);
  typing = $derived(this.stored?.typing ?? {});
  /** What was taken from its sheet, and where each figure went. */
  sheet = $derived(this.stored?.sheet ?? null);
  name = $derived(nameOf(this.draft));

  read = $derived(treeOf(this.draft?.answers ?? new Map<string, Answer>(), MEMORY));
  asked = $derived<readonly Question[]>(this.draft ? questionsOf(this.draft.cls, this.draft.answers) : []);
  more = $derived<readonly Question[]>(this.draft && this.whole ? moreOf(this.draft.cls, this.draft.answers) : []);
  questions = $derived<readonly Question[]>([...this.asked, ...this.more]);
  question = $derived<Question | null>(
    this.questions.find((one) => keyOfQuestion(one) === this.current) ?? this.next(null),
  );
  open = $derived(this.asked.filter((one) => this.standing(one) === 'open').length);
  built = $derived(this.draft ? cardFrom(this.draft, this.id, this.revision, MEMORY, TYPICAL) : null);
  lacking = $derived(this.draft && this.built ? lackingIn(this.draft, this.built) : { lacks: [], others: [] });
  card = $derived<Card | null>(this.built?.ok ? this.built.card : null);
  /** Questions whose answer cannot be read. */
  unread = $derived(
    this.questions.filter(({ places }) => this.read.problems.some(({ place }) => places.includes(place))),
  );
  doubts = $derived(this.card ? judge(this.card) : []);

  private get id(): string {
    return this.revises ?? drawer.freeId(this.name);
  }
  private get revision(): number {
    const known = this.revises === null ? undefined : drawer.cards.get(this.revises);
    return (known?.revision ?? 0) + 1;
  }

  standing = (question: Question) => (this.draft ? standingOf(this.draft, question) : 'open');
  title = (question: Question): string => say(titleOf(question, this.read.tree));
  /** What is wrong with an answer. */
  problemsAt = (question: Question): string[] => {
    const key = keyOfQuestion(question);
    const unread = this.read.problems.filter(({ place }) => question.places.includes(place));
    const wrong = this.lacking.others.filter((one) => one.question && keyOfQuestion(one.question) === key);
    return [...new Set([...unread, ...wrong].map(({ says }) => say(says)))];
  };
  doubtsAt = ({ places }: Question): string[] => [
    ...new Set(this.doubts.filter(({ place }) => places.includes(place)).map(({ says }) => say(says))),
  ];

  /** The question after one that waits for an answer or for its confirmation; around the end. */
  next(after: Question | null): Question | null {
    const list = this.asked;
    const at = after ? list.findIndex((one) => keyOfQuestion(one) === keyOfQuestion(after)) : -1;
    const around = [...list.slice(at + 1), ...list.slice(0, at + 1)];
    return around.find((one) => ['open', 'proposed'].includes(this.standing(one))) ?? null;
  }

  async refresh(): Promise<void> {
    this.drafts = await shelf.drafts.orderBy('changed').reverse().toArray();
  }

  private async take(find: () => Promise<StoredDraft | undefined>): Promise<boolean> {
    this.opening = true;
    try {
      const stored = await find();
      return stored ? await this.openStored(stored) : false;
    } finally {
      this.opening = false;
    }
  }

  private async openStored(stored: StoredDraft): Promise<boolean> {
    await this.leave();
    const letGo = await hold(`draft ${stored.id}`);
    if (!letGo) {
      this.trouble = 'This draft is open in another tab. Close it there, or go on there.';
      return false;
    }
    this.trouble = '';
    this.letGo = letGo;
    this.stored = stored;
    this.photo = (await shelf.partPhotos.get(stored.id))?.image ?? null;
    this.current = null;
    this.whole = false;
    // What came from a sheet is kept before anything is typed.
    if (stored.sheet) this.put({});
    return true;
  }

  private begun(draft: Draft, card: string | null): StoredDraft {
    return {
      id: crypto.randomUUID(),
      changed: Date.now(),
      draft,
      card,
      typing: {},
      source: MEMORY,
      stock: card === null ? 0 : (drawer.stock[card] ?? 0),
      sheet: null,
    };
  }

  begin = (cls: ClassId): Promise<boolean> => this.take(() => Promise.resolve(this.begun(beginDraft(cls), null)));

  /** A card in the form in which it would have been entered. @param as its next revision, or as a card of its own */
  revise = (card: Card, as: 'revision' | 'copy'): Promise<boolean> =>
    this.take(async () => {
      const draft = openDraft(card);
      if (as === 'revision') {
        const begun = this.begun(draft, card.id);
        const photo = await shelf.partPhotos.get(card.id);
        if (photo) await shelf.partPhotos.put({ ...photo, id: begun.id });
        return begun;
      }
      const name: Answer = { said: `${card.name}, copy`.slice(0, 80) };
      return this.begun({ ...draft, answers: new Map([...draft.answers, ['name', name]]) }, null);
    });

  /**
   * A part with what was read of its sheet. A draft that began with the same review goes on with what was taken since.
   * @param source of what is typed next
   */
  fromSheet = (
    cls: ClassId,
    name: string,
    taken: readonly SheetFigure[],
    review: string | null,
    source: Source,
  ): Promise<boolean> =>
    this.take(async () => {
      const all = review === null ? [] : await shelf.drafts.toArray();
      const known = all.find(({ sheet, draft }) => sheet?.review === review && draft.cls === cls);
      if (known) {
        const there = new Set(known.sheet?.figures.map(({ figure }) => figure.id));
        const figures = [...(known.sheet?.figures ?? []), ...taken.filter(({ figure }) => !there.has(figure.id))];
        return this.laid({ ...known, sheet: { review, figures } });
      }
      const draft = beginDraft(cls);
      const answers = new Map([...draft.answers, ['name', { said: name }]]);
      const begun = this.begun({ ...draft, answers }, null);
      return this.laid({ ...begun, source, sheet: { review, figures: taken } });
    });

  /** With what the sheet says at every question that there is by now. */
  private laid(stored: StoredDraft): StoredDraft {
    if (!stored.sheet) return stored;
    const { draft, figures } = withSheet(stored.draft, stored.sheet.figures);
    return { ...stored, draft, sheet: { ...stored.sheet, figures } };
  }

  resume = (id: string): Promise<boolean> => this.take(() => shelf.drafts.get(id));

  private put(change: Partial<StoredDraft>): void {
    if (!this.stored) return;
    const stored = { ...this.stored, ...change, changed: Date.now() };
    this.stored = stored;
    this.saving = this.saving
      .then(() => shelf.drafts.put(stored))
      .catch((error: unknown) => {
        this.trouble = `The draft could not be kept: ${error instanceof Error ? error.message : 'unknown'}.`;
      });
  }

  private change(change: (draft: Draft) => Draft, settles: readonly string[] = []): void {
    if (!this.stored) return;
    const typing = Object.fromEntries(Object.entries(this.typing).filter(([key]) => !settles.includes(key)));
    const { draft, sheet } = this.laid({ ...this.stored, draft: change(this.stored.draft) });
    this.put({ draft, sheet, typing });
  }

  setHeaders = (headers: readonly PrintedHeader[]): void =>
    this.change((draft) => withPrint(draft, { headers }), ['headers']);
  setTable = (table: string): void => this.change((draft) => withPrint(draft, { table }), ['table']);
  answer(question: Question, said: Answer['said'], source: Source = this.source): void {
    const isText = typeof said === 'string';
    if (isText && said.trim() === '')
      this.change((draft) => withNone(draft, question, false), [keyOfQuestion(question)]);
    else this.change((draft) => withSource(draft, question, { said, source }), [keyOfQuestion(question)]);
  }
  confirm = (question: Question): void => this.change((draft) => withConfirmed(draft, question.places));
  none = (question: Question, is: boolean): void =>
    this.change((draft) => withNone(draft, question, is), [keyOfQuestion(question)]);
  measured = (measurement: Measurement, reading: number): void =>
    this.change((draft) => withReading(draft, measurement, reading, say(measurement.by)));
  setSource = (source: Partial<Source>): void => {
    const next = { ...this.source, ...source };
    const title = next.title.trim() === '' ? MEMORY.title : next.title;
    this.put({
      source: next.page === undefined ? { kind: next.kind, title } : { kind: next.kind, title, page: next.page },
    });
  };
  setStock = (stock: number): void => this.put({ stock });
  async setPhoto(photo: Blob | null): Promise<void> {
    if (!this.stored) return;
    this.photo = photo;
    if (photo) await shelf.partPhotos.put({ id: this.stored.id, image: photo });
    else await shelf.partPhotos.delete(this.stored.id);
  }

  /** Keeps what is being typed, so that not even a killed tab loses it. */
  type(key: string, text: string): void {
    if (!this.stored) return;
    this.stored = { ...this.stored, typing: { ...this.typing, [key]: text } };
    clearTimeout(this.pause);
    this.pause = setTimeout(() => {
      this.pause = undefined;
      this.put({});
    }, TYPING_PAUSE);
  }

  /** Leaves the draft where it is. */
  async leave(): Promise<void> {
    // What waits for the pause after the last letter is put away now.
    if (this.pause !== undefined) this.put({});
    clearTimeout(this.pause);
    this.pause = undefined;
    await this.saving;
    this.letGo?.();
    this.letGo = null;
    this.stored = null;
    this.photo = null;
    await this.refresh();
  }

  /** Throws the draft away. */
  async drop(id = this.stored?.id): Promise<void> {
    if (id === undefined) return;
    if (id === this.stored?.id) await this.leave();
    await shelf.transaction('rw', shelf.drafts, shelf.partPhotos, async () => {
      await shelf.drafts.delete(id);
      await shelf.partPhotos.delete(id);
    });
    await this.refresh();
  }

  /** Puts the card into the drawer, and ends the draft. @returns null where it is no card yet */
  async keep(): Promise<Card | null> {
    const [card, draft] = [this.card, this.stored];
    if (!card || !draft) return null;
    const [kept = card] = await drawer.keep([card]);
    drawer.setStock(kept.id, draft.stock);
    if (this.photo) await shelf.partPhotos.put({ id: kept.id, image: this.photo });
    const review = draft.sheet?.review;
    await this.drop();
    if (review) await reviews.drop(review);
    return kept;
  }
}

/** The name of what is entered, or that it has none yet. */
export function nameOf(draft: Draft | null): string {
  const said = draft?.answers.get('name')?.said;
  return typeof said === 'string' && said.trim() !== '' ? said.trim() : UNNAMED;
}

export const desk = new Desk();
