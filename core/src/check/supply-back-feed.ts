import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { isPluggedIn } from '../circuit/socket.ts';
import type { Join } from '../card/power.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { GUARD_DROP_LEAST } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/back-feed',
  title: 'No source feeds another',
  station: 'power',
  rule: 'Where sources meet at one supply, all but one stand behind a diode or a switch; and none is pushed into cells: the other’s highest − 0.2 V of its diode stays below the cells’ lowest. The socket of a controller counts as a source.',
  source: 'common practice; diode drop at its least 0.2 V',
  breaks: 'danger',
};

const V = (x: number) => formatQuantity(x, 'V', 4);

interface Meeting {
  readonly name: string;
  readonly source: string;
  readonly by: Join;
  readonly low: number;
  readonly high: number;
  readonly cells: boolean;
  /** The socket for a cable that is plugged in now and then. */
  readonly socket: boolean;
}

/** Everything that can feed one supply of a part. */
export function meetings(circuit: Circuit, part: PartNode, supply: string): Meeting[] {
  const refs = [part.choice?.feeds[supply], part.choice?.also?.[supply]].flatMap((ref) => ref ?? []);
  const rails = refs.flatMap((ref): Meeting[] => {
    const rail = circuit.rails.get(ref);
    if (!rail?.voltage) return [];
    const guard = circuit.guards.find((g) => g.part === part.id && g.supply === supply && g.rail === ref);
    const { min, max } = rail.voltage;
    // What the board's own socket passes on meets the supply behind what the card says.
    const own = rail.part === part.id && part.card.controller?.usb;
    const cells =
      rail.root === ref || rail.offer.from?.by === 'pass' ? circuit.rails.get(rail.root)?.offer.cells : undefined;
    return [
      {
        name: rail.label,
        source: rail.source,
        by: guard?.by ?? (own ? own.by : 'straight'),
        low: min,
        high: max,
        cells: cells !== undefined,
        socket: false,
      },
    ];
  });
  const usb = part.card.controller?.usb;
  // With a cable in it the socket is among the rails; without one it is a source that comes and goes.
  if (usb?.supply !== supply || rails.length === 0 || (part.choice && isPluggedIn(part.choice))) return rails;
  const { min, max } = toInterval(usb.voltage);
  return [
    ...rails,
    { name: `socket of ${part.label}`, source: 'socket', by: usb.by, low: min, high: max, cells: false, socket: true },
  ];
}

function judge(circuit: Circuit, part: PartNode, supply: string): Result[] {
  const all = meetings(circuit, part, supply);
  if (new Set(all.map(({ source }) => source)).size < 2) return [];
  const subjects = [`${part.id}.${supply}`];
  const straight = all.filter(({ by }) => by === 'straight');
  const push = (from: Meeting) => from.high - (from.by === 'diode' ? GUARD_DROP_LEAST : 0);
  // Through an open switch nothing flows; a closed diode keeps what is behind it from being fed.
  const pushed = straight.flatMap((into) =>
    all
      .filter((from) => from !== into && from.source !== into.source && from.by !== 'switch')
      .filter((from) => (into.cells ? push(from) > into.low : from.by === 'straight'))
      .map((from) => ({ from, into })),
  );
  const names = all.map(({ name }) => name).join(' and the ');
  const worst = pushed.find(({ into }) => into.cells) ?? pushed[0];
  const now = worst && !worst.from.socket && !worst.into.socket;
  const severity = !worst ? null : worst.into.cells || now ? 'danger' : 'caution';
  const measured = worst ? push(worst.from) : null;
  return [
    result(circuit, meta, {
      subjects,
      severity,
      measured,
      limit: worst?.into.low ?? null,
      unit: worst ? 'V' : '',
      margin: worst ? worst.into.low - push(worst.from) : null,
      ranked: false,
      message: !worst
        ? `The ${names} meet at ${part.label}; none can feed another.`
        : worst.into.cells
          ? `The ${worst.from.name} pushes up to ${V(push(worst.from))} into the ${worst.into.name}, which sinks to ${V(worst.into.low)}. Cells that are charged so leak or burst.`
          : now
            ? `The ${names} meet at ${part.label} without a diode or a switch; the higher one feeds the other.`
            : `While a cable is in the ${worst.from.socket ? worst.from.name : worst.into.name}, it meets the ${worst.from.socket ? worst.into.name : worst.from.name} without a diode. Take one out before the other goes in.`,
      meaning:
        'A source that is fed from outside regulates against it, overheats, or (cells) is charged without anyone watching.',
      workings: all.map(({ name, by, low, high }) => ({
        name,
        sum: `${V(low)} to ${V(high)}, ${by === 'straight' ? 'straight' : `behind a ${by}`}`,
      })),
      rests: [[part.card.id, part.card.controller?.usb?.source]],
    }),
  ];
}

export const supplyBackFeed: Check = {
  meta,
  run: (circuit) =>
    [...circuit.parts.values()].flatMap((part) => part.card.supplies.flatMap(({ id }) => judge(circuit, part, id))),
};
