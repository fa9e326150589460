/** What was read of a table of pins against what it says. */
import type { PinTable, ReadPin } from '../../src/workshop/pin-table/read.ts';
import type { PinTableCase } from './pin-tables.ts';

const marksOf = ({ strap, reserved, drives, pull, noPull }: ReadPin): string[] => [
  ...(strap ? [`strap ${strap}`] : []),
  ...(reserved ? [`reserved ${reserved}`] : []),
  ...(drives ? [`boot ${drives}`] : []),
  ...(pull ? [`boot ${pull}`] : []),
  ...(noPull ? ['nopull'] : []),
];

interface Score {
  found: number;
  wanted: number;
  readonly missed: string[];
  readonly wrong: string[];
  readonly wrongSure: string[];
}

export function pinScore(
  table: PinTable,
  { pins, marks = {}, matrix = '' }: Omit<PinTableCase, 'name' | 'text'>,
): Score {
  const result: Score = { found: 0, wanted: 0, missed: [], wrong: [], wrongSure: [] };
  const compare = (of: string, wanted: readonly string[], said: readonly { id: string; sure: boolean }[]) => {
    for (const id of wanted) {
      result.wanted++;
      if (said.some((one) => one.id === id)) result.found++;
      else result.missed.push(`${of} ${id}`);
    }
    for (const { id, sure } of said)
      if (!wanted.includes(id)) (sure ? result.wrongSure : result.wrong).push(`${of} ${id}`);
  };
  const named = new Map(table.pins.map((pin) => [pin.name, pin]));
  for (const [name, functions] of Object.entries(pins)) {
    compare(name, functions.split(' '), named.get(name)?.functions ?? []);
    const mark = marks[name];
    const said = named.get(name);
    if (mark !== undefined)
      compare(name, [mark], said && marksOf(said).includes(mark) ? [{ id: mark, sure: true }] : []);
    else if (said)
      compare(
        name,
        [],
        marksOf(said).map((id) => ({ id, sure: true })),
      );
  }
  for (const { name } of table.pins) if (!Object.hasOwn(pins, name)) result.wrongSure.push(`pin ${name}`);
  compare('any', matrix === '' ? [] : matrix.split(' '), table.matrix);
  return result;
}
