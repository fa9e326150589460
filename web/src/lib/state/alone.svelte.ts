/** The part at the desk, alone on the bench with a controller: proved in a thread of its own while it is entered. */
import type { Card } from '@idle-breadboard/core/card';
import { documentOf } from '@idle-breadboard/core/plan';
import { ALONE, smallestBuild, type Completion } from '@idle-breadboard/core/solve';
import { lookUpNext, type Assumed } from '@idle-breadboard/core/workshop';
import type { CompleteWorker } from '../worker/complete';
import { Thread } from '../worker/thread';
import { threads } from '../worker/threads';
import { drawer } from './drawer.svelte';

/** ms without a change before the bench is set up. */
const PAUSE = 400;

type Phase = 'idle' | 'working' | 'done' | 'nothing' | 'failed';

class AloneOnBench {
  private readonly thread = new Thread<CompleteWorker>(threads.complete);
  private pause: ReturnType<typeof setTimeout> | undefined;
  private asked = '';

  partner = $state<string | null>(null);
  phase = $state<Phase>('idle');
  found = $state.raw<Completion | null>(null);
  card = $state.raw<Card | null>(null);

  controllers = $derived([...drawer.cards.values()].filter(({ kind }) => kind === 'controller'));
  next = $derived<readonly Assumed[]>(this.card && this.found ? lookUpNext(this.card, this.found.verdict, ALONE) : []);

  private get board(): Card | undefined {
    return this.controllers.find(({ id }) => id === this.partner) ?? this.controllers[0];
  }

  /** Takes up a card as it is now; what was asked before is given up. */
  show(card: Card | null): void {
    clearTimeout(this.pause);
    const key = card ? `${this.board?.id} ${JSON.stringify(card)}` : '';
    if (key === this.asked) return;
    this.asked = key;
    this.thread.end();
    this.found = null;
    this.phase = card ? 'working' : 'idle';
    if (card) this.pause = setTimeout(() => void this.prove(card), PAUSE);
  }

  private async prove(card: Card): Promise<void> {
    const board = this.board;
    const library = new Map([...drawer.cards, [card.id, card]]);
    const plan = board && smallestBuild(card, board, library);
    if (!plan) {
      this.phase = 'nothing';
      return;
    }
    try {
      const { cards } = documentOf(plan, [card], library);
      const found = await this.thread.newest<Completion>((calls, whileNewest) =>
        calls.complete(
          plan,
          cards,
          [...library.values()],
          whileNewest(() => undefined),
        ),
      );
      if (!found) return;
      this.card = card;
      this.found = found;
      this.phase = 'done';
    } catch {
      this.phase = 'failed';
    }
  }

  end(): void {
    clearTimeout(this.pause);
    this.asked = '';
    this.thread.end();
    this.phase = 'idle';
    this.found = null;
  }
}

export const alone = new AloneOnBench();
