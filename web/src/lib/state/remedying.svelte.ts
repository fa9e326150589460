/** The single changes that end what the strip speaks of: asked of the worker when the finding or the plan changes. */
import type { Remedy } from '@idle-breadboard/core/solve';
import { say } from '@idle-breadboard/core/words';
import { untrack } from 'svelte';
import { soon } from './calm';
import { telling } from './telling.svelte';
import type { Study } from '../worker/study';
import { view } from './view.svelte';
import { workbench } from './workbench.svelte';

class Remedying {
  /** Of a finding of a study: what was proposed of another plan ends nothing here. */
  private found = $state.raw<{ key: string; study: Study | null; remedies: readonly Remedy[]; tried: number } | null>(
    null,
  );

  /** Of what study remedies were asked for. */
  private asked: Study | null = null;

  /** The finding that remedies are wanted for; a pass and a note want none. */
  readonly wanted = $derived(view.result?.severity && view.result.severity !== 'note' ? view.result.key : null);
  private readonly answer = $derived(this.found?.key === this.wanted ? this.found : null);
  readonly remedies = $derived<readonly Remedy[]>(this.answer?.remedies ?? []);
  /** Single changes that were tried. */
  readonly tried = $derived(this.answer?.tried ?? 0);
  readonly working = $derived(this.wanted !== null && this.answer === null);

  /** Called where the strip is: again whenever what it depends on changed. */
  ask(): (() => void) | undefined {
    const key = this.wanted;
    const study = workbench.study;
    // What is shown stays until the next verdict is there.
    const known = untrack(() => this.found);
    if (known?.key !== key || known.study !== study) this.found = null;
    else return undefined;
    if (key === null || workbench.stale) return undefined;
    const askNow = () => {
      void workbench.remedies(key).then((found) => {
        if (!found || this.wanted !== key || workbench.study !== study) return;
        this.found = { key, study, ...found };
        // The one that is at one key.
        workbench.foresee(found.remedies[0]?.plan ?? null);
      });
    };
    // What somebody points at is answered at once; a verdict is shown first.
    const isNewStudy = this.asked !== study;
    this.asked = study;
    if (isNewStudy) return soon(askNow);
    askNow();
    return undefined;
  }

  take(remedy: Remedy): void {
    if (workbench.stale) return;
    workbench.edit(remedy.plan, say(remedy.title));
    telling.say(`${say(remedy.title)}. Ctrl+Z takes it back.`);
  }
}

export const remedying = new Remedying();
