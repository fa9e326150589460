import { covers, overlaps, pinHoles, placedBox, type Box, type Footprint } from '../board/footprint.ts';
import { COLUMNS, pointOfHole, type Grid, type Hole } from '../board/grid.ts';
import type { Card } from '../card/card.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { carrierOf } from '../circuit/carrier.ts';
import { footprintOf } from '../circuit/footprint.ts';
import { putDown } from '../circuit/put-down.ts';
import { matedPairs, metPins, plugged } from '../circuit/mated.ts';
import { netlistOf } from '../circuit/netlist.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { tells, type Text } from '../quantity/message.ts';
import { term } from './terms.ts';
import { perOwner } from '../quantity/memo.ts';

/** What is said here, by the data that it takes. */
export interface BodyClearanceSays {
  readonly holds: { part: Text; rows: number | null; longest: number };
  readonly coversEveryHoleBeside: { part: Text };
  readonly oneHole: null;
  readonly holes: { free: number };
  readonly leavesBesideEachPins: { part: Text; free: Text };
  readonly meaning: null;
  readonly needsFree: { label: Text; needs: readonly Text[] };
  readonly putDownOnePlace: { part: Text; otherPart: Text; needs: readonly Text[] };
  readonly oneThemHasGo: null;
  readonly first: { own: Text; label: Text; otherLabel: Text; other: Text; theirs: Text };
  readonly sticksOutSocketMeets: { own: Text; missing: readonly Text[] };
  readonly sitsSocketEveryPin: { own: Text };
  readonly headersTwoMakersLook: null;
  readonly words: { label: Text; own: Text };
  readonly nothing: null;
  readonly terminalIs: { label: Text; other: Text; theirs: Text };
}

const tell = tells<BodyClearanceSays>('body/clearance');

const meta = {
  id: 'body/clearance',
  station: 'wiring',
  breaks: 'fault',
  scope: 'plan',
  reads: ['body/size/height', 'body/size/width'],
} as const satisfies CheckMeta;

/** Long enough for any part, so that only the way across the board counts. */
const LONG: Grid = { rows: 150, pairs: 0, split: false };

/** The holes that stay free beside the pins of a part, at its best place across the board, and the rows it takes. */
const roomOf = perOwner((_card: Card, footprint: Footprint): { free: number; rows: number } | null => {
  const alongs = footprint.pins.map(({ along }) => along);
  const rows = Math.max(...alongs) - Math.min(...alongs) + 1;
  let free = -1;
  for (const column of COLUMNS)
    for (const turned of [false, true]) {
      const seat = { hole: { kind: 'row', board: 0, row: LONG.rows / 2, column } as Hole, turned };
      const holes = pinHoles([LONG], footprint, seat).map(({ hole }) => hole);
      const box = placedBox(footprint.body, seat);
      const beside = holes.map((hole) => (hole?.kind === 'row' ? freeBeside(hole.column, hole.row, box) : -1));
      free = Math.max(free, Math.min(...beside));
    }
  return free < 0 ? null : { free, rows };
});

const freeBeside = (column: string, row: number, box: Box): number =>
  COLUMNS.filter((c) => c <= 'e' === column <= 'e' && c !== column).filter(
    (c) => !covers(box, pointOfHole({ kind: 'row', board: 0, row, column: c })),
  ).length;

function judgeRoom(circuit: Circuit, part: PartNode, longest: number): Result[] {
  const footprint = footprintOf(part.card);
  if (!footprint) return [];
  const room = roomOf(part.card, footprint);
  const fits = room !== null && room.rows <= longest;
  const free = room?.free ?? 0;
  const wrong = !fits || free < 1;
  const rests = [[part.card.id, part.card.body?.size?.source] as const];
  return [
    result(circuit, meta, {
      subjects: [part.id],
      severity: wrong ? 'fault' : null,
      measured: free,
      limit: 1,
      unit: 'holes',
      margin: free - 1,
      ranked: false,
      message: !fits
        ? tell('holds', { part: part.label, rows: room?.rows ?? null, longest })
        : free < 1
          ? tell('coversEveryHoleBeside', { part: part.label })
          : tell('leavesBesideEachPins', {
              part: part.label,
              free: free === 1 ? tell('oneHole') : tell('holes', { free }),
            }),
      meaning: tell('meaning'),
      rests,
    }),
  ];
}

function judgeOver(circuit: Circuit): Result[] {
  const all = putDown(circuit);
  return all.flatMap(({ part, box }, i) =>
    all.slice(i + 1).flatMap((other): Result[] => {
      if (!overlaps(box, other.box)) return [];
      const needs = [part, other.part].flatMap(({ label, card }) =>
        card.body?.free ? [tell('needsFree', { label, needs: card.body.free.needs })] : [],
      );
      return [
        result(circuit, meta, {
          subjects: [part.id, other.part.id],
          severity: 'fault',
          message: tell('putDownOnePlace', {
            part: part.label,
            otherPart: other.part.label,
            needs,
          }),
          meaning: tell('oneThemHasGo'),
          rests: [part, other.part].map(
            ({ card }) => [card.id, card.body?.free?.source ?? card.body?.size?.source] as const,
          ),
        }),
      ];
    }),
  );
}

/** A part in a socket: what each of its pins meets there. */
function judgeMates(circuit: Circuit): Result[] {
  const stacked = matedPairs(circuit).filter(({ part }) => plugged(circuit, part));
  const netlist = stacked.length > 0 ? netlistOf(circuit) : null;
  return stacked.flatMap(({ part, host, pairs }): Result[] => {
    const [own, other] = [circuit.parts.get(part), circuit.parts.get(host)];
    if (!own || !other || !netlist) return [];
    const label = (node: PartNode, id: string) => node.card.terminals.find((t) => t.id === id)?.label ?? id;
    const met = metPins(netlist, own, other, pairs);
    const missing = own.card.terminals.filter(({ id, role: r }) => r !== 'unused' && !pairs.some(([a]) => a === id));
    const wrong = met.filter(({ agrees }) => !agrees);
    const powers = wrong.some(({ mine, theirs }) =>
      [mine, theirs].some((node) => node !== undefined && node.role !== 'signal'),
    );
    const [first] = wrong;
    const severity = wrong.length > 0 && powers ? 'danger' : wrong.length + missing.length > 0 ? 'fault' : null;
    return [
      result(circuit, meta, {
        subjects: [part, host],
        aspect: 'socket',
        severity,
        measured: pairs.length - wrong.length,
        limit: own.card.terminals.length,
        unit: 'pins',
        margin: -wrong.length - missing.length,
        ranked: false,
        message: first
          ? tell('first', {
              own: own.label,
              label: label(own, first.own),
              otherLabel: label(other, first.other),
              other: other.label,
              theirs: first.theirs?.label ?? term('nothing'),
            })
          : missing.length > 0
            ? tell('sticksOutSocketMeets', { own: own.label, missing: missing.map((t) => t.label) })
            : tell('sitsSocketEveryPin', { own: own.label }),
        meaning: tell('headersTwoMakersLook'),
        workings: met.map((pin) => ({
          name: tell('words', { label: label(own, pin.own), own: own.label }),
          sum: tell('terminalIs', {
            label: label(other, pin.other),
            other: other.label,
            theirs: pin.theirs?.label ?? tell('nothing'),
          }),
        })),
      }),
    ];
  });
}

export const bodyClearance = {
  meta,
  run: (circuit) => {
    const rows = circuit.plan.boards.flatMap((id) => circuit.cards.get(id)?.board?.rows ?? []);
    const carrier = carrierOf(circuit);
    const onBoard = (part: PartNode) =>
      part.card.mount === 'breadboard' &&
      part.choice?.fittedOn === undefined &&
      !plugged(circuit, part.id) &&
      !(carrier && part.id === circuit.controller?.id);
    const standing = rows.length > 0 ? [...circuit.parts.values()].filter(onBoard) : [];
    return [
      ...standing.flatMap((part) => judgeRoom(circuit, part, Math.max(...rows))),
      ...judgeOver(circuit),
      ...judgeMates(circuit),
    ];
  },
} satisfies Check;
