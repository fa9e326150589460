import type { Message } from '../quantity/message.ts';
import type { Library } from '../card/library.ts';
import type { Circuit } from '../circuit/model.ts';
import type { Result } from '../check/result.ts';
import type { Plan } from '../plan/plan.ts';

/** A change that might end a finding, before it was tried. */
export interface Candidate {
  /** What is changed on what, stable: "feed:scale.vcc:mcu.3v3". */
  readonly id: string;
  /** Said as an instruction. */
  readonly title: Message;
  readonly plan: Plan;
}

/** A change that was tried: the changed plan was verified. */
export interface Remedy extends Candidate {
  /** Keys of the findings that are gone. */
  readonly ends: readonly string[];
  /** Findings that were not there before; never a danger or fault. */
  readonly brings: readonly Result[];
  /** Keys of grave findings that stay and whose figure becomes clearly worse. */
  readonly deepens: readonly string[];
  /** Difference of the piece prices. */
  readonly cost: number;
  /** Parts and helpers more (or less). */
  readonly pieces: number;
}

export interface Context {
  readonly circuit: Circuit;
  readonly finding: Result;
  /** Every card that may be taken: the plan's own and the catalogue's. */
  readonly library: Library;
}

export type Proposer = (context: Context) => Candidate[];
