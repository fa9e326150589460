/** A row for each bus and for the lines of each part that is on none; what hangs behind a gate is a row under it. */
import type { BusNode, PartNode, PinWish } from '../circuit/model.ts';
import { beyondOf, ownerOf } from '../plan/ref.ts';
import type { Gate, Row, Tap } from './model.ts';
import { tellOverview } from './says.ts';
import { gateOf, gatesOn, pinLabel, type Seen, tapOf } from './taps.ts';

/** What is in no row: it feeds, or holds, or joins. */
const BESIDE: ReadonlySet<string> = new Set([
  'source',
  'regulator',
  'controller',
  'translator',
  'carrier',
  'board',
  'leads',
  'cable',
  'resistor',
  'joint',
  'diode',
  'capacitor',
]);

/** Loads by what switches them; a load with lines of its own hangs on those. */
function switchedBy({ circuit, wishes }: Seen): Map<string, PartNode[]> {
  const found = new Map<string, PartNode[]>();
  for (const part of circuit.parts.values())
    for (const { driver } of Object.values(part.choice?.ports ?? {}))
      if (driver !== undefined && circuit.parts.has(driver) && !wishes.has(part.id))
        found.set(driver, [...(found.get(driver) ?? []), part]);
  return found;
}

const busName = ({ name, id }: BusNode): string => name || id;

/** Rows of one bus: its own, one for each translator on it, and those of the buses behind its switches. */
function busRows(seen: Seen, bus: BusNode, under: Row['under'], above: readonly string[] = []): Row[] {
  const { circuit, findings } = seen;
  const way = [...above, bus.id];
  // What hangs behind itself is cut where it closes.
  const below = circuit.buses.filter(
    ({ id, behind }) => behind && !way.includes(id) && bus.members.some(({ part }) => part === behind.part),
  );
  const switches = new Set(below.map(({ behind }) => behind?.part));
  const tap = (id: string): Tap[] => {
    const part = circuit.parts.get(id);
    const member = bus.members.find((one) => one.part === id);
    return part ? [tapOf(seen, part, member?.address ?? null, [], bus.id)] : [];
  };
  const near = bus.members.filter(({ part, beyond }) => beyond === null && !switches.has(part));
  const gates = [...new Set(bus.members.flatMap(({ beyond }) => beyond ?? []))];
  const lines = circuit.wishes.filter(({ of }) => of === bus.id);
  const taps = near.flatMap(({ part }) => tap(part));
  const row: Row = {
    id: bus.id,
    kind: 'bus',
    name: busName(bus),
    protocol: bus.protocol,
    clock: bus.clock,
    pins: under ? [] : lines.map(({ pin }) => pinLabel(circuit, pin)),
    lines: Math.max(1, lines.length),
    under,
    taps,
    mark: findings.take([bus.id]),
  };
  const beyond = gates.map((gate): Row => ({
    ...row,
    id: beyondOf(bus.id, gate),
    name: '',
    clock: null,
    pins: [],
    under: { row: bus.id, gate: gateOf(seen, 'translator', gate) },
    taps: bus.members.filter((member) => member.beyond === gate).flatMap(({ part }) => tap(part)),
    mark: null,
  }));
  const behind = below.flatMap((segment) =>
    busRows(
      seen,
      segment,
      {
        row: bus.id,
        gate: gateOf(seen, 'switch', segment.behind?.part ?? '', segment.behind?.channel ?? null),
      },
      way,
    ),
  );
  return [row, ...beyond, ...behind];
}

const pinsOf = ({ circuit }: Seen, wishes: readonly PinWish[]): string[] =>
  wishes.map(({ pin }) => pinLabel(circuit, pin));

/** Rows of what is on no bus, and stubs to further lines of what is on one. */
function lineRows(seen: Seen, onBus: ReadonlySet<string>): Row[] {
  const { circuit, wishes, findings } = seen;
  const loads = switchedBy(seen);
  return [...wishes].flatMap(([id, lines]): Row[] => {
    const part = circuit.parts.get(id);
    if (!part || part.id === circuit.controller?.id) return [];
    const row = {
      id: lines[0]?.of ?? id,
      name: '',
      protocol: null,
      clock: null,
      pins: pinsOf(seen, lines),
      lines: lines.length,
      under: null,
    };
    if (onBus.has(id)) return [{ ...row, kind: 'stub', name: part.label, taps: [], mark: findings.take([row.id]) }];
    const gates = gatesOn(seen, id);
    const driven = loads.get(id) ?? [];
    const switching = (): Gate => gateOf(seen, part.card.contact ? 'relay' : 'driver', id);
    const taps =
      driven.length > 0
        ? driven.map((load) => tapOf(seen, load, null, [...gates, switching()], null))
        : [tapOf(seen, part, null, gates, null)];
    return [{ ...row, kind: 'line', taps, mark: findings.take([row.id]) }];
  });
}

/** Parts whose lines end at another part and not at a pin: what a converter reads hangs under the bus that it is on. */
function beyondParts(seen: Seen, rows: readonly Row[]): Row[] {
  const { circuit } = seen;
  const shown = new Set(
    rows.flatMap(({ taps, under }) => [
      ...taps.flatMap(({ part, gates }) => [part, ...gates.map((gate) => gate.part)]),
      under?.gate.part,
    ]),
  );
  const left = [...circuit.parts.values()].filter(
    ({ id, card, helper }) => !shown.has(id) && !helper && !BESIDE.has(card.kind),
  );
  const hosts = new Map<string, PartNode[]>();
  const apart: PartNode[] = [];
  for (const part of left) {
    const other = circuit.nets
      .filter(({ ends }) => ends.some((end) => end.part === part.id))
      .flatMap(({ ends }) => ends)
      .find((end) => end.part !== part.id && rows.some(({ taps }) => taps.some((tap) => tap.part === end.part)))?.part;
    if (other === undefined) apart.push(part);
    else hosts.set(other, [...(hosts.get(other) ?? []), part]);
  }
  const under = [...hosts].flatMap(([host, parts]): Row[] => {
    const row = rows.find(({ taps }) => taps.some(({ part }) => part === host));
    return row
      ? [
          {
            ...row,
            id: beyondOf(row.id, host),
            kind: 'line',
            name: '',
            clock: null,
            protocol: null,
            pins: [],
            lines: 1,
            under: { row: row.id, gate: gateOf(seen, 'switch', host) },
            taps: parts.map((part) => tapOf(seen, part, null, [], null)),
            mark: null,
          },
        ]
      : [];
  });
  const loose: Row[] =
    apart.length === 0
      ? []
      : [
          {
            id: 'apart',
            kind: 'line',
            name: tellOverview('apart'),
            protocol: null,
            clock: null,
            pins: [],
            lines: 0,
            under: null,
            taps: apart.map((part) => tapOf(seen, part, null, [], null)),
            mark: null,
          },
        ];
  return [...under, ...loose];
}

/** Rows behind a gate stand right below the one that they hang on. */
function nested(rows: readonly Row[]): Row[] {
  const after = (parent: string | null): Row[] =>
    rows.filter(({ under }) => (under?.row ?? null) === parent).flatMap((row) => [row, ...after(row.id)]);
  return after(null);
}

export function rowsOf(seen: Seen): Row[] {
  const { circuit } = seen;
  const onBus = new Set(circuit.buses.flatMap(({ members }) => members.map(({ part }) => part)));
  const roots = circuit.buses.filter(({ behind }) => behind === null);
  const rows = [...roots.flatMap((bus) => busRows(seen, bus, null)), ...lineRows(seen, onBus)];
  return nested([...rows, ...beyondParts(seen, rows)]);
}

/** Lines that are on no bus, by their part. */
export function linesByPart(wishes: readonly PinWish[], buses: readonly BusNode[]): Map<string, PinWish[]> {
  const known = new Set(buses.map(({ id }) => id));
  const found = new Map<string, PinWish[]>();
  for (const wish of wishes)
    if (!known.has(wish.of)) found.set(ownerOf(wish.of), [...(found.get(ownerOf(wish.of)) ?? []), wish]);
  return found;
}
