/** The cards that ship with the app, for the server's routes. */
import { libraryOf, type Card, type Library } from '@idle-breadboard/core/card';

const cards = import.meta.glob<Card>('../../../../catalogue/cards/*.json', { eager: true, import: 'default' });

export const catalogue: Library = libraryOf(Object.values(cards));
