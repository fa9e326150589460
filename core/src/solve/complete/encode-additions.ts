/** Regulators and translators that may be added, and the bus switch; and what each rail has left. */
import { toInterval } from '../../card/to-interval.ts';
import { ABSENT, CHOICE, type EncodingContext, type Slot, cents } from './making.ts';
import { addressResource, optionsAt } from './placing.ts';
import { busLines } from './segments.ts';

/** Regulators and translators that may be added, and the bus switch. */
export function encodeAdditions({ bench, builder, slots, newSwitch, segments, parts }: EncodingContext): void {
  for (const extra of bench.standing.extras)
    builder.choice(CHOICE.extra(extra.part.id), [
      { id: ABSENT },
      { id: 'there', goals: { parts: 1, cents: extra.cents } },
    ]);
  for (const slot of slots) {
    const all = slot.card.translator?.channels.length ?? 0;
    builder.resource(`channels:${slot.id}`, all);
    builder.choice(CHOICE.slot(slot.id), [
      { id: ABSENT, uses: { [`channels:${slot.id}`]: all } },
      {
        id: 'there',
        goals: slot.helper ? {} : { parts: 1, cents: cents(bench.circuit, slot.card) },
        requires: slot.after === null ? {} : { [CHOICE.slot(slot.after)]: ['there'] },
      },
    ]);
  }
  // A bus takes as many channels of its translator as it has lines.
  const fars = new Map<string, Slot[]>();
  for (const slot of slots) fars.set(slot.far, [...(fars.get(slot.far) ?? []), slot]);
  for (const segment of segments) {
    if (segment.behind) continue;
    for (const [far, of] of fars) {
      const able = of.filter(({ card }) => segment.protocol === 'spi' || card.translator?.style === 'open-drain');
      const users = Object.fromEntries(
        parts.flatMap((part) => {
          const there = optionsAt(part, segment, far);
          return there.length > 0 ? [[CHOICE.part(part.choice.id), there]] : [];
        }),
      );
      builder.choice(CHOICE.side(segment.bus.id, far), [
        { id: ABSENT },
        ...able.map((slot) => ({
          id: slot.id,
          // Its resistors are not there for a side that nobody is on.
          needsAny: users,
          uses: { [`channels:${slot.id}`]: busLines(segment.protocol).length },
          requires: {
            [CHOICE.slot(slot.id)]: ['there'],
          },
        })),
      ]);
    }
  }
  if (newSwitch) {
    const first = segments.find(({ bus }) => bus.id === newSwitch.upstream);
    const port = newSwitch.card.ports.find(({ id }) => id === newSwitch.card.busSwitch?.port);
    builder.choice(CHOICE.newSwitch, [
      { id: ABSENT },
      ...(port?.addresses ?? []).map(({ value }) => ({
        id: String(value),
        goals: { parts: 1, cents: cents(bench.circuit, newSwitch.card) },
        uses: first ? { [builder.resource(addressResource(first, value), 1, 'address')]: 1 } : {},
      })),
    ]);
  }
}

/** What each rail has left for the parts, mA. Regulators that are not there take nothing. */
export function encodeRails({ bench, builder }: EncodingContext): void {
  const { derating } = bench.circuit.plan.rules;
  for (const [ref, rail] of bench.standing.wide.rails) {
    const most = toInterval(rail.offer.limit).min * derating;
    builder.resource(`current:${ref}`, Math.max(0, most - rail.peak) * 1e3);
  }
}
