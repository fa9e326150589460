/** What the maker's own program prints of converters that no self-test asks: rows of the sheet by the name of their part. */
import type { LoggedReading } from '../capture/readings-log.ts';
import type { SheetRow } from './sheet-row.ts';

/** V in one of each unit; a number alone may as well be a count of steps. */
const VOLTS: ReadonlyMap<string, number> = new Map([
  ['V', 1],
  ['mV', 1e-3],
]);

/**
 * @param labelOf the name of a part, as the program has it from the plan
 * @returns V of each row that was printed, of what was printed twice the last
 */
export function printedRows(
  rows: readonly SheetRow[],
  printed: readonly LoggedReading[],
  labelOf: (part: string) => string,
): readonly { readonly row: SheetRow; readonly value: number }[] {
  const plain = (text: string) => text.trim().toLowerCase();
  return rows.flatMap((row) => {
    const [part] = row.subjects;
    if (row.kind !== 'analog' || part === undefined) return [];
    const label = plain(labelOf(part));
    const found = printed.findLast(
      ({ name, value, unit }) => plain(name) === label && value !== null && VOLTS.has(unit),
    );
    return found?.value === undefined || found.value === null
      ? []
      : [{ row, value: found.value * (VOLTS.get(found.unit) ?? 1) }];
  });
}
