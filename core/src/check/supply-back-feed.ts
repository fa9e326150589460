import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { isPluggedIn } from '../circuit/socket.ts';
import type { Join } from '../card/power.ts';
import { GUARD_DROP_LEAST } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result, type Severity } from './result.ts';
import { quantityOf, tells, type Text, type Quantity, type Message, wordOf } from '../quantity/message.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overParts } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyBackFeedSays {
  readonly socket: { part: Text };
  readonly turnSwitchBeforeOff: { hand: Text; other: Text; part: Text };
  readonly pushesUpIntoWhich: { from: Text; volts: Quantity; into: Text; limit: Quantity };
  readonly throughDiodeDoesNot: null;
  readonly whileCableMeetsTake: { socket: Text; other: Text; by: Text };
  readonly pushesInto: { from: Text; volts: Quantity; into: Text };
  readonly pushesThroughDiodeInto: { from: Text; volts: Quantity; into: Text; limit: Quantity };
  readonly meetWithoutDiodeOr: { names: readonly Text[]; part: Text };
  readonly nonePushesIntoCells: null;
  readonly meetUsuallyNonePushes: {
    names: readonly Text[];
    part: Text;
    kept: Text;
    from: Text;
    most: Quantity;
    into: Text;
  };
  readonly meetNoneCanPush: { names: readonly Text[]; part: Text; kept: Text };
  readonly meaning: null;
  readonly orV: null;
  readonly turnedHand: null;
  readonly behind: { by: Text; hand: Text };
  readonly to: { low: Quantity; high: Quantity; port: Text; by: Text };
}

const tell = tells<SupplyBackFeedSays>('supply/back-feed');

const meta = {
  id: 'supply/back-feed',
  station: 'power',
  breaks: 'danger',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

const V = (x: number) => quantityOf(x, 'V', 4);

interface Meeting {
  readonly name: Text;
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
      name: tell('socket', { part: part.label }),
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

function said({ from, into, volts, limit }: Push, part: Text, names: readonly Text[]): Message {
  const hand = from.hand ? from : into.hand ? into : null;
  const other = hand === from ? into : from;
  if (hand) return tell('turnSwitchBeforeOff', { hand: hand.name, other: other.name, part });
  if (into.cells)
    return tell('pushesUpIntoWhich', { from: from.name, volts: V(volts), into: into.name, limit: V(limit) });
  if (from.socket || into.socket)
    return tell('whileCableMeetsTake', {
      socket: from.socket ? from.name : into.name,
      other: from.socket ? into.name : from.name,
      by: from.by === 'diode' ? tell('throughDiodeDoesNot') : term('withoutDiode'),
    });
  if (into.port) return tell('pushesInto', { from: from.name, volts: V(volts), into: into.name });
  return from.by === 'diode'
    ? tell('pushesThroughDiodeInto', { from: from.name, volts: V(volts), into: into.name, limit: V(limit) })
    : tell('meetWithoutDiodeOr', { names, part });
}

/** Where none is pushed into: never, or only while the one is at its highest, which a source that gives its own voltage takes. */
function none(all: readonly Meeting[], part: Text, names: readonly Text[]): Message {
  const [most] = all
    .flatMap((into) => all.flatMap((from) => pushOf(from, into, 'high') ?? []))
    .toSorted((a, b) => b.volts - b.limit - (a.volts - a.limit));
  const kept = all.some(({ cells, port }) => cells || port) ? tell('nonePushesIntoCells') : '';
  return most
    ? tell('meetUsuallyNonePushes', {
        names,
        part,
        kept,
        from: most.from.name,
        most: V(most.volts - most.limit),
        into: most.into.name,
      })
    : tell('meetNoneCanPush', { names, part, kept });
}

const RANK = ['danger', 'fault', 'caution'];

function judge(circuit: Circuit, part: PartNode, supply: string): Result[] {
  const all = meetings(circuit, part, supply);
  if (new Set(all.map(({ source }) => source)).size < 2) return [];
  const names = all.map(({ name }) => name);
  const [worst] = all
    .flatMap((into) => all.flatMap((from) => pushOf(from, into) ?? []))
    .toSorted((a, b) => RANK.indexOf(a.severity) - RANK.indexOf(b.severity) || b.volts - b.limit - (a.volts - a.limit));
  return [
    result(circuit, meta, {
      subjects: [keyOf(part.id, supply)],
      // What a hand has to remember is another thing to say than what happens by itself.
      ...(worst && (worst.from.hand || worst.into.hand) ? { keyed: [keyOf(part.id, supply), 'by hand'] } : {}),
      severity: worst?.severity ?? null,
      measured: worst?.volts ?? null,
      limit: worst?.limit ?? null,
      unit: worst ? 'V' : '',
      margin: worst ? worst.limit - worst.volts : null,
      ranked: false,
      message: worst ? said(worst, part.label, names) : none(all, part.label, names),
      meaning: tell('meaning'),
      workings: all.map(({ name, by, low, high, port, hand }) => ({
        name,
        sum: tell('to', {
          low: V(low),
          high: V(high),
          port: port ? tell('orV') : '',
          by:
            by === 'straight'
              ? term('straight')
              : tell('behind', { by: wordOf('guard', by), hand: hand ? tell('turnedHand') : '' }),
        }),
      })),
      rests: [[part.card.id, part.card.controller?.usb?.source]],
    }),
  ];
}

export const supplyBackFeed = {
  meta,
  ...overParts((circuit, part) => part.card.supplies.flatMap(({ id }) => judge(circuit, part, id))),
} satisfies Check;
