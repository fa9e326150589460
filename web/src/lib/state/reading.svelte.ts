/** A part being entered: what was read, what the maker took, and the card that comes of it. */
import {
  cloneTemplate,
  enterFigures,
  missingOf,
  pastedPage,
  surenessOf,
  slotOf,
  type Accepted,
  type Card,
  type Evidence,
  type PageText,
  type Proposal,
  type SlotId,
  type Source,
} from '@idle-breadboard/core/card';
import { wordOf } from '@idle-breadboard/core/figures';
import type { PartProposals } from '@idle-breadboard/core/files';
import { say, sayProblems } from '@idle-breadboard/core/words';
import { LARGEST_PDF, type Opened, type Picture, type ReaderWorker, type TableText } from '../reader/reader';
import { Thread } from '../worker/thread';
import { threads } from '../worker/threads';
import { drawer } from './drawer.svelte';

type Decision = 'open' | 'taken' | 'dropped';
export interface Figure extends Proposal {
  readonly decision: Decision;
  /** True when the maker changed what was read. */
  readonly mended: boolean;
}

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
  /** What was pasted, as the page that it was read from. */
  pasted = $state.raw<PageText | null>(null);
  /** Parts of a table that wait for their turn. */
  queue = $state.raw<readonly PartProposals[]>([]);
  unread = $state.raw<readonly string[]>([]);

  name = $state('');
  templateId = $state<string | null>(null);
  evidence = $state<Evidence>('datasheet');
  price = $state<number | null>(null);

  private readonly thread = new Thread<ReaderWorker>(threads.read);

  template = $derived(this.templateId === null ? null : (drawer.cards.get(this.templateId) ?? null));
  current = $derived(this.figures.find(({ id }) => id === this.selected) ?? this.figures[0] ?? null);
  open = $derived(this.figures.filter(({ decision }) => decision === 'open').length);

  /** The card as it would be now; null without a template. */
  made = $derived.by(() => {
    if (!this.template) return null;
    const base = cloneTemplate(this.template, drawer.freeId(this.name || 'card'), this.name.trim() || 'unnamed part');
    const taken: Accepted[] = this.figures.filter(({ decision }) => decision === 'taken');
    const entered = enterFigures(base, taken, (page) => this.sourceOf(page));
    const offers =
      this.price === null
        ? []
        : [
            {
              supplier: 'in the drawer',
              price: this.price,
              currency: 'EUR',
              pack: 1,
              shipping: 0,
              leadDays: 0,
              soldering: false,
            },
          ];
    const card: Card = { ...entered.card, offers };
    return { card, left: entered.left, missing: missingOf(card) };
  });

  private sourceOf(page: number): Source {
    const title = (this.title || this.file || this.name || 'entered by hand').slice(0, 160);
    return this.kind === 'pdf' ? { kind: this.evidence, title, page } : { kind: this.evidence, title };
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
    this.title = '';
    this.file = '';
    this.name = '';
    this.price = null;
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
    this.review(document.proposals, document.title);
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
      this.review(opened.document.proposals, '');
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
    this.review(next.proposals, next.name);
    this.templateId = nearestClass(next.class || next.name) ?? this.templateId;
    return true;
  }

  private review(proposals: readonly Proposal[], name: string): void {
    this.figures = proposals.map((p) => ({ ...p, decision: 'open', mended: false }));
    this.selected = this.figures[0]?.id ?? null;
    this.name = name;
    this.templateId = likelyTemplate(proposals);
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
    this.selected = next?.id ?? id;
  }

  mend(id: string, change: Partial<Pick<Figure, 'min' | 'typ' | 'max' | 'label' | 'register' | 'over'>>): void {
    this.figures = this.figures.map((f) => {
      if (f.id !== id) return f;
      const next = { ...f, ...change };
      // What was typed over with itself is still as it was read.
      return JSON.stringify(next) === JSON.stringify(f) ? f : { ...next, mended: true };
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
        said: 'entered by hand',
        page: this.current?.page ?? 1,
        box: { x0: 0, y0: 0, x1: 0, y1: 0 },
        doubts: [],
        sureness: surenessOf([], false),
        decision: 'open',
        mended: true,
      },
    ];
    this.selected = id;
  }
}

/** The text of the table of pins in a PDF, read in a thread of its own. */
export async function tableOf(file: File): Promise<TableText> {
  if (file.size > LARGEST_PDF)
    return { ok: false, message: `It has ${Math.round(file.size / 1e6)} MB; up to ${LARGEST_PDF / 1e6} MB are read.` };
  const thread = new Thread<ReaderWorker>(threads.read);
  try {
    const data = await file.arrayBuffer();
    return (
      (await thread.newest<TableText>((calls) => calls.pinTable(data))) ?? {
        ok: false,
        message: 'The reading was ended.',
      }
    );
  } catch (error) {
    return { ok: false, message: error instanceof Error ? error.message : String(error) };
  } finally {
    thread.end();
  }
}

/** The class whose cards have most words in common with what was said. */
function nearestClass(words: string): string | null {
  const wanted = new Set(words.toLowerCase().match(/[a-z²]{3,}/g) ?? []);
  const score = (card: Card) =>
    (`${card.class} ${card.name}`.toLowerCase().match(/[a-z²]{3,}/g) ?? []).filter((w) => wanted.has(w)).length;
  const best = [...drawer.cards.values()]
    .filter(({ kind }) => kind === 'module')
    .sort((a, b) => score(b) - score(a))[0];
  return best && score(best) > 0 ? best.id : null;
}

/** The card of the catalogue that measures what was read, over the same kind of bus. */
function likelyTemplate(proposals: readonly Proposal[]): string | null {
  const quantities = new Set(proposals.flatMap(({ quantity }) => quantity?.quantity ?? []));
  const bus = proposals.some(({ slot }) => slot === 'port.address' || slot === 'port.clock');
  const score = (card: Card) =>
    card.measures.filter(({ quantity }) => quantities.has(quantity)).length * 4 -
    card.measures.filter(({ quantity }) => !quantities.has(quantity)).length * 2 +
    (card.ports.some(({ protocol }) => protocol === 'i2c') === bus ? 1 : 0) -
    // A plain breakout is the better pattern than one that carries more.
    (card.rails ? 0.5 : 0);
  const best = [...drawer.cards.values()]
    .filter(({ kind }) => kind === 'module')
    .sort((a, b) => score(b) - score(a))[0];
  return best && score(best) > 1 ? best.id : null;
}

export const reading = new Reading();
