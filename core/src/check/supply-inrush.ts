import { legsIn } from '../plan/helpers.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Feed, Rail } from '../circuit/model.ts';
import { PORT_CAPACITANCE } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { multiply } from '../quantity/sum.ts';
import { keyOf } from '../plan/ref.ts';
import { both, overFeeds, overRails } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyInrushSays {
  readonly capacitor: { label: Text };
  readonly broken: { farads: Quantity; rail: Text; portcapacitance: Quantity };
  readonly holds: { farads: Quantity; rail: Text; portcapacitance: Quantity };
  readonly meaning: null;
  readonly acrossSupply: null;
  readonly pluggedLeadSmallCapacitor: { count: Quantity; label: Text; peak: Quantity; stands: Quantity };
  readonly pluggedSeesMostStands: { label: Text; damped: Quantity; stands: Quantity };
  readonly leadCapacitorSwingLike: null;
  readonly firstSwing: null;
}

const tell = tells<SupplyInrushSays>('supply/inrush');

const meta = {
  id: 'supply/inrush',
  station: 'power',
  standard: true,
  breaks: 'caution',
  scope: 'plan',
  reads: ['supplies/*/absoluteMax'],
} as const satisfies CheckMeta;

/** Leads from this on swing, m. */
const RINGS_FROM = 1;

interface Piece {
  readonly label: Text;
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
      const fitted = legsIn(circuit.plan, 'supply-capacitor')
        .filter((leg) => leg.part === part && leg.supply === supply.id)
        .map(({ farads }) => ({ label: tell('capacitor', { label }), farads }));
      const passed = (node?.card.rails ?? []).filter(({ from }) => from?.supply === supply.id && from.by === 'pass');
      return [
        ...own,
        ...fitted,
        ...passed.flatMap(({ id }) => across(circuit, keyOf(part, id), new Set([...seen, ref]))),
      ];
    });
}

function judge(circuit: Circuit, rail: Rail): Result[] {
  const pieces = rail.offer.port ? across(circuit, rail.ref) : [];
  if (pieces.length === 0) return [];
  const farads = pieces.reduce((sum, piece) => sum + piece.farads, 0);
  const margin = PORT_CAPACITANCE - farads;
  const F = (x: number) => quantityOf(x, 'F', 3);
  return [
    result(circuit, meta, {
      subjects: [rail.ref],
      aspect: 'inrush',
      severity: margin < -1e-12 ? 'caution' : null,
      measured: farads,
      limit: PORT_CAPACITANCE,
      unit: 'F',
      margin,
      message:
        margin < -1e-12
          ? tell('broken', { farads: F(farads), rail: rail.label, portcapacitance: F(PORT_CAPACITANCE) })
          : tell('holds', { farads: F(farads), rail: rail.label, portcapacitance: F(PORT_CAPACITANCE) }),
      meaning: tell('meaning'),
      workings: pieces.map(({ label, farads: value }) => ({
        name: label,
        sum: tell('acrossSupply'),
        value,
        unit: 'F',
      })),
    }),
  ];
}

/** A ceramic capacitor at the end of a long lead rings up to twice the voltage when it is plugged in; a lossy one beside it damps that. */
function ringing(circuit: Circuit, feed: Feed): Result[] {
  const { supply, part, lead, voltage, by } = feed;
  const stands = supply.absoluteMax && toInterval(supply.absoluteMax).max;
  if (!supply.capacitance || stands === undefined || by !== 'leads' || !voltage || lead.length < RINGS_FROM) return [];
  const damped = legsIn(circuit.plan, 'supply-capacitor').some(
    (leg) => leg.part === part && leg.supply === supply.id && leg.polar,
  );
  const peak = 2 * voltage.max;
  const label = circuit.parts.get(part)?.label ?? part;
  const V = (x: number) => quantityOf(x, 'V', 3);
  const broken = peak > stands && !damped;
  return [
    result(circuit, meta, {
      subjects: [keyOf(part, supply.id)],
      aspect: 'ringing',
      severity: broken ? 'caution' : null,
      measured: damped ? voltage.max : peak,
      limit: stands,
      unit: 'V',
      margin: stands - (damped ? voltage.max : peak),
      ranked: false,
      message: broken
        ? tell('pluggedLeadSmallCapacitor', {
            count: quantityOf(lead.length, 'm'),
            label,
            peak: V(peak),
            stands: V(stands),
          })
        : tell('pluggedSeesMostStands', { label, damped: V(damped ? voltage.max : peak), stands: V(stands) }),
      meaning: tell('leadCapacitorSwingLike'),
      workings: [{ name: tell('firstSwing'), sum: multiply(2, V(voltage.max)), value: peak, unit: 'V' }],
      rests: [[circuit.parts.get(part)?.card.id ?? '', supply.absoluteMax?.source]],
    }),
  ];
}

export const supplyInrush = {
  meta,
  ...both(overRails(judge), overFeeds(ringing)),
} satisfies Check;
