/** What a part is called where nobody named it: what it is, not what it is for. */
import type { Card } from '../card/card.ts';
import type { Service } from '../card/kinds.ts';
import type { Need } from './plan.ts';

const NOUNS: Readonly<Record<Service, string>> = {
  text: 'display',
  pictures: 'display',
  light: 'light',
  'colour light': 'lights',
  sound: 'sounder',
  'moving air': 'fan',
  switching: 'relay',
  button: 'button',
  knob: 'knob',
  contact: 'contact',
  'clock time': 'clock',
  radio: 'radio',
};

/** @param need the first that it serves: a board that measures several things is called after the one that it was chosen for */
export function whatItIs(card: Card, need?: Need): string {
  if (need?.kind === 'sense') return `${need.quantity} sensor`;
  const service = (need && need.kind !== 'trigger' ? need.service : undefined) ?? card.serves?.[0];
  return service ? NOUNS[service] : card.contact ? NOUNS.switching : card.name;
}
