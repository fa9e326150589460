/** Parts as choices: rail, translator, bus and address together, since each asks for the others. */
import type { Port } from '../../card/port.ts';
import { toInterval } from '../../card/to-interval.ts';
import { tells } from '../../quantity/message.ts';
import type { Draft } from '../joint/builder.ts';
import { CHOICE, type EncodingContext, LEFT_OUT, type Slot, isThere } from './making.ts';
import { addressResource, addressesOf, busPort, placedId } from './placing.ts';
import type { Segment } from './segments.ts';
import type { PartOptions, Way } from './ways.ts';

/** True for a part that something takes off the bus in turn: its address is nobody's alone. */
const takesTurns = ({ bench }: EncodingContext, part: PartOptions, port: Port): boolean =>
  bench.circuit.buses.some(({ members }) =>
    members.some((m) => m.part === part.choice.id && m.port === port.id && m.selectors.length > 0),
  );

/** Uses of an address: on a channel also of the bus above it, where it would answer too. */
function addressUses(making: EncodingContext, segment: Segment, address: number): Record<string, number> {
  const { builder, segments } = making;
  const uses: Record<string, number> = {};
  const use = (id: string) => (uses[builder.resource(id, 1, 'address')] = 1);
  if (segment.behind) {
    use(`${addressResource(segment, address)}`);
    return uses;
  }
  use(addressResource(segment, address));
  for (const below of segments) if (below.behind?.upstream === segment.bus.id) use(addressResource(below, address));
  return uses;
}

/** The most that the bus may be clocked with this part on it. */
const clocksFor = ({ builder, bench }: EncodingContext, port: Port, bus: string, way: Way): string[] => {
  const through = bench.library.get(way.wired.through?.card ?? '')?.translator;
  const most = Math.min(
    port.clock ? toInterval(port.clock).max : Infinity,
    through ? toInterval(through.clock).max : Infinity,
  );
  return builder.optionsOf(CHOICE.bus(bus), (id) => isThere(id) && (id === 'there' || Number(id) <= most));
};

function busDrafts(making: EncodingContext, part: PartOptions, way: Way, w: number, base: Omit<Draft, 'id'>): Draft[] {
  const { segments, slots, builder } = making;
  const port = busPort(part);
  if (!port) return [];
  const choice = part.choice.ports[port.id];
  const turns = takesTurns(making, part, port);
  return segments.flatMap((segment): Draft[] => {
    if (segment.protocol !== port.protocol || (segment.behind && way.wired.through)) return [];
    if (turns && segment.bus.id !== choice?.bus) return [];
    // A bus switch does not hang on its own channel.
    if (segment.behind?.part === part.choice.id) return [];
    const far = way.wired.through?.far ?? null;
    const pullId = CHOICE.pull(segment.bus.id, far);
    const pulls = builder.optionsOf(pullId, isThere);
    const side = CHOICE.side(segment.bus.id, far ?? '');
    const suits = (slot: Slot) => slot.card.id === way.wired.through?.card && slot.far === far;
    const requires: Record<string, readonly string[]> = {
      ...base.requires,
      [CHOICE.bus(segment.bus.id)]: clocksFor(making, port, segment.bus.id, way),
      ...(port.protocol === 'spi' ? {} : { [pullId]: pulls }),
      ...(way.wired.through ? { [side]: slots.filter(suits).map(({ id }) => id) } : {}),
    };
    const addresses = addressesOf(part, port);
    return addresses.map((address): Draft => {
      const had = choice?.address ?? port.addresses?.[0]?.value;
      const moved = segment.bus.id !== choice?.bus || (address !== null && address !== had);
      return {
        id: placedId({ way: w, bus: segment.bus.id, address, slot: null }),
        goals: { ...base.goals, changes: (base.goals?.changes ?? 0) + Number(moved) },
        uses: {
          ...base.uses,
          ...(address === null || turns ? {} : addressUses(making, segment, address)),
          ...loadOn(making, part, way, segment, far),
        },
        requires,
      };
    });
  });
}

/** What a part adds to the capacitance of its side of the bus, F. */
function loadOn(
  making: EncodingContext,
  part: PartOptions,
  way: Way,
  segment: Segment,
  far: string | null,
): Record<string, number> {
  if (segment.protocol !== 'i2c') return {};
  const nets = way.wired.circuit.nets.filter(
    (net) => net.bus !== null && net.ends.some((end) => end.part === part.choice.id),
  );
  const own = nets.map((net) =>
    net.capacitanceTerms.reduce((sum, { part: of, farads }) => sum + (of === part.choice.id ? farads : 0), 0),
  );
  const farads = Math.max(0, ...own);
  const id = `load:${segment.bus.id}:${far ?? 'near'}`;
  // In picofarads: the search compares capacities of about one size.
  return { [making.builder.resource(id, Infinity)]: farads * 1e12 };
}

/** Lines of its own that pass a translator, where the part has no port on a bus. */
function ownDrafts(making: EncodingContext, part: PartOptions, way: Way, w: number, base: Omit<Draft, 'id'>): Draft[] {
  const { through } = way.wired;
  if (!through) return [{ ...base, id: placedId({ way: w, bus: null, address: null, slot: null }) }];
  const lines = part.node.card.ports.reduce((sum, port) => sum + Object.keys(port.lines).length, 0);
  return making.slots
    .filter((slot) => slot.card.id === through.card && slot.far === through.far && slot.near === through.near)
    .map((slot): Draft => {
      // One with a direction is for one part alone: all its channels point the same way.
      const all = slot.card.translator?.channels.length ?? 0;
      const channels = slot.card.translator?.style === 'push-pull' ? all : lines;
      return {
        ...base,
        id: placedId({ way: w, bus: null, address: null, slot: slot.id }),
        uses: { ...base.uses, [`channels:${slot.id}`]: channels },
        requires: { ...base.requires, [CHOICE.slot(slot.id)]: ['there'] },
      };
    });
}

/** Current in milliamperes on every rail that has a limit. */
export interface SolveCompleteEncodePartsSays {
  readonly lock: { part: string };
}

const tell = tells<SolveCompleteEncodePartsSays>('solve/complete-encode-parts');

const currents = (way: Way): Record<string, number> =>
  Object.fromEntries([...way.wired.loads].map(([rail, amps]) => [`current:${rail}`, amps * 1e3]));

export function encodePart(making: EncodingContext, part: PartOptions): void {
  const { builder, bench } = making;
  const id = part.choice.id;
  const member = builder.member({ id: `part:${id}`, kind: 'part', of: id, label: part.choice.label });
  const lock = part.choice.locked
    ? builder.member({ id: `lock:${id}`, kind: 'lock', of: id, label: tell('lock', { part: part.choice.label }) })
    : null;
  const extras = new Map(bench.standing.extras.map((extra) => [extra.rail, CHOICE.extra(extra.part.id)]));
  const options = part.ways.flatMap((way, w): Draft[] => {
    const base: Omit<Draft, 'id'> = {
      goals: {
        ...way.wired.goals,
        changes:
          (way.wired.goals.changes ?? 0) +
          Number(
            part.now >= 0 && (way.wired.through?.far ?? null) !== (part.ways[part.now]?.wired.through?.far ?? null),
          ),
      },
      uses: currents(way),
      requires: Object.fromEntries(
        [...Object.values(way.wired.feeds), ...(way.wired.through ? [way.wired.through.far] : [])].flatMap((rail) => {
          const extra = extras.get(rail);
          return extra === undefined ? [] : [[extra, ['there']]];
        }),
      ),
    };
    return busPort(part) ? busDrafts(making, part, way, w, base) : ownDrafts(making, part, way, w, base);
  });
  const isAsIs = (draft: Draft) => (draft.goals?.changes ?? 0) === 0;
  builder.choice(CHOICE.part(id), [
    ...options.map((draft) => (lock && !isAsIs(draft) ? { ...draft, freedBy: lock } : draft)),
    { id: LEFT_OUT, freedBy: member },
  ]);
}
