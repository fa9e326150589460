/** The history of the open plan as it is shown: its steps, where it stands, and the cards that any step uses. */
import type { Card } from '@idle-breadboard/core/card';
import { documentOf, type Plan, type PlanDocument } from '@idle-breadboard/core/plan';
import { loadPlan, MAX_STEPS, type History, type Step } from '../store/history';

const NONE: History = { cards: [], steps: [], at: 0, dropped: 0 };

export class PlanHistory {
  now = $state.raw<History>(NONE);

  readonly plan = $derived<Plan | null>(this.now.steps[this.now.at]?.plan ?? null);
  readonly canUndo = $derived(this.now.at > 0);
  readonly canRedo = $derived(this.now.at < this.now.steps.length - 1);
  readonly undoWhat = $derived(this.now.steps[this.now.at]?.why ?? '');
  readonly redoWhat = $derived(this.now.steps[this.now.at + 1]?.why ?? '');

  /** The plan so many steps on; null where there is no such step. */
  planAt(by: number): Plan | null {
    return this.now.steps[this.now.at + by]?.plan ?? null;
  }

  clear(): void {
    this.now = NONE;
  }

  /** One step on; whatever was undone before it is gone, and so is the oldest where there are too many. */
  add(step: Step): void {
    const { steps, at, dropped } = this.now;
    const all = [...steps.slice(0, at + 1), step];
    const over = Math.max(0, all.length - MAX_STEPS);
    this.now = { ...this.now, steps: all.slice(over), at: all.length - over - 1, dropped: dropped + over };
  }

  /** Cards stay with the plan while any step of its history may need them. */
  addCards(cards: readonly Card[]): void {
    const key = ({ id, revision }: Card) => `${id} ${revision}`;
    const known = new Set(this.now.cards.map(key));
    const fresh = cards.filter((card) => !known.has(key(card)));
    if (fresh.length > 0) this.now = { ...this.now, cards: [...this.now.cards, ...fresh] };
  }

  /** @returns false where there is no such step */
  move(by: 1 | -1): boolean {
    if (by > 0 ? !this.canRedo : !this.canUndo) return false;
    this.now = { ...this.now, at: this.now.at + by };
    return true;
  }
}

/** What is stored may be no plan at all, after a fault of the disk or of an earlier version. */
export function isWhole({ steps, at, cards }: History): boolean {
  try {
    const shown = steps[at]?.plan;
    return steps.every(({ plan }) => Array.isArray(plan.parts)) && shown !== undefined && !!documentOf(shown, cards);
  } catch {
    return false;
  }
}

/** What is stored of a plan that is not open, as it is; null where that is nothing. */
export async function storedDocument(id: string): Promise<PlanDocument | null> {
  const history = (await loadPlan(id))?.history;
  const plan = history?.steps[history.at]?.plan;
  return history && plan ? { plan, cards: history.cards } : null;
}
