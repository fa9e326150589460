/** Thrown where a text cannot be read: what it says is data, for `say` to put into words. */
import type { Message } from './message.ts';

export class ReadError extends Error {
  override readonly name: string = 'ReadError';
  constructor(readonly says: Message) {
    super(`${says.topic} ${says.id} ${JSON.stringify(says.data)}`);
  }
}
