/** What other choices would do to the runtime of a pack: asked of the worker for the plan that is shown. */
import type { WhatIf } from '@idle-breadboard/core/solve';
import { workbench } from './workbench.svelte';

class WhatIfs {
  /** By rail; kept while a newer answer is on its way. */
  private found = $state.raw<ReadonlyMap<string, readonly WhatIf[]>>(new Map());
  /** Number of the change that the answer belongs to. */
  private of = $state(-1);
  private asked = -1;

  readonly stale = $derived(this.of !== workbench.shown);

  for(rail: string): readonly WhatIf[] | null {
    return this.found.get(rail) ?? null;
  }

  async ask(rails: readonly string[]): Promise<void> {
    const shown = workbench.shown;
    if (this.asked === shown) return;
    this.asked = shown;
    const answers = await Promise.all(rails.map(async (rail) => [rail, await workbench.whatIfs(rail)] as const));
    if (this.asked !== shown) return;
    this.found = new Map(answers);
    this.of = shown;
  }
}

export const whatIfs = new WhatIfs();
