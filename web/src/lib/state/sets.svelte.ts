/** The search for whole sets: its thread, its progress and what it found. */
import type { Circuit } from '@idle-breadboard/core/circuit';
import { formatQuantity } from '@idle-breadboard/core/figures';
import type { Plan } from '@idle-breadboard/core/plan';
import { FIGURES, type SetFigures, type SetFront } from '@idle-breadboard/core/solve';
import { say } from '@idle-breadboard/core/words';
import { proxy, wrap } from 'comlink';
import type { SetsWorker } from '../worker/sets';
import { workbench } from './workbench.svelte';

export const FIGURE_NAME: Readonly<Record<keyof SetFigures, string>> = {
  cost: 'cost',
  error: 'error',
  current: 'current',
  rows: 'rows',
  arrival: 'days',
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

class Sets {
  running = $state(false);
  progress = $state('');
  trouble = $state('');
  front = $state.raw<SetFront | null>(null);
  chosen = $state(0);
  /** What was asked for when they were searched. */
  private asked = $state('');
  private sortedBy = $state<keyof SetFigures>('cost');
  private thread: Worker | null = null;
  private run = 0;

  /** Sets by the figure that was asked for. */
  order = $derived.by(() => {
    const sets = this.front?.sets ?? [];
    const of = (i: number) => sets[i]?.evaluation.figures;
    return sets
      .map((_, i) => i)
      .sort((a, b) => {
        const [x, y] = [of(a), of(b)];
        if (!x || !y) return 0;
        return x[this.sortedBy] - y[this.sortedBy] || FIGURES.reduce((d, key) => d || x[key] - y[key], 0);
      });
  });

  sort(key: keyof SetFigures): void {
    this.sortedBy = key;
  }

  async search(circuit: Circuit, anyController: boolean): Promise<void> {
    this.cancel();
    const mine = ++this.run;
    this.running = true;
    this.trouble = '';
    this.front = null;
    this.asked = askedOf(circuit.plan);
    this.progress = 'looking for cards that meet each need';
    this.thread = new Worker(new URL('../worker/sets.worker.ts', import.meta.url), { type: 'module' });
    const worker = wrap<SetsWorker>(this.thread);
    const standing = [...circuit.rails.values()]
      .filter(({ part, voltage }) => part !== circuit.controller?.id && voltage !== null)
      .flatMap(({ voltage }) => voltage ?? []);
    const all = [...workbench.library.values()];
    const current = circuit.controller?.card;
    const controllers = (anyController || !current ? all.filter(({ kind }) => kind === 'controller') : [current]).map(
      ({ id }) => id,
    );
    const found = await worker.search(
      circuit.plan,
      all,
      controllers,
      standing,
      proxy(({ controller, decided, needs, open }) => {
        if (mine === this.run)
          this.progress = `${controller}: need ${decided + 1} of ${needs}, ${open.toLocaleString('en')} sets open`;
      }),
    );
    if (mine !== this.run) return;
    this.thread.terminate();
    this.thread = null;
    this.running = false;
    this.front = found.front;
    this.chosen = 0;
    this.trouble = say(found.exclusion?.sentence);
  }

  /** True where the needs, or what they are held against, changed since: the sets answer another question then. */
  isOld(plan: Plan): boolean {
    return this.front !== null && this.asked !== askedOf(plan);
  }

  cancel(): void {
    this.run += 1;
    this.thread?.terminate();
    this.thread = null;
    this.running = false;
    this.progress = '';
  }
}

export const sets = new Sets();
