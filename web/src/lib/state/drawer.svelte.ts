/** The drawer: cards that ship with the app, and the maker's own, every revision of them. */
import { libraryOf, type Card, type Library } from '@idle-breadboard/core/card';
import { shelf } from '../store/db';

class Drawer {
  private catalogue = $state.raw<Library>(new Map());
  /** The maker's own cards, oldest revision first. */
  own = $state.raw<readonly Card[]>([]);

  /** The latest revision of every card. */
  cards = $derived<Library>(new Map([...this.catalogue, ...this.own.map((card) => [card.id, card] as const)]));

  async start(catalogue: Library): Promise<void> {
    this.catalogue = catalogue;
    await this.refresh();
  }

  private async refresh(): Promise<void> {
    this.own = await shelf.cards.orderBy('[id+revision]').toArray();
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
    const kept = cards.flatMap((card) => {
      const known = this.cards.get(card.id);
      if (!known) return [card];
      const numbered = { ...card, revision: known.revision + 1 };
      return JSON.stringify({ ...known, revision: 0 }) === JSON.stringify({ ...card, revision: 0 }) ? [] : [numbered];
    });
    await shelf.transaction('rw', shelf.cards, () => shelf.cards.bulkPut(kept));
    await this.refresh();
    return kept;
  }

  /** Removes every own revision of a card; plans that use it carry their own. */
  async remove(id: string): Promise<void> {
    await shelf.cards.where('id').equals(id).delete();
    await this.refresh();
  }

  ownLatest = $derived<readonly Card[]>([...libraryOf(this.own).values()]);
}

export const drawer = new Drawer();
