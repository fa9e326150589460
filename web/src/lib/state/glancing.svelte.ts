/** How the plans on the shelf look and stand, worked out one by one beside the page. */
import type { PlanDocument } from '@idle-breadboard/core/plan';
import type { Glance, GlanceWorker } from '../worker/glance';
import { storedDocument } from './history.svelte';
import { Thread } from '../worker/thread';
import { threads } from '../worker/threads';

class Glancing {
  private readonly known = $state<Record<string, Glance>>({});
  private readonly thread = new Thread<GlanceWorker>(threads.glance);
  private readonly asked = new Set<string>();

  /** @param key changes whenever the plan does */
  of(key: string): Glance | undefined {
    return this.known[key];
  }

  async ask(key: string, { plan, cards }: PlanDocument, night: boolean): Promise<void> {
    if (this.asked.has(key)) return;
    this.asked.add(key);
    // A plan that cannot be looked at is still on the shelf: it can be opened, exported and removed.
    const glance = await this.thread.calls.glance(plan, cards, night).catch(() => null);
    if (glance) this.known[key] = glance;
  }

  async askStored(key: string, id: string, night: boolean): Promise<void> {
    if (this.asked.has(key)) return;
    const document = await storedDocument(id);
    if (document) await this.ask(key, document, night);
  }
}

export const glancing = new Glancing();
