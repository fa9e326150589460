/** Parts as choices: rail, translator, bus and address together, since each asks for the others. */
import type { Port } from '../../card/port.ts';
import { toInterval } from '../../card/to-interval.ts';
import { tells } from '../../quantity/message.ts';
import type { Draft, DraftUse, Piece } from '../joint/draft.ts';
import type { Member } from '../joint/problem.ts';
import { type EncodingContext } from './encoding-context.ts';
import type { Slot } from './slots.ts';
import { CHOICE, LEFT_OUT, RESOURCE } from './names.ts';
import { busPort, placedId, takesTurns } from './places.ts';
import type { Segment } from './segments.ts';
import type { PartOptions, Way } from './ways.ts';

/** Uses of an address: on a bus also on the channels below it, where its member would answer too. */
function addressUses({ segments }: EncodingContext, { bus }: Segment, address: number): DraftUse[] {
  const below = segments.filter(({ behind }) => behind?.upstream === bus.id);
  return [bus, ...below.map((segment) => segment.bus)].map(({ id }) => ({
    resource: RESOURCE.address(id, address),
    amount: 1,
  }));
}

/** The clocks of a bus that this part can follow on it. */
const clocksFor = ({ bench }: EncodingContext, port: Port, segment: Segment, way: Way): string[] => {
  const through = bench.library.get(way.wired.through?.card ?? '')?.translator;
  const most = Math.min(
    port.clock ? toInterval(port.clock).max : Infinity,
    through ? toInterval(through.clock).max : Infinity,
  );
  return segment.there.filter((id) => id === 'there' || Number(id) <= most);
};

/** The ways of a part on a bus, wherever each can be. @param pulls the options of what pulls a side of a bus up */
function busDrafts(
  making: EncodingContext,
  pulls: Pulls,
  part: PartOptions,
  port: Port,
  bases: readonly Base[],
): Draft[] {
  const { slots, bench } = making;
  const choice = part.choice.ports[port.id];
  const had = choice?.address ?? port.addresses?.[0]?.value;
  const turns = takesTurns(bench, part);
  return making.places.flatMap(({ id, part: of, way: w, segment, far, address }): Draft[] => {
    const way = of.ways[w];
    const base = bases[w];
    if (of !== part || !way || !base) return [];
    const pull = CHOICE.pull(segment.bus.id, far);
    const suits = (slot: Slot) => slot.card.id === way.wired.through?.card && slot.far === far;
    const moved = segment.bus.id !== choice?.bus || (address !== null && address !== had);
    return [
      {
        id,
        goals: { ...base.goals, changes: (base.goals.changes ?? 0) + Number(moved) },
        uses: [
          ...base.uses,
          ...(address === null || turns ? [] : addressUses(making, segment, address)),
          ...loadOn(part, way, segment, far),
        ],
        requires: {
          ...base.requires,
          [CHOICE.bus(segment.bus.id)]: clocksFor(making, port, segment, way),
          ...(port.protocol === 'spi' ? {} : { [pull]: pulls.get(pull) ?? [] }),
          ...(far === null ? {} : { [CHOICE.side(segment.bus.id, far)]: slots.filter(suits).map((slot) => slot.id) }),
        },
      },
    ];
  });
}

/** What a part adds to the capacitance of its side of the bus, F. */
function loadOn(part: PartOptions, way: Way, segment: Segment, far: string | null): DraftUse[] {
  if (segment.protocol !== 'i2c') return [];
  const nets = way.wired.circuit.nets.filter(
    (net) => net.bus !== null && net.ends.some((end) => end.part === part.choice.id),
  );
  const own = nets.map((net) =>
    net.capacitanceTerms.reduce((sum, { part: of, farads }) => sum + (of === part.choice.id ? farads : 0), 0),
  );
  const farads = Math.max(0, ...own);
  return [{ resource: RESOURCE.load(segment.bus.id, far, Infinity), amount: farads * 1e12 }];
}

/** Lines of its own that pass a translator, where the part has no port on a bus. */
function ownDrafts(making: EncodingContext, part: PartOptions, way: Way, w: number, base: Base): Draft[] {
  const { through } = way.wired;
  if (!through) return [{ ...base, id: placedId({ way: w, bus: null, address: null, slot: null }) }];
  const lines = part.node.card.ports.reduce((sum, port) => sum + Object.keys(port.lines).length, 0);
  return making.slots
    .filter((slot) => slot.card.id === through.card && slot.far === through.far && slot.near === through.near)
    .map((slot): Draft => {
      // One with a direction is for one part alone: all its channels point the same way.
      const resource = RESOURCE.channels(slot.id, slot.card);
      const amount = slot.card.translator?.style === 'push-pull' ? resource.capacity : lines;
      return {
        ...base,
        id: placedId({ way: w, bus: null, address: null, slot: slot.id }),
        uses: [...base.uses, { resource, amount }],
        requires: { ...base.requires, [CHOICE.slot(slot.id)]: ['there'] },
      };
    });
}

/** What is said here, by the data that it takes. */
export interface SolveCompleteEncodePartsSays {
  readonly lock: { part: string };
}

const tell = tells<SolveCompleteEncodePartsSays>('solve/complete-encode-parts');

/** What a way of wiring a part comes to wherever the part is. */
type Base = Required<Pick<Draft, 'goals' | 'uses' | 'requires'>>;

function baseOf({ bench, rails }: EncodingContext, part: PartOptions, { wired }: Way): Base {
  const { feeds, through, goals, loads } = wired;
  const now = part.ways[part.now]?.wired.through?.far ?? null;
  const moved = part.now >= 0 && (through?.far ?? null) !== now;
  const used = new Set([...Object.values(feeds), ...(through ? [through.far] : [])]);
  const extras = bench.standing.extras.filter(({ rail }) => used.has(rail));
  return {
    goals: { ...goals, changes: (goals.changes ?? 0) + Number(moved) },
    // On every rail that has a limit.
    uses: [...loads].flatMap(([rail, amps]) => {
      const resource = rails.get(rail);
      return resource ? [{ resource, amount: amps * 1e3 }] : [];
    }),
    requires: Object.fromEntries(extras.map((extra) => [CHOICE.extra(extra.part.id), ['there']])),
  };
}

/** Options of what pulls a side of a bus up, by choice. */
type Pulls = ReadonlyMap<string, readonly string[]>;

export function encodePart(making: EncodingContext, pulls: Pulls, part: PartOptions): Piece {
  const { id, label, locked } = part.choice;
  const whole: Member = { id: `part:${id}`, kind: 'part', of: id, label };
  const lock: Member | null = locked
    ? { id: `lock:${id}`, kind: 'lock', of: id, label: tell('lock', { part: label }) }
    : null;
  const port = busPort(part);
  const bases = part.ways.map((way) => baseOf(making, part, way));
  const options = port
    ? busDrafts(making, pulls, part, port, bases)
    : part.ways.flatMap((way, w) => (bases[w] ? ownDrafts(making, part, way, w, bases[w]) : []));
  const isAsIs = (draft: Draft) => (draft.goals?.changes ?? 0) === 0;
  const held = options.map((draft) => (lock && !isAsIs(draft) ? { ...draft, freedBy: lock.id } : draft));
  return {
    members: lock ? [whole, lock] : [whole],
    choices: [{ id: CHOICE.part(id), options: [...held, { id: LEFT_OUT, freedBy: whole.id }] }],
  };
}
