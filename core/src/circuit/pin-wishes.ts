/** Lines that want a pin of the controller, and pins that are taken as feeds and grounds. */
import { toInterval } from '../card/to-interval.ts';
import { FEED_LINE, GROUND_LINE } from '../plan/edits.ts';
import { keyOf } from '../plan/ref.ts';
import { tells, type Text } from '../quantity/message.ts';
import type { PartNode, PinWish, PowerGraph } from './model.ts';
import { pinGroundId, pinGrounds } from './pin-ground.ts';
import type { Topology } from './topology.ts';
import type { Trunk } from './trunks.ts';
import { perOwner } from '../quantity/memo.ts';

/** What is said here, by the data that it takes. */
export interface PinWishesSays {
  readonly supply: { part: Text };
  readonly ground: { part: Text };
}
const tell = tells<PinWishesSays>('circuit/pin-wishes');

export const pinWishes = ({ trunks, parts, controller }: Topology, power: PowerGraph): PinWish[] => [
  ...trunks.filter(({ from, tied }) => from === null && tied === null).map((trunk) => wishOf(trunk)),
  ...feedWishes(parts, controller, power),
  ...groundWishes(parts, controller),
];

const wishOf = perOwner((trunk: Trunk): PinWish => ({
  id: trunk.id,
  of: trunk.of,
  line: trunk.line,
  label: trunk.label,
  ask: trunk.ask,
  pin: trunk.pin,
  locked: trunk.locked,
  weakPull: trunk.weakPull,
  meant: trunk.meant,
  frequency: frequencyOf(trunk),
  group: trunk.group,
  net: trunk.id,
}));

function frequencyOf({ ask, stations }: Trunk): PinWish['frequency'] {
  const stated = stations[0]?.port.frequency;
  return ask === 'pwm' && stated ? toInterval(stated) : null;
}

/** Pins that feed a part are taken like those of a line; they are chosen with the feed, so they stay. */
function feedWishes(
  parts: ReadonlyMap<string, PartNode>,
  controller: PartNode | null,
  { rails, feeds }: PowerGraph,
): PinWish[] {
  return [...feeds.values()].flatMap(({ part, supply, rail }) =>
    rail !== null && controller && rails.get(rail)?.pin
      ? [
          {
            id: keyOf(part, supply.id, FEED_LINE),
            of: keyOf(part, supply.id),
            line: FEED_LINE,
            label: tell('supply', { part: parts.get(part)?.label ?? part }),
            ask: 'out' as const,
            pin: rails.get(rail)?.offer.terminal ?? null,
            locked: true,
            weakPull: false,
            meant: false,
            frequency: null,
            group: null,
            net: rail,
          },
        ]
      : [],
  );
}

/** A pin that is the ground of a part is taken, too; several parts may stand on one. */
const groundWishes = (parts: ReadonlyMap<string, PartNode>, controller: PartNode | null): PinWish[] =>
  pinGrounds(parts, controller).map(({ part, pin }) => ({
    id: keyOf(part.id, GROUND_LINE, GROUND_LINE),
    of: keyOf(part.id, GROUND_LINE),
    line: GROUND_LINE,
    label: tell('ground', { part: part.label }),
    ask: 'out' as const,
    pin,
    locked: true,
    weakPull: false,
    meant: false,
    frequency: null,
    group: null,
    net: pinGroundId(pin),
  }));
