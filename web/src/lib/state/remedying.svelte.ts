/** The single changes that end what the strip speaks of: asked of the worker when the finding or the plan changes. */
import type { Remedy } from '@idle-breadboard/core/solve';
import { say } from '@idle-breadboard/core/words';
import { telling } from './telling.svelte';
import { view } from './view.svelte';
import { workbench } from './workbench.svelte';

class Remedying {
  private found = $state.raw<{ key: string; remedies: readonly Remedy[]; tried: number } | null>(null);

  /** The finding that remedies are wanted for; a pass and a note want none. */
  readonly wanted = $derived(view.result?.severity && view.result.severity !== 'note' ? view.result.key : null);
  private readonly answer = $derived(this.found?.key === this.wanted ? this.found : null);
  readonly remedies = $derived<readonly Remedy[]>(this.answer?.remedies ?? []);
  /** Single changes that were tried. */
  readonly tried = $derived(this.answer?.tried ?? 0);
  readonly working = $derived(this.wanted !== null && this.answer === null);

  /** Called where the strip is: again whenever what it depends on changed. */
  ask(): void {
    const key = this.wanted;
    const study = workbench.study;
    this.found = null;
    if (key === null || workbench.stale) return;
    void workbench.remedies(key).then((found) => {
      if (found && this.wanted === key && workbench.study === study) this.found = { key, ...found };
    });
  }

  take(remedy: Remedy): void {
    if (workbench.stale) return;
    workbench.edit(remedy.plan, say(remedy.title));
    telling.say(`${say(remedy.title)}. Ctrl+Z takes it back.`);
  }
}

export const remedying = new Remedying();
