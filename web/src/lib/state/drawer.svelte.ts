/** The drawer: cards that ship with the app, and the maker's own, every revision of them. */
import { against, libraryOf, type Card, type Library } from '@idle-breadboard/core/card';
import { setSetting, setting, shelf } from '../store/db';
import { watch } from '../store/watch';

const STOCK = 'stock';
const OWN_ONLY = 'own only';

type Counts = Readonly<Record<string, number>>;

/** What cannot be read counts as nothing. */
function stockOf(stored: string | undefined): Counts {
  try {
    const read: unknown = JSON.parse(stored ?? '{}');
    const counts = Object.entries(typeof read === 'object' && read !== null ? read : {});
    return Object.fromEntries(counts.filter(([, count]) => Number.isInteger(count) && count > 0));
  } catch {
    return {};
  }
}

const withStock = (stock: Counts, card: string, pieces: number): Counts =>
  Object.fromEntries(Object.entries({ ...stock, [card]: pieces }).filter(([, count]) => count > 0));

const readAll = async () => ({
  own: await shelf.cards.orderBy('[id+revision]').toArray(),
  stock: stockOf(await setting(STOCK)),
  ownOnly: (await setting(OWN_ONLY)) === 'yes',
});

class Drawer {
  private catalogue = $state.raw<Library>(new Map());
  /** The maker's own cards, oldest revision first. */
  own = $state.raw<readonly Card[]>([]);

  /** Pieces that lie in the drawer, by card: what a new plan begins with. */
  stock = $state.raw<Counts>({});
  /** Set where the maker's own cards alone are listed. */
  ownOnly = $state(false);

  /** The latest revision of every card; the maker's own stand before those that ship. */
  cards = $derived.by<Library>(() => {
    const own = new Map(this.own.map((card) => [card.id, card] as const));
    return new Map([...own, ...[...this.catalogue].filter(([id]) => !own.has(id))]);
  });
  /** What lists offer: everything, or only what is one's own. */
  listed = $derived<readonly Card[]>([...this.cards.values()].filter(({ id }) => !this.ownOnly || this.isOwn(id)));

  /** Takes up what is stored, and again whatever another tab puts there. */
  async start(): Promise<void> {
    await this.refresh();
    watch(readAll, (all) => this.take(all));
  }

  /** The cards that ship with the program are there. */
  shipped(catalogue: Library): void {
    this.catalogue = catalogue;
  }

  setOwnOnly(only: boolean): void {
    this.ownOnly = only;
    void setSetting(OWN_ONLY, only ? 'yes' : 'no');
  }

  setStock(card: string, pieces: number): void {
    this.stock = withStock(this.stock, card, pieces);
    // What another tab has counted meanwhile stays.
    void shelf.transaction('rw', shelf.settings, async () => {
      const stored = stockOf(await setting(STOCK));
      await setSetting(STOCK, JSON.stringify(withStock(stored, card, pieces)));
    });
  }

  async refresh(): Promise<void> {
    this.take(await readAll());
  }

  private take({ own, stock, ownOnly }: Awaited<ReturnType<typeof readAll>>): void {
    [this.own, this.stock, this.ownOnly] = [own, stock, ownOnly];
  }

  isOwn = (id: string): boolean => this.own.some((card) => card.id === id);
  revisions = (id: string): readonly Card[] => {
    const shipped = this.catalogue.get(id);
    return [...(shipped ? [shipped] : []), ...this.own.filter((card) => card.id === id)];
  };

  /** An id that no card has. */
  freeId(name: string): string {
    const base =
      name
        .normalize('NFKD')
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-+|-+$/g, '')
        .slice(0, 40) || 'card';
    let id = base;
    for (let n = 2; this.cards.has(id); n++) id = `${base}-${n}`;
    return id;
  }

  /** Keeps cards. One whose id is known comes in as its next revision, unless it is the same; all or nothing. */
  async keep(cards: readonly Card[]): Promise<readonly Card[]> {
    const kept: Card[] = [];
    // What another tab kept meanwhile is in the store, not here.
    await shelf.transaction('rw', shelf.cards, async () => {
      for (const card of cards) {
        const stored = await shelf.cards.where('id').equals(card.id).sortBy('revision');
        const known = stored.at(-1) ?? this.catalogue.get(card.id);
        if (against(known, card) === 'same') continue;
        kept.push(known ? { ...card, revision: known.revision + 1 } : card);
      }
      await shelf.cards.bulkPut(kept);
    });
    await this.refresh();
    return kept;
  }

  /** Removes every own revision of a card; plans that use it carry their own. */
  async remove(id: string): Promise<void> {
    await shelf.cards.where('id').equals(id).delete();
    await shelf.partPhotos.delete(id);
    await this.refresh();
  }

  ownLatest = $derived<readonly Card[]>([...libraryOf(this.own).values()]);
}

export const drawer = new Drawer();
