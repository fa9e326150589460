/** A diode across a coil: it takes over the current when the coil is switched off. */
import type { DiodeHelper } from './shapes.ts';
import { tells, type Text } from '../../quantity/message.ts';
import type { HelperKind } from './kind.ts';

export interface DiodeSays {
  readonly diode: { card: Text; part: Text };
}
const tell = tells<DiodeSays>('plan/helper');

export const diode: HelperKind<DiodeHelper> = {
  renamed(helper, to) {
    const part = to.part(helper.part, 'part');
    return part === null ? null : { ...helper, part, card: to.card(helper.card, 'card') };
  },
  legs: ({ part, card }) => [{ is: 'coil-diode', part, card }],
  label: ({ part, card }, called) => tell('diode', { card: called.card(card), part: called.part(part) }),
};
