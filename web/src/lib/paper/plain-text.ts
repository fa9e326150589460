/** Texts in the letters that the fonts of the paper have. */

/** Letters of one font, one after the other: those of the text around them, or signs that it lacks. */
export interface Run {
  readonly font: 'own' | 'signs' | 'micro';
  readonly text: string;
}

/** Signs of the trade that the fonts of words and values lack, and the font that has them. */
const SIGNS: Readonly<Record<string, 'signs' | 'micro'>> = {
  ...Object.fromEntries([...'ΩΣπσ≤≥≈≠∞√'].map((sign) => [sign, 'signs'] as const)),
  µ: 'micro',
};

/** What nobody thought of becomes a question mark. */
const OWN = /[\u0020-\u00ff\u2010-\u2026\u2122\u2212]/;

export function runsOf(text: string): Run[] {
  const runs: { font: Run['font']; text: string }[] = [];
  for (const letter of text) {
    const font = SIGNS[letter] ?? 'own';
    const written = font === 'own' && !OWN.test(letter) ? '?' : letter;
    const last = runs.at(-1);
    if (last?.font === font) last.text += written;
    else runs.push({ font, text: written });
  }
  return runs;
}

/** The text for what takes one font: names of files, widths. */
export const plain = (text: string): string =>
  runsOf(text)
    .map((run) => (run.font === 'own' ? run.text : 'O'.repeat([...run.text].length)))
    .join('');
