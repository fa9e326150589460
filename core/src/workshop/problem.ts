/** What is wrong with an answer: what was expected in place of what was typed. */
import { tells } from '../quantity/message.ts';
import { ReadError } from '../quantity/read-error.ts';

export interface AnswerSays {
  readonly words: { most: number; found: number };
  readonly empty: null;
  readonly oneOf: { values: readonly string[]; found: string };
  readonly yesNo: { found: string };
  readonly whole: { from: number; to: number; found: string };
  readonly number: { found: string };
  readonly figure: { found: string };
  readonly oneUnit: { found: string };
  readonly pair: { found: string };
  readonly field: { found: string };
  readonly id: { found: string };
}
const tell = tells<AnswerSays>('workshop/answer');

/** Thrown where an answer cannot be read; it says what was expected. */
class AnswerError extends ReadError {
  override readonly name = 'AnswerError';
}

export function refuse<Id extends keyof AnswerSays>(
  id: Id,
  ...data: AnswerSays[Id] extends null ? [] : [data: AnswerSays[Id]]
): never {
  throw new AnswerError(tell(id, ...data));
}
