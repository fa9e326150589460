/** What is printed along the headers of a card, as it would be typed. */
import type { Card } from '../card/card.ts';
import { quoted } from './parts.ts';
import type { PrintedHeader } from './propose.ts';

const name = (text: string): string => quoted(text, ',|=:\n');

function written(label: string, names: readonly string[], colour: string | undefined): string {
  const all = [label, ...names].map(name).join('=');
  return colour === undefined || !/^[a-z]+$/.test(colour) ? all : `${colour}:${all}`;
}

export function printedOf({ headers, terminals }: Card): PrintedHeader[] {
  return headers.map(({ id, kind, across }) => {
    const along = terminals.filter(({ header }) => header === id).sort((a, b) => a.position - b.position);
    const pieces = along.map(({ label, names = [], lead }) => written(label, names, lead?.colour));
    const text = pieces.join(pieces.some((piece) => /\s/.test(piece)) ? ', ' : ' ');
    return { kind, text, ...(across === undefined ? {} : { across: `${Math.round(across * 1e5) / 100} mm` }) };
  });
}
