/** What a remedy would make of the build, while it is pointed at or has the focus: shown where the whole is drawn. */
import type { Overview } from '@idle-breadboard/core/overview';
import type { Plan } from '@idle-breadboard/core/plan';
import { view } from './view.svelte';
import { workbench } from './workbench.svelte';

class Previewing {
  private plan = $state.raw<Plan | null>(null);
  private found = $state.raw<{ of: Plan; picture: Overview } | null>(null);
  readonly picture = $derived(this.found !== null && this.found.of === this.plan ? this.found.picture : null);

  async show(plan: Plan): Promise<void> {
    this.plan = plan;
    workbench.point(plan);
    if (view.station !== 'overview') return;
    const picture = await workbench.pictureOf(plan);
    if (picture && this.plan === plan) this.found = { of: plan, picture };
  }

  hide(): void {
    this.plan = null;
  }
}

export const previewing = new Previewing();
