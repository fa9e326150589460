import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Feed, Rail } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { PORT_CAPACITANCE } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/inrush',
  title: 'Plugging in does not trip the port',
  station: 'power',
  rule: 'What stands across a port of a computer when it is plugged in, straight or through what only passes it on, is 10 µF at most. A ceramic capacitor at the end of 1 m of lead and more swings to twice the voltage, which its part has to stand.',
  source: 'USB 2.0 §7.2.4.1 (from memory); twice: an undamped circuit of lead and capacitor (common practice)',
  standard: true,
  breaks: 'caution',
};

/** Leads from this on swing, m. */
const RINGS_FROM = 1;

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

/** A ceramic capacitor at the end of a long lead rings up to twice the voltage when it is plugged in; a lossy one beside it damps that. */
function ringing(circuit: Circuit, feed: Feed): Result[] {
  const { supply, part, lead, voltage, by } = feed;
  const stands = supply.absoluteMax && toInterval(supply.absoluteMax).max;
  if (!supply.capacitance || stands === undefined || by !== 'leads' || !voltage || lead.length < RINGS_FROM) return [];
  const damped = circuit.plan.helpers.some(
    (h) => h.kind === 'capacitor' && h.part === part && h.supply === supply.id && h.polar,
  );
  const peak = 2 * voltage.max;
  const label = circuit.parts.get(part)?.label ?? part;
  const V = (x: number) => formatQuantity(x, 'V', 3);
  const broken = peak > stands && !damped;
  return [
    result(circuit, meta, {
      subjects: [`${part}.${supply.id}`, 'ringing'],
      severity: broken ? 'caution' : null,
      measured: damped ? voltage.max : peak,
      limit: stands,
      unit: 'V',
      margin: stands - (damped ? voltage.max : peak),
      ranked: false,
      message: broken
        ? `Plugged in on ${formatQuantity(lead.length, 'm')} of lead, the small capacitor of ${label} rings up to ${V(peak)}; it stands ${V(stands)}. An electrolytic capacitor beside it damps that.`
        : `Plugged in, ${label} sees ${V(damped ? voltage.max : peak)} at the most; it stands ${V(stands)}.`,
      meaning: 'Lead and capacitor swing like a weight on a spring: the first swing goes to twice.',
      workings: [{ name: 'first swing', sum: `2 × ${V(voltage.max)}`, value: peak, unit: 'V' }],
      rests: [[circuit.parts.get(part)?.card.id ?? '', supply.absoluteMax?.source]],
    }),
  ];
}

export const supplyInrush: Check = {
  meta,
  run: (circuit) => [
    ...[...circuit.rails.values()].flatMap((rail) => judge(circuit, rail)),
    ...[...circuit.feeds.values()].flatMap((feed) => ringing(circuit, feed)),
  ],
};
