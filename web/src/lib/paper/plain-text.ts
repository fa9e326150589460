/** Texts in the letters that the fonts of the paper have. */
const WRITTEN: Readonly<Record<string, string>> = { Ω: 'Ohm', µ: 'u', '≤': '<=', '≥': '>=', '∞': 'open', Σ: 'sum of ' };

/** Signs that those fonts lack are written as one writes them without; what nobody thought of becomes a question mark. */
export const plain = (text: string): string =>
  text.replace(/[Ωµ≤≥∞Σ]/g, (sign) => WRITTEN[sign] ?? sign).replace(/[^\u0020-\u00ff\u2010-\u2026\u2122\u2212]/g, '?');
