import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { isPluggedIn } from '../circuit/socket.ts';
import type { Join } from '../card/power.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { GUARD_DROP_LEAST } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result, type Severity } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/back-feed',
  title: 'No source feeds another',
  station: 'power',
  rule: 'Of the sources that meet at one supply none that stands there straight is pushed into. Straight beside straight always is; through a diode one is by the other’s voltage − 0.2 V: above the lowest of cells, above 0 V of a computer’s port or socket (it may be off), usually above the highest of any other source. A switch that a hand turns guards nothing: it is a caution. The socket of a controller counts as a source.',
  source: 'common practice; diode drop at its least 0.2 V',
  breaks: 'danger',
};

const V = (x: number) => formatQuantity(x, 'V', 4);

interface Meeting {
  readonly name: string;
  readonly source: string;
  readonly by: Join;
  readonly low: number;
  readonly usual: number;
  readonly high: number;
  readonly cells: boolean;
  /** The socket for a cable that is plugged in now and then. */
  readonly socket: boolean;
  /** The port of a computer: at 0 V while that is off. */
  readonly port: boolean;
  /** Behind a switch that somebody has to turn. */
  readonly hand: boolean;
}

/** Everything that can feed one supply of a part. */
export function meetings(circuit: Circuit, part: PartNode, supply: string): Meeting[] {
  const refs = [part.choice?.feeds[supply], part.choice?.also?.[supply]].flatMap((ref) => ref ?? []);
  const rails = refs.flatMap((ref): Meeting[] => {
    const rail = circuit.rails.get(ref);
    if (!rail?.voltage) return [];
    const guard = circuit.guards.find((g) => g.part === part.id && g.supply === supply && g.rail === ref);
    const { min, typ, max } = rail.voltage;
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
        usual: typ,
        high: max,
        cells: cells !== undefined,
        socket: false,
        port: circuit.rails.get(rail.root)?.offer.port !== undefined,
        hand: guard?.by === 'switch',
      },
    ];
  });
  const usb = part.card.controller?.usb;
  // With a cable in it the socket is among the rails; without one it is a source that comes and goes.
  if (usb?.supply !== supply || rails.length === 0 || (part.choice && isPluggedIn(part.choice))) return rails;
  const { min, typ, max } = toInterval(usb.voltage);
  return [
    ...rails,
    {
      name: `socket of ${part.label}`,
      source: 'socket',
      by: usb.by,
      low: min,
      usual: typ,
      high: max,
      cells: false,
      socket: true,
      port: true,
      hand: false,
    },
  ];
}

interface Push {
  readonly from: Meeting;
  readonly into: Meeting;
  /** V that arrive, at the most, and what the other may be at. */
  readonly volts: number;
  readonly limit: number;
  readonly severity: Severity;
}

const DIODE = ({ by }: Meeting): number => (by === 'diode' ? GUARD_DROP_LEAST : 0);

/**
 * What one source does to another that nothing guards; null where it is not pushed into.
 * @param at of a diode between two that give their own voltage: usually, or at the end of its range that is worst
 */
function pushOf(from: Meeting, into: Meeting, at: 'usual' | 'high' = 'usual'): Push | null {
  if (from === into || from.source === into.source) return null;
  // A switch of the board itself lets one through at a time; one that is turned by hand may be on.
  const open = (m: Meeting) => m.by === 'straight' || m.hand;
  if (!open(into) || (from.by === 'switch' && !from.hand)) return null;
  const volts = from.high - DIODE(from);
  const straight = open(from);
  const limit = into.cells ? into.low : into.port ? 0 : straight ? into.low : into.high;
  const pushed = into.cells || into.port ? volts > limit : straight || from[at] - DIODE(from) > limit;
  if (!pushed) return null;
  const now = !from.socket && !into.socket;
  const severity =
    from.hand || into.hand
      ? 'caution'
      : into.cells
        ? 'danger'
        : !now
          ? 'caution'
          : straight || into.port
            ? 'danger'
            : 'fault';
  return { from, into, volts, limit, severity };
}

function said({ from, into, volts, limit }: Push, part: string, names: string): string {
  const hand = from.hand ? from : into.hand ? into : null;
  const other = hand === from ? into : from;
  if (hand)
    return `Turn the switch before the ${hand.name} off before the ${other.name} comes on: they meet at ${part}, and nothing else keeps the one from feeding the other.`;
  if (into.cells)
    return `The ${from.name} pushes up to ${V(volts)} into the ${into.name}, which sinks to ${V(limit)}. Cells that are charged so leak or burst.`;
  if (from.socket || into.socket)
    return `While a cable is in the ${from.socket ? from.name : into.name}, it meets the ${from.socket ? into.name : from.name} ${from.by === 'diode' ? 'through a diode that does not guard it' : 'without a diode'}. Take one out before the other goes in.`;
  if (into.port)
    return `The ${from.name} pushes up to ${V(volts)} into the ${into.name}, which is at 0 V while the computer is off. The port, or what it feeds there, can be destroyed.`;
  return from.by === 'diode'
    ? `The ${from.name} pushes ${V(volts)} through its diode into the ${into.name}, which stands beside it straight and gives ${V(limit)} at most.`
    : `The ${names} meet at ${part} without a diode or a switch; the higher one feeds the other.`;
}

/** Where none is pushed into: never, or only while the one is at its highest, which a source that gives its own voltage takes. */
function none(all: readonly Meeting[], part: string, names: string): string {
  const [most] = all
    .flatMap((into) => all.flatMap((from) => pushOf(from, into, 'high') ?? []))
    .toSorted((a, b) => b.volts - b.limit - (a.volts - a.limit));
  const kept = all.some(({ cells, port }) => cells || port) ? ', and none pushes into cells or a port' : '';
  return most
    ? `The ${names} meet at ${part}; usually none pushes another above what it gives itself${kept}. At its highest the ${most.from.name} is ${V(most.volts - most.limit)} above the ${most.into.name}.`
    : `The ${names} meet at ${part}; none can push another above what it gives itself${kept}.`;
}

const RANK = ['danger', 'fault', 'caution'];

function judge(circuit: Circuit, part: PartNode, supply: string): Result[] {
  const all = meetings(circuit, part, supply);
  if (new Set(all.map(({ source }) => source)).size < 2) return [];
  const names = all.map(({ name }) => name).join(' and the ');
  const [worst] = all
    .flatMap((into) => all.flatMap((from) => pushOf(from, into) ?? []))
    .toSorted((a, b) => RANK.indexOf(a.severity) - RANK.indexOf(b.severity) || b.volts - b.limit - (a.volts - a.limit));
  return [
    result(circuit, meta, {
      subjects: [`${part.id}.${supply}`],
      // What a hand has to remember is another thing to say than what happens by itself.
      ...(worst && (worst.from.hand || worst.into.hand) ? { keyed: [`${part.id}.${supply}`, 'by hand'] } : {}),
      severity: worst?.severity ?? null,
      measured: worst?.volts ?? null,
      limit: worst?.limit ?? null,
      unit: worst ? 'V' : '',
      margin: worst ? worst.limit - worst.volts : null,
      ranked: false,
      message: worst ? said(worst, part.label, names) : none(all, part.label, names),
      meaning:
        'A source that is fed from outside regulates against it, overheats, or (cells) is charged without anyone watching.',
      workings: all.map(({ name, by, low, high, port, hand }) => ({
        name,
        sum: `${V(low)} to ${V(high)}${port ? ', or 0 V' : ''}, ${by === 'straight' ? 'straight' : `behind a ${by}${hand ? ' that is turned by hand' : ''}`}`,
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
