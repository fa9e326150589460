/** A translator between the controller and the ports of some parts: a part of its own, which stands on two rails. */
import { z } from 'zod';
import { Id } from '../../card/figure.ts';
import { distinct, tells, type Text } from '../../quantity/message.ts';
import { PinChoice, RailRef } from '../pin-choice.ts';
import type { HelperKind } from './kind.ts';

export const TranslatorHelper = z.strictObject({
  id: Id,
  kind: z.literal('translator'),
  card: Id,
  near: RailRef,
  far: RailRef,
  ports: z
    .array(z.strictObject({ part: Id, port: Id }))
    .min(1)
    .max(64),
  /** The pin that its enable is on; missing where it is always on. */
  gate: PinChoice.optional(),
});
export type TranslatorHelper = z.infer<typeof TranslatorHelper>;

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
