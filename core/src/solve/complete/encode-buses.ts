/** Buses as choices: whether they are there and at which clock, and who stays on them. */
import { keyOf } from '../../plan/ref.ts';
import type { Draft, DraftChoice } from '../joint/draft.ts';
import type { EncodingContext } from './encoding-context.ts';
import { ABSENT, CHOICE, RESOURCE } from './names.ts';
import type { Segment } from './segments.ts';

const thereOf = (segments: readonly Segment[], id: string): readonly string[] =>
  segments.find(({ bus }) => bus.id === id)?.there ?? [];

function busChoice({ segments, newSwitch }: EncodingContext, segment: Segment): DraftChoice {
  const { bus, after, behind } = segment;
  const requires: Record<string, readonly string[]> = {};
  if (after !== null) requires[CHOICE.bus(after)] = thereOf(segments, after);
  if (behind && newSwitch?.id === behind.part) requires[CHOICE.newSwitch] = newSwitch.addresses.map(String);
  if (behind) requires[CHOICE.bus(behind.upstream)] = thereOf(segments, behind.upstream);
  const there = segment.there.map((id, i): Draft => ({ id, goals: { changes: Number(i > 0) }, requires }));
  return { id: CHOICE.bus(bus.id), options: [{ id: ABSENT }, ...there] };
}

/** Members whose wiring is not decided hold their address and their bus. */
export function encodeHeld({ bench, segments, parts }: EncodingContext): DraftChoice[] {
  const decided = new Set(parts.map(({ choice }) => choice.id));
  return bench.circuit.buses.flatMap(({ id: bus, members }) => {
    const segment = segments.find((s) => s.bus.id === bus);
    if (!segment) return [];
    const requires = { [CHOICE.bus(bus)]: segment.there };
    return members.flatMap(({ part, port, address, selectors }): DraftChoice[] => {
      if (decided.has(part)) return [];
      const isAlone = address !== null && selectors.length === 0;
      const uses = isAlone ? [{ resource: RESOURCE.address(bus, address), amount: 1 }] : [];
      return [{ id: `held:${keyOf(part, port)}`, options: [{ id: 'there', uses, requires }] }];
    });
  });
}

export const encodeBuses = (making: EncodingContext): DraftChoice[] =>
  making.segments.map((segment) => busChoice(making, segment));
