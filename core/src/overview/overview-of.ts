/** The picture of a build, from its circuit and what is proved of it. */
import type { Verdict } from '../check/standing.ts';
import type { Circuit } from '../circuit/model.ts';
import { feedTree } from './feeds.ts';
import { Findings } from './marks.ts';
import type { Column, Overview, Row } from './model.ts';
import { columnOrder } from './order.ts';
import { linesByPart, rowsOf } from './rows.ts';

/** The places that parts are at, so that lines are short; parts of which nobody said a place stand nearest. */
function columnsOf({ plan }: Circuit, rows: readonly Row[]): Column[] {
  const placesIn = ({ taps }: Row) => [...new Set(taps.map(({ place }) => place))];
  const names = [...new Set(rows.flatMap(placesIn))];
  const said = names.filter((name) => name !== null);
  const order = columnOrder(
    said.length,
    rows.map((row) => placesIn(row).flatMap((name) => (name === null ? [] : [said.indexOf(name)]))),
  );
  const columns = order.flatMap((at): Column[] => {
    const name = said[at];
    if (name === undefined) return [];
    const place = plan.places.find((one) => one.name === name);
    return [{ place: name, lead: place?.lead ?? null, wet: place !== undefined && place.water !== 'dry' }];
  });
  return names.includes(null) ? [{ place: null, lead: null, wet: false }, ...columns] : columns;
}

/** Pure; the same circuit and verdict give the same picture. */
export function overviewOf(circuit: Circuit, verdict: Verdict): Overview {
  const { controller } = circuit;
  const findings = new Findings(verdict.findings);
  const seen = { circuit, verdict, findings, wishes: linesByPart(circuit.wishes, circuit.buses) };
  // What is most telling asks first for the findings that name it.
  const feeds = feedTree(circuit, findings);
  const rows = rowsOf(seen);
  const used = new Set(circuit.wishes.flatMap(({ pin }) => pin ?? []));
  return {
    hub: controller
      ? {
          part: controller.id,
          label: controller.label,
          used: used.size,
          pins: controller.card.controller?.pins.length ?? 0,
          mark: findings.take([controller.id]),
        }
      : null,
    feeds,
    columns: columnsOf(circuit, rows),
    rows,
  };
}
