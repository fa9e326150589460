/** Where the maker is in the wiring: the step in hand, and the part that is being moved. */
import type { WiringStep } from '@idle-breadboard/core/deliver';
import { laying } from './laying.svelte';
import { workbench } from './workbench.svelte';

class BenchView {
  /** Key of a step that was chosen; else the first that is not done is in hand. */
  private chosen = $state<string | null>(null);
  /** Show every lead, not only those of the step in hand. */
  whole = $state(false);
  part = $state<string | null>(null);

  readonly done = $derived(new Set(workbench.plan?.done ?? []));
  readonly steps = $derived<readonly WiringStep[]>(laying.build?.wiring.steps ?? []);
  readonly current = $derived.by<WiringStep | null>(() => {
    const { steps, done, chosen } = this;
    return steps.find(({ key }) => key === chosen) ?? steps.find(({ key }) => !done.has(key)) ?? steps.at(-1) ?? null;
  });
  readonly count = $derived(this.steps.filter(({ key }) => this.done.has(key)).length);

  choose(key: string | null): void {
    this.chosen = key;
  }
}

export const benchView = new BenchView();
