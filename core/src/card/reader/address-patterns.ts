/** Addresses written bit by bit, with the straps that set some of them: "0 1 0 0 A2 A1 A0", "1001 0 A1 A0 R/W". */

interface Bit {
  /** 0 or 1, or the name of the strap that sets it. */
  readonly is: string;
}

/** An address with how the straps stand for it. */
export interface PatternAddress {
  readonly address: number;
  readonly setting: string;
}

const BITS = 7;
/** More straps than these make no list that anybody chooses from. */
const MOST_STRAPS = 4;
const STRAP = /^(?:A(?:DDR?|D)?\d?|SA\d|SEL\d?|ADR\d?|CS\d)$/i;
const ONE_TOKEN = /^(?:[01xX]|A\d|AD\d)+$/i;
const READ_WRITE = /^\(?(?:R\s?\/?\s?\W?W\W?|RW|W\/R)\W*$/i;

const bare = (token: string): string => token.replace(/^[([{'"`]+|[)\]}.,;:'"`]+$/g, '');

/** The bits that one word stands for; none where it is another word. */
function bitsOf(token: string): Bit[] {
  const plain = bare(token);
  if (/^[01]{1,8}b?$/.test(plain)) return [...plain.replace(/b$/, '')].map((is) => ({ is }));
  if (STRAP.test(plain)) return [{ is: plain.toUpperCase() }];
  if (/^[xX]+$/.test(plain) && plain.length <= MOST_STRAPS)
    return [...plain].map((_, i) => ({ is: `bit ${plain.length - i - 1}` }));
  if (!ONE_TOKEN.test(plain) || !/[01]{2}/.test(plain)) return [];
  return [...plain.matchAll(/[01](?![\d])|A\d|AD\d|[01xX]/gi)].map(([is]) => ({ is: is.toUpperCase() }));
}

/** Every address that a pattern of bits allows; none where the text has no such pattern. */
export function patternAddresses(text: string): PatternAddress[] {
  const tokens = text.replace(/[|,]/g, ' ').split(/\s+/);
  for (let from = 0; from < tokens.length; from++) {
    const run: Bit[] = [];
    let to = from;
    while (to < tokens.length && run.length < BITS + 1) {
      const bits = bitsOf(tokens[to] ?? '');
      if (bits.length === 0) break;
      run.push(...bits);
      to += 1;
      // A full stop ends the pattern with the sentence.
      if (/[.;:]$/.test(tokens[to - 1] ?? '')) break;
    }
    const withDirection = run.length === BITS + 1 && run.at(-1)?.is === '0';
    const seven = withDirection ? run.slice(0, BITS) : run;
    const straps = seven.filter(({ is }) => !/^[01]$/.test(is));
    const isPattern = straps.length > 0 || (to - from >= BITS && seven.length === BITS);
    const next = tokens[to] ?? '';
    if (
      seven.length === BITS &&
      isPattern &&
      straps.length <= MOST_STRAPS &&
      (straps.length < BITS - 2 || READ_WRITE.test(next))
    )
      return expanded(seven, straps);
  }
  return [];
}

function expanded(bits: readonly Bit[], straps: readonly Bit[]): PatternAddress[] {
  return Array.from({ length: 2 ** straps.length }, (_, code) => {
    const level = (strap: Bit) => (code >> (straps.length - 1 - straps.indexOf(strap))) & 1;
    const address = bits.reduce((sum, bit) => sum * 2 + (/^[01]$/.test(bit.is) ? Number(bit.is) : level(bit)), 0);
    const setting = straps.map((strap) => `${strap.is} ${level(strap) === 1 ? 'high' : 'low'}`).join(', ');
    return { address, setting };
  });
}
