/** The cards that ship, read from their files. For the command line and for tests; the web app bundles them. */
import { readdirSync, readFileSync } from 'node:fs';
import { libraryOf, type Library } from '@idle-breadboard/core/card';
import { readCard } from '@idle-breadboard/core/files';

export function readCatalogue(): Library {
  const folder = new URL('cards/', import.meta.url);
  const cards = readdirSync(folder)
    .filter((name) => name.endsWith('.json'))
    .map((name) => {
      const read = readCard(readFileSync(new URL(name, folder), 'utf8'));
      if (!read.ok)
        throw new Error(`${name}: ${read.problems.map(({ path, message }) => `${path} ${message}`).join('; ')}`);
      return read.value;
    });
  return libraryOf(cards);
}
