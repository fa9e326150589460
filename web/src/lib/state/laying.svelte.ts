/** The layout of the plan that is shown: asked of its worker whenever the hardware changed, and kept while a newer one is on the way. */
import type { Build } from '@idle-breadboard/core/deliver';
import type { Result } from '@idle-breadboard/core/verify';
import type { BuildFile, LayWorker } from '../worker/lay';
import type { PaperSize } from '../paper/pdf-page';
import { Thread } from '../worker/thread';
import { threads } from '../worker/threads';
import { workbench } from './workbench.svelte';

/** ms without a change after which the wiring is laid out. */
const CALM = 250;

class Laying {
  build = $state.raw<Build | null>(null);
  /** Fingerprint of the plan that the build is of. */
  private of = $state('');
  private asked = '';
  private making = false;
  /** Whether anything was laid out yet: the first plan does not wait. */
  private began = false;
  private readonly thread = new Thread<LayWorker>(threads.lay);
  /** 0 to 1 while a layout is made. */
  share = $state(0);
  trouble = $state('');

  readonly stale = $derived(this.of !== workbench.study?.fingerprint);
  /** Whether what was read back is the circuit; null while that is not known. */
  readonly proven = $derived(this.stale || !this.build ? null : this.build.proof?.agrees === true);

  /** What its reader says, while it is of the plan that is shown. */
  readonly results = $derived<readonly Result[]>(this.stale || !this.build ? [] : this.build.results);

  /** Asked once no newer change came for a while: it takes the processor that the verdict of that change is to have. */
  private calm: ReturnType<typeof setTimeout> | undefined;
  askSoon(): void {
    this.hold();
    this.calm = setTimeout(() => void this.ask(), this.began ? CALM : 0);
  }

  /** A change is under way: what is made now is of a plan that is no more. */
  hold(): void {
    clearTimeout(this.calm);
    if (!this.making) return;
    this.making = false;
    this.asked = '';
    void this.thread.calls.drop();
  }

  /** Ticking a step changes no hardware and asks for nothing. */
  private async ask(): Promise<void> {
    const document = workbench.document;
    const print = workbench.study?.fingerprint;
    // Numbers of parts on one wire are no hardware, and stand on the wiring plan.
    const numbers = document?.plan.parts.flatMap(({ ports }) =>
      Object.values(ports).flatMap(({ number }) => number ?? []),
    );
    const wanted = `${print} ${numbers?.join(' ')}`;
    if (!document || !print || wanted === this.asked) return;
    this.asked = wanted;
    this.making = this.began = true;
    this.share = 0;
    this.trouble = '';
    try {
      const { plan, cards } = document;
      const build = await this.thread.newest((calls, whileNewest) =>
        calls.lay(
          plan,
          this.thread.fresh(cards),
          whileNewest(({ share }) => (this.share = share)),
        ),
      );
      if (!build) return;
      this.making = false;
      this.build = build;
      this.of = print;
    } catch (error) {
      this.making = false;
      this.trouble = error instanceof Error ? error.message : String(error);
    }
  }

  async pdf(size: PaperSize): Promise<Uint8Array | null> {
    return this.thread.calls.pdf(size);
  }

  async file(as: BuildFile): Promise<string> {
    return this.thread.calls.file(as);
  }
}

export const laying = new Laying();
