/** What is wrong with a plan: what was expected in place of what was found. */
import { tells } from '../quantity/message.ts';

/** What was expected, by what was found. */
export interface PlanProblemSays {
  card: { found: string };
  part: { found: string };
  otherPart: { found: string };
  need: { found: string };
  sensingNeed: { found: string };
  controller: { found: string };
  pin: { found: string };
  converter: { found: string };
  input: { card: string; found: string };
  supply: { card: string; found: string };
  rail: { found: string };
  freeTerminal: { card: string };
  groundOrSupply: { card: string; found: string };
  port: { card: string; found: string };
  bus: { found: string };
  busOfProtocol: { protocol: string; found: string; its: string };
  ownLine: { port: string; found: string };
  openSignal: { card: string; found: string };
  busSwitch: { found: string };
  circle: { way: readonly string[] };
  channel: { last: number; found: number };
  translator: { found: string };
  translatorCard: { found: string };
  partOrHelper: null;
  upperEnd: null;
  idOnce: { found: string; first: string };
  wireNumber: { found: string };
  numberOnce: { found: string; first: string };
}
export const expected = tells<PlanProblemSays>('plan/problem');

/** The forms that names in a plan have. A schema names the one that it wants by its code. */
export type PlanForm = 'rail' | 'net' | 'hole' | 'currency' | 'wireNumber';
export const form = (code: PlanForm): PlanForm => code;
