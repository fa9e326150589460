/** What a handler would make of the plan, without making it. */
import type { Plan } from '@idle-breadboard/core/plan';

export class Rehearsal {
  private isOn = false;
  private made: Plan | null = null;

  /**
   * @param handler does nothing but edit the plan, and does it at once
   * @returns the plan that it would make; null where it would make none
   */
  of(handler: () => unknown): Plan | null {
    [this.isOn, this.made] = [true, null];
    try {
      handler();
    } finally {
      this.isOn = false;
    }
    return this.made;
  }

  /** Called by whoever edits. @returns true where it is only rehearsed */
  takes(plan: Plan): boolean {
    if (this.isOn) this.made = plan;
    return this.isOn;
  }
}
