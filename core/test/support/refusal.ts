/** What is said of something that cannot be read; nothing where it can be. */
import { sayError } from '../../src/say/say.ts';

export function refusal(run: () => unknown): string {
  try {
    run();
  } catch (error) {
    return sayError(error);
  }
  return '';
}
