/** What a meter should show after each step, from the figures of the build. */
import type { Card } from '../card/card.ts';
import type { Circuit } from '../circuit/circuit.ts';
import { inPlug, pluggedSources } from '../circuit/mated.ts';
import type { Netlist, NetNode } from '../circuit/netlist.ts';
import { spread, type Interval } from '../quantity/interval.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import type { Layout, Lead } from '../layout/layout.ts';
import { SHORT_LIMIT } from '../standard/practice.ts';
import type { Places } from './say-point.ts';

export interface StepCheck {
  readonly kind: 'look' | 'continuity' | 'resistance' | 'voltage';
  readonly says: string;
  /** Where the two probes go; empty for a look. */
  readonly at: readonly string[];
  readonly expected: (Interval & { readonly unit: string }) | null;
}

export const look = (says: string): StepCheck => ({ kind: 'look', says, at: [], expected: null });

const beep = (from: string, to: string): StepCheck => ({
  kind: 'continuity',
  says: `Continuity: beeps from ${from} to ${to}.`,
  at: [from, to],
  expected: null,
});

const span = ({ min, max }: Interval, unit: string): string =>
  `${formatQuantity(min, unit)} to ${formatQuantity(max, unit)}`;

function resistance(from: string, to: string, ohms: Interval, what: string): StepCheck {
  return {
    kind: 'resistance',
    says: `${what}: ${span(ohms, 'Ω')} from ${from} to ${to}.`,
    at: [from, to],
    expected: { ...ohms, unit: 'Ω' },
  };
}

/** A hole of each strip, or of a row, of a node; else a terminal. */
function pointOf(layout: Layout, places: Places, node: NetNode): string | null {
  const reached = node.pins.filter((pin) => !inPlug(places.circuit, pin));
  const strip = layout.strips.find((s) => s.node === node.id);
  if (strip) return places.say({ kind: 'hole', hole: `${strip.board + 1}:${strip.strip}1` });
  const lead = layout.leads.find(({ of, kind }) => of === node.id && (kind === 'lead' || kind === 'own'));
  if (lead) return places.say(lead.from);
  const [pin] = reached;
  return pin ? places.say({ kind: 'terminal', ...pin }) : null;
}

/** Labels in the order of the headers, as one reads them on the part. */
function asPrinted(card: Card): string[] {
  const header = new Map(card.headers.map(({ id, kind }, i) => [id, { i, kind }]));
  const at = (id: string) => header.get(id)?.i ?? 0;
  return card.terminals
    .filter((t) => header.get(t.header)?.kind !== 'socket')
    .toSorted((a, b) => at(a.header) - at(b.header) || a.position - b.position)
    .map(({ label }) => label);
}

const groundOf = (netlist: Netlist): NetNode | undefined => netlist.nodes.find(({ role }) => role === 'ground');

/** What two resistors between the same nodes make together. */
function together(netlist: Netlist, legs: readonly [string, string], tolerance: number): Interval {
  const alike = netlist.legged.filter(
    ({ kind, legs: l }) =>
      kind === 'resistor' && ((l[0] === legs[0] && l[1] === legs[1]) || (l[0] === legs[1] && l[1] === legs[0])),
  );
  const share = alike.reduce((sum, { ohms }) => sum + 1 / (ohms ?? Infinity), 0);
  return spread(1 / share, tolerance);
}

export const expectations = {
  board(
    circuit: Circuit,
    layout: Layout,
    leads: readonly Lead[],
    places: Places,
    boards: readonly string[],
  ): StepCheck[] {
    const joined = leads.map((lead) => beep(places.say(lead.from), places.say(lead.to)));
    const strips = layout.strips.map(({ board, strip }) =>
      places.say({ kind: 'hole', hole: `${board + 1}:${strip}1` }),
    );
    return [
      look(
        boards.length > 0
          ? `On the table: ${boards.join(', ')}. The supply stays unplugged until the last step.`
          : 'No board: every lead goes from part to part or into a joint. The supply stays unplugged until the last step.',
      ),
      ...joined,
      ...(strips.length > 1
        ? [look(`No beep between strips that carry different things: ${[...new Set(strips)].join(', ')}.`)]
        : []),
      ...(circuit.plan.places.some(({ water }) => water !== 'dry')
        ? [
            look(
              'Low voltage only where it is wet, a drip loop in every lead, and mains supplies out of reach of water.',
            ),
          ]
        : []),
    ];
  },

  helpers(netlist: Netlist, leads: readonly Lead[], places: Places, tolerance: number): StepCheck[] {
    return netlist.legged.flatMap((legged): StepCheck[] => {
      const lead = leads.find(({ of }) => of === legged.id);
      if (!lead) return [];
      const [from, to] = [places.say(lead.from), places.say(lead.to)];
      if (legged.kind === 'resistor')
        return [resistance(from, to, together(netlist, legged.legs, tolerance), legged.value)];
      if (legged.polar)
        return [
          look(
            `${legged.value}: ${legged.polar[0]} in ${from}, ${legged.polar[1]} in ${to}. The other way round it is a short or bursts.`,
          ),
        ];
      if (legged.kind === 'switch') return [beep(from, to)];
      return [look(`${legged.value} from ${from} to ${to}.`)];
    });
  },

  part(circuit: Circuit, netlist: Netlist, layout: Layout, part: string, places: Places): StepCheck[] {
    const mine = netlist.nodes.filter(({ role, pins }) => role !== 'signal' && pins.some((pin) => pin.part === part));
    const seat = layout.seats.find((s) => s.part === part);
    const card = circuit.parts.get(part)?.card;
    const cover = seat && card && asPrinted(card);
    const checks: StepCheck[] = cover ? [look(`Read the labels once more: ${cover.join(' ')}.`)] : [];
    for (const node of mine) {
      const pin = node.pins.find((p) => p.part === part && !inPlug(circuit, p));
      const to = pointOf(layout, places, node);
      if (pin && to) checks.push(beep(places.say({ kind: 'terminal', ...pin }), to));
    }
    return checks;
  },

  line(
    circuit: Circuit,
    layout: Layout,
    netlist: Netlist,
    node: NetNode,
    leads: readonly Lead[],
    places: Places,
  ): StepCheck[] {
    const [first] = node.pins;
    const last = node.pins.at(-1);
    const ground = groundOf(netlist);
    const toGround = ground && pointOf(layout, places, ground);
    const net = circuit.nets.find(({ id }) => id === node.id);
    const open = net?.ends.some(({ kind }) => kind === 'switch') ? ' while the switch is open' : '';
    const checks: StepCheck[] = [];
    if (first && last && first !== last && leads.length > 0)
      checks.push(beep(places.say({ kind: 'terminal', ...first }), places.say({ kind: 'terminal', ...last })));
    if (first && toGround && leads.length > 0)
      checks.push(look(`No beep from ${places.say({ kind: 'terminal', ...first })} to ${toGround}${open}.`));
    if (node.line === 'load') checks.push(look('Plus of the load on its supply, minus on the driver.'));
    return checks;
  },

  look(layout: Layout, netlist: Netlist, places: Places): StepCheck[] {
    const ground = groundOf(netlist);
    const zero = ground && pointOf(layout, places, ground);
    const rails = netlist.nodes.filter(({ role }) => role === 'supply');
    const count = layout.leads.filter(({ kind }) => kind === 'lead').length;
    return [
      look(`${count} leads are in, as the parts list counts them; none is loose.`),
      ...rails.flatMap((rail): StepCheck[] => {
        const at = pointOf(layout, places, rail);
        return at && zero
          ? [
              {
                kind: 'resistance',
                says: `${rail.label}: more than ${formatQuantity(SHORT_LIMIT, 'Ω')} from ${at} to ${zero}. Less is a short: find it before power.`,
                at: [at, zero],
                expected: { min: SHORT_LIMIT, typ: SHORT_LIMIT, max: Infinity, unit: 'Ω' },
              },
            ]
          : [];
      }),
    ];
  },

  supply(circuit: Circuit, layout: Layout, netlist: Netlist, places: Places): StepCheck[] {
    const ground = groundOf(netlist);
    const zero = ground && pointOf(layout, places, ground);
    const rails = netlist.nodes.filter(({ id }) => id.startsWith('rail:'));
    const plugs = pluggedSources(circuit);
    const wired = [...circuit.parts.values()].some(
      ({ id, card }) => card.kind === 'source' && !plugs.some(({ part }) => part === id),
    );
    if (!wired && plugs.length > 0)
      return [
        look('The cable goes in last, a hand at its plug: out at once if anything gets hot or smells.'),
        ...given(rails, circuit, layout, places, zero),
      ];
    return [
      look(
        'Polarity once more, plus on plus. Then power on, a hand at the plug: off at once if anything gets hot or smells.',
      ),
      ...given(rails, circuit, layout, places, zero),
    ];
  },
};

/** What each rail should show once there is power. */
function given(
  rails: readonly NetNode[],
  circuit: Circuit,
  layout: Layout,
  places: Places,
  zero: string | null | undefined,
): StepCheck[] {
  return rails.flatMap((node): StepCheck[] => {
    const rail = circuit.rails.get(node.id.replace(/^rail:/, ''));
    const at = pointOf(layout, places, node);
    if (!rail?.voltage || !at || !zero) return [];
    return [
      {
        kind: 'voltage',
        says: `${rail.label}: ${span(rail.voltage, 'V')} from ${at} to ${zero}.`,
        at: [at, zero],
        expected: { ...rail.voltage, unit: 'V' },
      },
    ];
  });
}
