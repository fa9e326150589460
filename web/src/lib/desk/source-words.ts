import type { Source } from '@idle-breadboard/core/card';

const KINDS: Readonly<Record<Source['kind'], string>> = {
  datasheet: 'sheet',
  seller: 'seller',
  measured: 'measured',
  memory: 'memory',
  'class-typical': 'assumed',
};

export const SOURCE_KINDS = ['datasheet', 'seller', 'measured', 'memory'] as const;

/** "sheet, p. 4" */
export const sourceWords = ({ kind, page }: Source): string =>
  page === undefined ? KINDS[kind] : `${KINDS[kind]}, p. ${page}`;
