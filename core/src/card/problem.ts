/** What is wrong with a card: what was expected in place of what was found. */
import { tells } from '../quantity/message.ts';

export interface CardProblemSays {
  idOnce: { found: string };
  header: { found: string };
  terminal: { found: string };
  supply: { found: string };
  power: { found: string };
  rail: { found: string };
  port: { found: string };
  signal: { found: string };
  pin: { found: string };
  source: { found: string };
  lineOfPort: { found: string };
  lineOfProtocol: { protocol: string; lines: readonly string[]; found: string };
  voltage: null;
  noSocketSupply: { name: string };
  printedName: { controller: string; found: string };
  anyBound: null;
  boundsInOrder: { found: readonly string[] };
  notNegative: { unit: string; found: string };
  beyond: { unit: string; least: number; most: number; found: string };
  nothingAtAll: { unit: string };
  upwards: { from: string; found: string };
  guaranteed: null;
  curveFalls: null;
  curveEnds: null;
}
export const expected = tells<CardProblemSays>('card/problem');

/** The forms that names in a card have. A schema names the one that it wants by its code. */
export type CardForm = 'id' | 'plainText' | 'currency' | 'pinFunction' | 'unit' | 'pwmChannel';
export const form = (code: CardForm): CardForm => code;
