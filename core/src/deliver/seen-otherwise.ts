/**
 * Rows under power that nobody has measured and a program has seen something of: a part that answers has a supply, a pin that is read as it
 * should has a level. That alone is less than a voltage within its bounds: parts answer on 5 V in place of 3.3 as well. So nothing is said until
 * every check before power and every rail was measured and is as expected, and nowhere where a cell keeps leads from being checked before power.
 */
import type { BusNode, Circuit } from '../circuit/model.ts';
import { behindId, subjectOf } from '../circuit/netlist-builder.ts';
import { netOf } from '../circuit/watched.ts';
import { tells, type Message, type Text } from '../quantity/message.ts';
import type { BringUpSheet, SheetRow } from './sheet-row.ts';

/** What is said here, by the data that it takes. */
export interface DeliverSeenOtherwiseSays {
  readonly answers: { part: Text };
  readonly behindAnswer: { part: Text };
  readonly doesWhatItShould: { part: Text };
  readonly readAsItShould: null;
}

const tell = tells<DeliverSeenOtherwiseSays>('deliver/seen-otherwise');

/** Parts that a reading as expected is an answer of. */
function answering(circuit: Circuit, { kind, key, subjects }: SheetRow): readonly string[] {
  const [first = ''] = subjects;
  if (kind === 'heard') return circuit.controller ? [circuit.controller.id] : [];
  if (kind === 'works' || kind === 'word' || kind === 'analog') return [first];
  if (kind !== 'scan' && kind !== 'count') return [];
  const bus = circuit.buses.find(({ id }) => key === `${kind}:${id}`);
  const members = bus?.members.map(({ part }) => part) ?? [];
  return bus ? [...members, ...onTheWay(circuit, bus, members)] : [];
}

/** What stands between the controller and parts of a bus that answer: translators, and the switch that the bus is behind. */
function onTheWay(circuit: Circuit, { id, behind }: BusNode, members: readonly string[]): readonly string[] {
  const beyond = circuit.nets.flatMap((net) =>
    net.bus === id && net.beyond !== null && net.ends.some(({ part }) => members.includes(part)) ? [net.beyond] : [],
  );
  return [...beyond, ...(behind ? [behind.part] : [])];
}

/** Those that answer, and before them what they are fed through, to the source. */
function fedThrough(circuit: Circuit, answer: ReadonlySet<string>): ReadonlySet<string> {
  const alive = new Set(answer);
  // What is added feeds nothing that was looked at already but by its own feeds, which are looked at then.
  for (const part of alive)
    for (const feed of circuit.feeds.values()) {
      const before = feed.part === part ? circuit.rails.get(feed.rail ?? '')?.part : undefined;
      if (before !== undefined) alive.add(before);
    }
  return alive;
}

const isRail = (circuit: Circuit, subject: string): boolean => circuit.rails.has(subjectOf(subject));

/**
 * @param inside keys of the rows that were read and are as expected
 * @returns what is known, by the key of each row that was not read; none while one of those is left or outside
 */
export function seenOtherwise(
  circuit: Circuit,
  { rows, live }: Pick<BringUpSheet, 'rows' | 'live'>,
  inside: ReadonlySet<string>,
): ReadonlyMap<string, Message> {
  // Leads of what has power even then were checked by nobody.
  if (live) return new Map();
  const before = rows.filter(
    ({ phase, kind, standard, subjects: [first = ''] }) =>
      standard && (phase === 'off' || (phase === 'power' && kind === 'volts' && isRail(circuit, first))),
  );
  if (before.some(({ key }) => !inside.has(key))) return new Map();
  const answer = new Set(rows.flatMap((row) => (inside.has(row.key) ? answering(circuit, row) : [])));
  const alive = fedThrough(circuit, answer);
  const moves = new Set(
    rows.flatMap(({ key, kind, subjects: [part] }) =>
      kind === 'works' && inside.has(key) && part !== undefined ? [part] : [],
    ),
  );
  const label = (id: string): Text => circuit.parts.get(id)?.label ?? id;
  const seen = ({ phase, kind, subjects, probes }: SheetRow): Message | null => {
    if (kind !== 'volts') return null;
    const [first = ''] = subjects;
    if (phase === 'rest') {
      const red = probes?.red;
      if (red?.kind !== 'terminal' || red.part !== circuit.controller?.id) return null;
      if (inside.has(`level:${red.terminal}`)) return tell('readAsItShould');
      // What is never let go, as a relay's line, is seen by what it moves.
      const moved = netOf(circuit, first)?.ends.find(({ part, controller }) => !controller && moves.has(part));
      return moved ? tell('doesWhatItShould', { part: label(moved.part) }) : null;
    }
    if (phase !== 'power') return null;
    if (isRail(circuit, first)) return null;
    const fed = [...circuit.feeds.values()].find(({ part, supply }) => behindId({ part, supply: supply.id }) === first);
    const part = fed?.part ?? first;
    if (!alive.has(part)) return null;
    return tell(answer.has(part) ? 'answers' : 'behindAnswer', { part: label(part) });
  };
  return new Map(
    rows.flatMap((row) => {
      const says = inside.has(row.key) ? null : seen(row);
      return says ? [[row.key, says] as const] : [];
    }),
  );
}
