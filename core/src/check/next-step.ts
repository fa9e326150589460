/** What is missing or worst, said at one place: the one thing to do next. */
import type { Circuit } from '../circuit/model.ts';
import { tells, type Message } from '../quantity/message.ts';
import { isBlocking, type Result, type StationId } from './result.ts';

export interface NextStepSays {
  readonly sayNeeds: null;
  readonly chooseController: null;
  readonly settle: { finding: Message };
  readonly layOut: null;
  readonly wire: { done: number; steps: number };
  readonly noLayout: null;
  readonly measure: null;
  readonly allDone: null;
}
const tell = tells<NextStepSays>('next');

/** How far the build itself has come. */
export interface Progress {
  /** Ticked steps of the wiring. */
  readonly done: number;
  /** How many there are; null while it is being laid out, none where it could not be. */
  readonly steps: number | null;
  /** What was measured on this build is signed off. */
  readonly signedOff: boolean;
}

export interface NextStep {
  readonly station: StationId;
  readonly message: Message;
  /** The finding that it is about. */
  readonly finding: string | null;
}

/**
 * The next step, in the order of the work: what is wanted, what reads it, what is wrong, then the hands.
 * @param findings worst first
 */
export function nextStep(circuit: Circuit, findings: readonly Result[], progress: Progress): NextStep {
  const { plan } = circuit;
  const at = (station: StationId, message: Message, finding: string | null = null): NextStep => ({
    station,
    message,
    finding,
  });
  if (plan.needs.length === 0 && plan.parts.length === 0) return at('need', tell('sayNeeds'));
  const worst = findings.find(isBlocking);
  if (worst?.severity === 'danger') return at(worst.station, tell('settle', { finding: worst.message }), worst.key);
  // Without a controller nearly everything else that is wrong follows from that.
  if (!circuit.controller) return at('control', tell('chooseController'));
  if (worst) return at(worst.station, tell('settle', { finding: worst.message }), worst.key);
  const { done, steps, signedOff } = progress;
  if (steps === null) return at('wiring', tell('layOut'));
  if (steps === 0) return at('wiring', tell('noLayout'));
  if (done < steps) return at('wiring', tell('wire', { done, steps }));
  return signedOff ? at('parts', tell('allDone')) : at('bring-up', tell('measure'));
}
