/** Regulators, translators and the bus switch that may be added. */
import type { DraftChoice, Piece } from '../joint/draft.ts';
import { type EncodingContext, cents } from './encoding-context.ts';
import { ABSENT, CHOICE, RESOURCE } from './names.ts';
import { busLines } from './segments.ts';

export function encodeAdditions(making: EncodingContext): Piece {
  const { bench, slots } = making;
  const extras = bench.standing.extras.map((extra): DraftChoice => ({
    id: CHOICE.extra(extra.part.id),
    options: [{ id: ABSENT }, { id: 'there', goals: { parts: 1, cents: extra.cents } }],
  }));
  const translators = slots.map((slot): DraftChoice => {
    const channels = RESOURCE.channels(slot.id, slot.card);
    return {
      id: CHOICE.slot(slot.id),
      options: [
        { id: ABSENT, uses: [{ resource: channels, amount: channels.capacity }] },
        {
          id: 'there',
          goals: slot.helper ? {} : { parts: 1, cents: cents(bench.circuit, slot.card) },
          requires: slot.after === null ? {} : { [CHOICE.slot(slot.after)]: ['there'] },
        },
      ],
    };
  });
  return { choices: [...extras, ...translators, ...translated(making), ...busSwitch(making)] };
}

/** A bus takes as many channels of its translator as it has lines. */
function translated({ slots, sides }: EncodingContext): DraftChoice[] {
  return sides.flatMap(({ segment: { bus, protocol }, far, users }): DraftChoice[] => {
    if (far === null) return [];
    const able = slots.filter(
      (slot) => slot.far === far && (protocol === 'spi' || slot.card.translator?.style === 'open-drain'),
    );
    // Its resistors are not there for a side that nobody is on.
    const needsAny = Object.fromEntries([...users].map(([part, options]) => [CHOICE.part(part.choice.id), options]));
    const options = able.map(({ id, card }) => ({
      id,
      needsAny,
      uses: [{ resource: RESOURCE.channels(id, card), amount: busLines(protocol).length }],
      requires: { [CHOICE.slot(id)]: ['there'] },
    }));
    return [{ id: CHOICE.side(bus.id, far), options: [{ id: ABSENT }, ...options] }];
  });
}

function busSwitch({ bench, newSwitch }: EncodingContext): DraftChoice[] {
  if (!newSwitch) return [];
  const options = newSwitch.addresses.map((value) => ({
    id: String(value),
    goals: { parts: 1, cents: cents(bench.circuit, newSwitch.card) },
    uses: [{ resource: RESOURCE.address(newSwitch.upstream, value), amount: 1 }],
  }));
  return [{ id: CHOICE.newSwitch, options: [{ id: ABSENT }, ...options] }];
}
