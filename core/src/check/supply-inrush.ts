import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { PORT_CAPACITANCE } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/inrush',
  title: 'Plugging in does not trip the port',
  station: 'power',
  rule: 'What stands across a port of a computer when it is plugged in, straight or through what only passes it on, is 10 µF at most.',
  source: 'USB 2.0 §7.2.4.1 (from memory)',
  standard: true,
  breaks: 'caution',
};

interface Piece {
  readonly label: string;
  readonly farads: number;
}

/** Capacitors on a rail, and on the rails that it passes into without a regulator between. */
function across(circuit: Circuit, ref: string, seen: ReadonlySet<string> = new Set()): Piece[] {
  if (seen.has(ref)) return [];
  return [...circuit.feeds.values()]
    .filter((feed) => feed.rail === ref)
    .flatMap(({ part, supply }): Piece[] => {
      const node = circuit.parts.get(part);
      const label = node?.label ?? part;
      const own = supply.capacitance ? [{ label, farads: toInterval(supply.capacitance).max }] : [];
      const fitted = circuit.plan.helpers.flatMap((h) =>
        h.kind === 'capacitor' && h.part === part && h.supply === supply.id
          ? [{ label: `capacitor at ${label}`, farads: h.farads }]
          : [],
      );
      const passed = (node?.card.rails ?? []).filter(({ from }) => from?.supply === supply.id && from.by === 'pass');
      return [
        ...own,
        ...fitted,
        ...passed.flatMap(({ id }) => across(circuit, `${part}.${id}`, new Set([...seen, ref]))),
      ];
    });
}

function judge(circuit: Circuit, rail: Rail): Result[] {
  const pieces = rail.offer.port ? across(circuit, rail.ref) : [];
  if (pieces.length === 0) return [];
  const farads = pieces.reduce((sum, piece) => sum + piece.farads, 0);
  const margin = PORT_CAPACITANCE - farads;
  const F = (x: number) => formatQuantity(x, 'F', 3);
  return [
    result(circuit, meta, {
      subjects: [rail.ref, 'inrush'],
      severity: margin < -1e-12 ? 'caution' : null,
      measured: farads,
      limit: PORT_CAPACITANCE,
      unit: 'F',
      margin,
      message:
        margin < -1e-12
          ? `${F(farads)} stand across ${rail.label} when it is plugged in; ${F(PORT_CAPACITANCE)} are allowed. A strict port or hub switches off, and other devices on it with it.`
          : `${F(farads)} stand across ${rail.label} when it is plugged in, of ${F(PORT_CAPACITANCE)}.`,
      meaning: 'An empty capacitor is a short for as long as it fills.',
      workings: pieces.map(({ label, farads: value }) => ({ name: label, sum: 'across the supply', value, unit: 'F' })),
    }),
  ];
}

export const supplyInrush: Check = {
  meta,
  run: (circuit) => [...circuit.rails.values()].flatMap((rail) => judge(circuit, rail)),
};
