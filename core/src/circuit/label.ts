/** How terminals and lines are called. */
import { tells, wordOf, type Text } from '../quantity/message.ts';

export interface CircuitLabelSays {
  readonly of: { part: Text; name: string };
}

const tell = tells<CircuitLabelSays>('circuit/label');

/** "Light SDA": two names beside one another are one name; where the part has none of its own it is said. */
export const labelOf = (part: Text, name: string): Text =>
  typeof part === 'string' ? `${part} ${name}` : tell('of', { part, name });

/** Colours that wires usually have. */
const COLOURS = ['red', 'orange', 'black', 'green', 'yellow', 'blue', 'violet', 'white', 'grey', 'brown'];

/** A colour of a wire; one that nobody knows by its own name. */
export const colourText = (colour: string): Text => (COLOURS.includes(colour) ? wordOf('colour', colour) : colour);
