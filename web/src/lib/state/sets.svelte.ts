/** The search for whole sets: its thread, its progress and what it found. */
import type { Circuit } from '@idle-breadboard/core/circuit';
import { formatQuantity } from '@idle-breadboard/core/figures';
import type { Plan } from '@idle-breadboard/core/plan';
import { inOrder, type SetFigures, type SetFront } from '@idle-breadboard/core/solve';
import { say } from '@idle-breadboard/core/words';
import type { SetsWorker } from '../worker/sets';
import { Thread } from '../worker/thread';
import { threads } from '../worker/threads';
import { workbench } from './workbench.svelte';

export const FIGURE_NAME: Readonly<Record<keyof SetFigures, string>> = {
  cost: 'cost',
  error: 'share of the allowed error',
  current: 'current of the parts',
  rows: 'rows of the breadboard',
  arrival: 'days until it is here',
};

/** A figure of a set in words: errors as a share of what is allowed. */
export const figureText = (key: keyof SetFigures, value: number): string =>
  key === 'error'
    ? `${Math.round(value * 100)} %`
    : key === 'current'
      ? formatQuantity(value, 'A')
      : key === 'cost'
        ? value.toFixed(2)
        : String(value);

/** What a search for sets answers. */
const askedOf = ({ needs, places, lifeYears, budget, readyInDays, rules }: Plan): string =>
  JSON.stringify([needs, places, lifeYears, budget, readyInDays, rules]);

/** A search that ends without a set says nothing of whether there is one. */
export const GIVEN_UP =
  'The search was given up before it found a set. Whether there is one is not known: ask for less at once.';

class Sets {
  running = $state(false);
  progress = $state('');
  trouble = $state('');
  front = $state.raw<SetFront | null>(null);
  chosen = $state(0);
  /** What was asked for when they were searched. */
  private asked = $state('');
  sortedBy = $state<keyof SetFigures>('cost');
  private readonly thread = new Thread<SetsWorker>(threads.sets);

  /** Sets by the figure that was asked for. */
  order = $derived.by(() => {
    const sets = this.front?.sets ?? [];
    return inOrder(sets, this.sortedBy).map((set) => sets.indexOf(set));
  });

  async search(circuit: Circuit, anyController: boolean): Promise<void> {
    this.cancel();
    this.running = true;
    this.trouble = '';
    this.front = null;
    this.asked = askedOf(circuit.plan);
    this.progress = 'looking for cards that meet each need';
    const standing = [...circuit.rails.values()]
      .filter(({ part, voltage }) => part !== circuit.controller?.id && voltage !== null)
      .flatMap(({ voltage }) => voltage ?? []);
    const all = [...workbench.library.values()];
    const current = circuit.controller?.card;
    const controllers = (anyController || !current ? all.filter(({ kind }) => kind === 'controller') : [current]).map(
      ({ id }) => id,
    );
    try {
      const found = await this.thread.newest((calls, whileNewest) =>
        calls.search(
          circuit.plan,
          all,
          controllers,
          standing,
          whileNewest(({ controller, decided, needs, open }) => {
            this.progress = `${controller}: need ${decided + 1} of ${needs}, ${open.toLocaleString('en')} sets open`;
          }),
        ),
      );
      if (!found) return;
      this.front = found.front;
      this.chosen = 0;
      this.trouble =
        found.exclusion === null && found.front.sets.length === 0 && !found.front.complete
          ? GIVEN_UP
          : say(found.exclusion?.sentence);
    } catch (error) {
      this.trouble = error instanceof Error ? error.message : String(error);
    }
    this.cancel();
  }

  /** True where the needs, or what they are held against, changed since: the sets answer another question then. */
  isOld(plan: Plan): boolean {
    return this.front !== null && this.asked !== askedOf(plan);
  }

  cancel(): void {
    this.thread.end();
    this.running = false;
    this.progress = '';
  }
}

export const sets = new Sets();
