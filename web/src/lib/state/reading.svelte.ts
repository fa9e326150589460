/** A part being entered: what was read, what the maker took, and the card that comes of it. */
import {
  corrected,
  pastedPage,
  surenessOf,
  slotOf,
  type Box,
  type Evidence,
  type PageText,
  type Proposal,
  type SlotId,
  type Source,
} from '@idle-breadboard/core/card';
import { wordOf } from '@idle-breadboard/core/figures';
import type { PartProposals } from '@idle-breadboard/core/files';
import { classToldBy, type ClassId, type SheetFigure } from '@idle-breadboard/core/workshop';
import { counted, say, sayProblems } from '@idle-breadboard/core/words';
import { LARGEST_PDF, type Opened, type Picture, type ReaderWorker, type Spot } from '../reader/reader';
import type { StoredReview } from '../store/db';
import { documentOf, keepDocument } from '../store/reviews';
import { Thread } from '../worker/thread';
import { threads } from '../worker/threads';
import {
  areRivals,
  BY_HAND,
  changed,
  defined,
  inOrder,
  outcomesOf,
  overlaps,
  withoutBounds,
  type Decision,
  type Figure,
} from './review-figure';
import { learn, lessSure } from './slips';

type Kind = 'pdf' | 'paste' | 'csv';

class Reading {
  kind = $state<Kind>('pdf');
  phase = $state<'choose' | 'reading' | 'review'>('choose');
  message = $state('');
  /** Name of the file, or of the part in a table. */
  file = $state('');
  progress = $state({ page: 0, pages: 0 });
  pages = $state(0);
  readPages = $state(0);
  title = $state('');
  figures = $state.raw<readonly Figure[]>([]);
  /** The figure whose spot is shown. */
  selected = $state<string | null>(null);
  /** Where values stand that nothing was read from. */
  unreadSpots = $state.raw<readonly Spot[]>([]);
  /** The page that is turned to, where it is not that of the figure in hand. */
  turned = $state<number | null>(null);
  /** Counts up when the document is there whose pages are to be drawn. */
  shown = $state(0);
  /** What came of pointing at a spot. */
  picked = $state('');
  /** What was pasted, as the page that it was read from. */
  pasted = $state.raw<PageText | null>(null);
  /** Parts of a table that wait for their turn. */
  queue = $state.raw<readonly PartProposals[]>([]);
  unread = $state.raw<readonly string[]>([]);

  name = $state('');
  /** What the part is. */
  cls = $state<ClassId | null>(null);
  evidence = $state<Evidence>('datasheet');

  /** Under which it is kept until a card is made of it; none for a table of parts. */
  id = $state<string | null>(null);
  /** What is kept of it, so that neither Escape nor a killed tab loses it. */
  kept = $derived.by<StoredReview | null>(() => {
    if (this.id === null || this.kind === 'csv' || this.phase !== 'review') return null;
    const { id, kind, file, pages, readPages, title, name, cls, evidence } = this;
    const { figures, unreadSpots, pasted } = this;
    const about = { id, changed: Date.now(), kind, file, pages, readPages, title, name, cls, evidence };
    return { ...about, figures, unreadSpots, pasted };
  });

  private readonly thread = new Thread<ReaderWorker>(threads.read);

  current = $derived(this.figures.find(({ id }) => id === this.selected) ?? this.figures[0] ?? null);
  page = $derived(this.turned ?? this.current?.page ?? 1);
  /** What stands against a figure on the same sheet. */
  rivalsOf = (figure: Figure): Figure[] => this.figures.filter((other) => areRivals(figure, other));
  open = $derived(this.figures.filter(({ decision }) => decision === 'open').length);

  /** What was taken, as the desk lays it. */
  taken = $derived(
    this.figures
      .filter(({ decision }) => decision === 'taken')
      .map((figure): SheetFigure => ({ figure, source: this.sourceOf(figure.page), at: [] })),
  );

  private sourceOf(page: number): Source {
    const title = (this.title || this.file || this.name || BY_HAND).slice(0, 160);
    return this.kind === 'pdf' ? { kind: this.evidence, title, page } : { kind: this.evidence, title };
  }

  /** What was mended or dropped makes the same reading less sure on later sheets. */
  async learn(): Promise<void> {
    const outcomes = outcomesOf(this.figures);
    this.figures = this.figures.map((figure) => (figure.decision === 'open' ? figure : { ...figure, taught: true }));
    await learn(outcomes);
  }

  /** Ends the thread, whatever it is at. */
  cancel(): void {
    this.thread.end();
    this.phase = 'choose';
    this.message = '';
  }

  reset(kind: Kind): void {
    this.cancel();
    this.kind = kind;
    this.figures = [];
    this.selected = null;
    this.pasted = null;
    this.queue = [];
    this.unread = [];
    this.unreadSpots = [];
    this.turned = null;
    this.picked = '';
    this.id = null;
    this.title = '';
    this.file = '';
    this.name = '';
    this.cls = null;
    this.evidence = kind === 'pdf' ? 'datasheet' : 'seller';
  }

  async readPdf(file: File): Promise<void> {
    this.reset('pdf');
    if (file.size > LARGEST_PDF) {
      this.message = `${file.name} has ${Math.round(file.size / 1e6)} MB; up to ${LARGEST_PDF / 1e6} MB are read.`;
      return;
    }
    this.file = file.name;
    this.phase = 'reading';
    this.progress = { page: 0, pages: 0 };
    const opened = await this.thread.newest<Opened>(async (calls, whileNewest) =>
      calls.openPdf(
        await file.arrayBuffer(),
        whileNewest((now) => (this.progress = now)),
      ),
    );
    if (!opened) return;
    if (!opened.ok) {
      this.phase = 'choose';
      this.message = `${file.name}: ${opened.message}`;
      return;
    }
    const { document } = opened;
    this.pages = document.pages;
    this.readPages = document.readPages;
    this.title = document.title || file.name.replace(/\.pdf$/i, '');
    this.unreadSpots = document.unread;
    this.id = crypto.randomUUID();
    // Without room to keep it the document can be read all the same.
    await keepDocument(this.id, file).catch(() => (this.id = null));
    this.review(await lessSure(document.proposals), document.title, document.classes);
  }

  /** Takes up a review that was left. */
  async goOn(left: StoredReview): Promise<void> {
    this.reset(left.kind);
    const { id, file, pages, readPages, title, name, cls, evidence, figures, unreadSpots, pasted } = left;
    Object.assign(this, { id, file, pages, readPages, title, name, cls, evidence });
    Object.assign(this, { figures, unreadSpots, pasted });
    this.select(figures.find(({ decision }) => decision === 'open')?.id ?? figures[0]?.id ?? null);
    const document = left.kind === 'pdf' ? await documentOf(id) : null;
    this.phase = 'review';
    // Its pages are drawn when they have been opened again; what was decided does not wait for that.
    if (document) await this.thread.calls.openPdf(await document.arrayBuffer(), () => undefined);
    this.shown++;
  }

  async readPaste(text: string): Promise<void> {
    this.reset('paste');
    const opened = await this.thread.calls.paste(text);
    if (!opened.ok) this.message = opened.message;
    else if (opened.document.proposals.length === 0)
      this.message =
        'No figure was recognised. A table wants a line of heads, such as “Parameter, Min, Typ, Max, Unit”.';
    else {
      this.pasted = pastedPage(text);
      this.title = 'pasted text';
      this.unreadSpots = opened.document.unread;
      this.id = crypto.randomUUID();
      this.review(await lessSure(opened.document.proposals), '', opened.document.classes);
    }
  }

  async readTable(file: File): Promise<void> {
    this.reset('csv');
    this.file = file.name;
    const read = await this.thread.calls.table(await file.text());
    if (!read.ok) {
      this.message = `${file.name}: ${sayProblems(read.problems)
        .map(({ path, message }) => `${path ? `line ${path.slice(1)}: ` : ''}${message}`)
        .join('; ')}`;
      return;
    }
    this.queue = read.value;
    this.nextOfTable();
  }

  /** Takes up the next part of the table. @returns false when there is none */
  nextOfTable(): boolean {
    const [next, ...rest] = this.queue;
    if (!next) return false;
    this.queue = rest;
    this.unread = next.unread;
    this.title = this.file;
    this.review(next.proposals, next.name, classToldBy(`${next.class}\n${next.name}`));
    return true;
  }

  private review(proposals: readonly Proposal[], name: string, [cls]: readonly ClassId[]): void {
    this.figures = inOrder(proposals.map((p) => ({ ...p, decision: 'open', mended: false })));
    this.select(this.figures[0]?.id ?? null);
    this.name = name;
    this.cls = cls ?? this.cls;
    this.phase = 'review';
  }

  picture(page: number, width: number): Promise<Picture | null> {
    return this.kind === 'pdf' ? this.thread.calls.picture(page, width) : Promise.resolve(null);
  }

  decide(id: string, decision: Decision): void {
    this.figures = this.figures.map((f) => (f.id === id ? { ...f, decision } : f));
    if (decision === 'open') return;
    // On to the next that waits for its turn.
    const at = this.figures.findIndex((f) => f.id === id);
    const next = [...this.figures.slice(at + 1), ...this.figures.slice(0, at)].find((f) => f.decision === 'open');
    this.select(next?.id ?? id);
  }

  /** Takes all that nothing else could be; on to the first that is left. */
  takeSure(): void {
    this.figures = this.figures.map((f) =>
      f.decision === 'open' && f.sureness === 'sure' ? { ...f, decision: 'taken' } : f,
    );
    this.select(this.figures.find(({ decision }) => decision === 'open')?.id ?? this.selected);
  }

  select(id: string | null): void {
    this.selected = id;
    this.turned = null;
  }

  turn(page: number): void {
    this.turned = Math.min(Math.max(page, 1), this.pages);
  }

  /** Reads what stands in a frame of the page that is shown; a click is a frame of no size. */
  async pick(box: Box): Promise<void> {
    const page = this.page;
    const found = await this.thread.calls.at({ page, box }, this.figures);
    if (found.length === 0) {
      this.picked = 'No value with a unit stands there, or it is among the figures.';
      return;
    }
    this.picked = `${counted(found.length, 'figure')} read there.`;
    this.figures = inOrder([...this.figures, ...found.map((p): Figure => ({ ...p, decision: 'open', mended: false }))]);
    this.unreadSpots = this.unreadSpots.filter((spot) => spot.page !== page || !overlaps(spot.box, box));
    this.select(found[0]?.id ?? null);
  }

  /** Shows the fields in which a figure is corrected. */
  startMending(id: string): void {
    this.put(id, (f) => ({ ...f, mended: true }));
  }

  /** A figure as it is typed over what was read. @returns what is wrong with the text, or '' */
  correct(id: string, text: string): string {
    const figure = this.figures.find((f) => f.id === id);
    if (!figure) return '';
    const read = corrected(text, figure.slot, figure.quantity?.unit ?? figure.unit);
    if ('topic' in read) return say(read);
    this.put(id, (f) => changed(f, { ...withoutBounds(f), ...defined(read), mended: true }));
    return '';
  }

  /** Says which figure of a card it is. */
  reclass(id: string, slot: SlotId, quantity?: Figure['quantity']): void {
    this.put(id, (f) => {
      const { quantity: _, ...others } = f;
      return changed(f, { ...others, slot, ...(quantity ? { quantity } : {}), mended: true });
    });
  }

  setConditions(id: string, conditions: string): void {
    this.put(id, (f) => ({ ...f, conditions, mended: true }));
  }

  private put(id: string, change: (figure: Figure) => Figure): void {
    this.figures = this.figures.map((f) => (f.id === id ? change(f) : f));
  }

  mend(id: string, change: Partial<Pick<Figure, 'min' | 'typ' | 'max' | 'label' | 'register' | 'over'>>): void {
    this.figures = this.figures.map((f) => {
      if (f.id !== id) return f;
      const next = { ...f, ...change };
      // What was typed over with itself is still as it was read.
      return JSON.stringify(next) === JSON.stringify(f) ? f : changed(f, { ...next, mended: true });
    });
  }

  /** A figure that the datasheet does not hold, or that the reader missed. */
  add(slot: SlotId, quantity?: Figure['quantity']): void {
    const id = `h${this.figures.length + 1}`;
    const unit = slotOf(slot).units[0] ?? quantity?.unit ?? '';
    this.figures = [
      ...this.figures,
      {
        id,
        slot,
        unit,
        ...(quantity ? { quantity } : {}),
        conditions: '',
        name: say(wordOf('slot', slot)),
        said: BY_HAND,
        page: this.current?.page ?? 1,
        box: { x0: 0, y0: 0, x1: 0, y1: 0 },
        doubts: [],
        sureness: surenessOf([], false),
        decision: 'open',
        mended: true,
      },
    ];
    this.select(id);
  }
}

export const reading = new Reading();
