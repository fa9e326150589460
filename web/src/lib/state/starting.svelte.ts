/** A build that is being picked: nothing of it is a plan before a set is taken. */
import type { Place } from '@idle-breadboard/core/plan';
import {
  type Brief,
  type FeedKind,
  type Offers,
  type OffersProgress,
  type Pick,
  planOf,
  type SetOffer,
  sourceOf,
} from '@idle-breadboard/core/solve';
import type { StartWorker } from '../worker/start';
import { Thread } from '../worker/thread';
import { threads } from '../worker/threads';
import { drawer } from './drawer.svelte';
import { workbench } from './workbench.svelte';

export interface Picked {
  readonly id: number;
  readonly pick: Pick;
  readonly name: string;
  readonly drawing: string;
}

const FIRST_PLACE = 'place A';
/** s */
const DAY = 86_400;

class Starting {
  picked = $state.raw<readonly Picked[]>([]);
  places = $state.raw<readonly Place[]>([]);
  feed = $state.raw<Brief['feed']>({ kind: 'adapter', card: null, runFor: 30 * DAY });
  name = $state('My build');
  offers = $state.raw<Offers | null>(null);
  /** How far the search is; null while none runs. */
  progress = $state.raw<OffersProgress | 'begun' | null>(null);
  trouble = $state('');
  private count = 0;
  private readonly thread = new Thread<StartWorker>(threads.start);

  readonly brief = $derived<Brief>({
    name: this.name.trim() || 'My build',
    picks: this.picked.map(({ pick }) => pick),
    places: this.places,
    feed: this.feed,
    stock: drawer.stock,
  });
  readonly placeNames = $derived([...new Set([FIRST_PLACE, ...this.picked.map(({ pick }) => pick.place)])]);
  readonly usedPlaces = $derived([...new Set(this.picked.map(({ pick }) => pick.place))]);
  readonly source = $derived(sourceOf(this.brief, drawer.cards));

  /** The plan so far, and the sentence that each pick stands for. */
  readonly draft = $derived(planOf('build', this.brief, drawer.cards));

  private changed(): void {
    this.thread.end();
    this.progress = null;
    this.offers = null;
    this.trouble = '';
  }

  add(name: string, drawing: string, pick: (place: string) => Pick): void {
    this.count += 1;
    const place = this.picked.at(-1)?.pick.place ?? FIRST_PLACE;
    // Two of a kind are wanted at two places.
    const there = this.picked.some((one) => one.name === name && one.pick.place === place);
    this.picked = [...this.picked, { id: this.count, name, drawing, pick: pick(there ? this.freePlace() : place) }];
    this.changed();
  }

  /** Another like it, at a place of its own. */
  again(of: Picked): void {
    this.count += 1;
    const at = this.picked.indexOf(of) + 1;
    const copy = { ...of, id: this.count, pick: { ...of.pick, place: this.freePlace() } };
    this.picked = [...this.picked.slice(0, at), copy, ...this.picked.slice(at)];
    this.changed();
  }

  private freePlace(): string {
    const taken = new Set(this.placeNames);
    const letter = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].find((one) => !taken.has(`place ${one}`)) ?? this.count;
    return `place ${letter}`;
  }

  remove(id: number): void {
    this.picked = this.picked.filter((one) => one.id !== id);
    this.changed();
  }

  change(id: number, next: (pick: Pick) => Pick): void {
    this.picked = this.picked.map((one) => (one.id === id ? { ...one, pick: next(one.pick) } : one));
    this.changed();
  }

  placeOf(name: string): Place {
    return this.places.find((place) => place.name === name) ?? { name, water: 'dry', outdoors: false, closed: false };
  }

  setPlace(name: string, next: Partial<Place>): void {
    const place = { ...this.placeOf(name), ...next };
    this.places = [...this.places.filter((one) => one.name !== name), place];
    if (place.name !== name)
      this.picked = this.picked.map((one) =>
        one.pick.place === name ? { ...one, pick: { ...one.pick, place: place.name } } : one,
      );
    this.changed();
  }

  setFeed(next: Partial<Brief['feed']> & { kind?: FeedKind }): void {
    this.feed = { ...this.feed, ...(next.kind && next.kind !== this.feed.kind ? { card: null } : {}), ...next };
    this.changed();
  }

  async search(): Promise<void> {
    this.changed();
    this.progress = 'begun';
    try {
      const found = await this.thread.newest((calls, whileNewest) =>
        calls.offers(
          'build',
          $state.snapshot(this.brief),
          [...drawer.cards.values()],
          whileNewest((now) => (this.progress = now)),
        ),
      );
      if (found) this.offers = found;
    } catch (error) {
      this.trouble = error instanceof Error ? error.message : String(error);
    }
    this.progress = null;
  }

  /** Fills a plan with a set and puts it on the shelf, open. */
  async take(offer: SetOffer | null): Promise<void> {
    const plan = await this.thread.calls.fill('build', this.brief, [...drawer.cards.values()], offer?.set ?? null);
    await workbench.openPlan(plan);
    this.thread.end();
    this.picked = [];
    this.places = [];
    this.offers = null;
  }
}

export const starting = new Starting();
