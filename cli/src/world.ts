/** What a command is given and what it gives. */
import type { Library } from '@idle-breadboard/core/card';

export interface Output {
  readonly text: string;
  /** For stderr. */
  readonly complaint: string;
  /** 0 verified or done, 1 open, 2 refused. */
  readonly code: 0 | 1 | 2;
}

export interface World {
  readFile(path: string): string;
  catalogue(): Library;
}

export type As = 'text' | 'json' | 'csv' | 'svg';
