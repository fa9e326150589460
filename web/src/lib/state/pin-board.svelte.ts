/** A line that is being carried to a pin, what that would cost, and the assignment that is kept for comparing. */
import type { Circuit } from '@idle-breadboard/core/circuit';
import type { Plan } from '@idle-breadboard/core/plan';
import { placeLine, pinsFrom } from '@idle-breadboard/core/solve';
import { say } from '@idle-breadboard/core/words';
import type { Effect } from '../worker/study';
import { telling } from './telling.svelte';
import { circuitNow } from './circuit-now';
import { workbench } from './workbench.svelte';

class PinBoard {
  /** The line in hand. */
  carried = $state<string | null>(null);
  /** The pin that it is held over. */
  over = $state<string | null>(null);
  effect = $state.raw<Effect | null>(null);
  /** Set where the line cannot be put down at all. */
  refusal = $state('');
  /** The pin whose particulars are shown. */
  shown = $state<string | null>(null);
  /** The assignment that is kept beside the one of the plan. */
  kept = $state.raw<Circuit | null>(null);
  keptEffect = $state.raw<Effect | null>(null);
  private asked = 0;

  carry(wish: string | null): void {
    this.carried = wish;
    this.over = null;
    this.effect = null;
    this.refusal = '';
  }

  private moved(pin: string): Plan | null {
    const circuit = circuitNow();
    return circuit && this.carried ? placeLine(circuit, this.carried, pin) : null;
  }

  /** What it would cost to put the line down here. */
  async look(pin: string | null): Promise<void> {
    if (!this.carried || this.over === pin) return;
    this.over = pin;
    this.effect = null;
    this.refusal = '';
    const mine = ++this.asked;
    if (!pin) return;
    const plan = this.moved(pin);
    if (!plan) {
      this.refusal = 'The line there is locked.';
      return;
    }
    const effect = await workbench.effectOf(plan);
    if (mine === this.asked) this.effect = effect;
  }

  drop(pin: string): void {
    const plan = this.moved(pin);
    const wish = circuitNow()?.wishes.find(({ id }) => id === this.carried);
    if (plan && wish) workbench.edit(plan, `pin of ${say(wish.label)}`);
    else if (this.carried) telling.say('The line there is locked; open its lock first.');
    this.carry(null);
  }

  keep(circuit: Circuit | null): void {
    this.kept = circuit;
    this.keptEffect = null;
  }

  /** What the kept assignment would end and bring, against the plan as it is. */
  async weighKept(): Promise<void> {
    const now = circuitNow();
    if (!now || !this.kept) return;
    this.keptEffect = await workbench.effectOf(pinsFrom(now, this.kept));
  }

  backToKept(): void {
    const now = circuitNow();
    if (now && this.kept) workbench.edit(pinsFrom(now, this.kept), 'back to the kept pins');
  }
}

export const pinBoard = new PinBoard();
