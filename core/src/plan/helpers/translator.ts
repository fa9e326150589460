/** A translator between the controller and the ports of some parts: a part of its own, which stands on two rails. */
import type { TranslatorHelper } from './shapes.ts';
import { distinct, tells, type Text } from '../../quantity/message.ts';
import type { HelperKind } from './kind.ts';

export interface TranslatorSays {
  readonly translator: { card: Text; parts: readonly Text[] };
}
const tell = tells<TranslatorSays>('plan/helper');

export const translator: HelperKind<TranslatorHelper> = {
  renamed(helper, to) {
    const ports = helper.ports.flatMap((name, i) => to.port(name, `ports/${i}`) ?? []);
    const [near, far] = [to.rail(helper.near, 'near'), to.rail(helper.far, 'far')];
    if (ports.length === 0 || near === null || far === null) return null;
    const gate = helper.gate && to.pin(helper.gate, 'gate/pin');
    return { ...helper, card: to.card(helper.card, 'card'), ports, near, far, ...(gate ? { gate } : {}) };
  },
  legs: () => [],
  label: ({ card, ports }, called) =>
    tell('translator', { card: called.card(card), parts: distinct(ports.map(({ part }) => called.part(part))) }),
};
