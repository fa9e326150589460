/** Markdown: what a text must not contain to stay inside its cell, and tables. */

/** A text as one cell: without what would end the cell or begin something else. */
export const tableCell = (text: string): string =>
  text
    .replace(/[\r\n]+/g, ' ')
    .replace(/([\\|`*_<>#[\]])/g, '\\$1')
    .trim();

/** @returns no line where there is no row */
export const table = (head: readonly string[], rows: readonly (readonly string[])[]): string[] =>
  rows.length === 0
    ? []
    : [
        `| ${head.join(' | ')} |`,
        `| ${head.map(() => '---').join(' | ')} |`,
        ...rows.map((row) => `| ${row.map(tableCell).join(' | ')} |`),
        '',
      ];
