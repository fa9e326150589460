/** What a meter should show after each step, from the figures of the build. */
import type { Card } from '../card/card.ts';
import type { Circuit } from '../circuit/model.ts';
import { inPlug, pluggedSources } from '../circuit/mated.ts';
import type { Netlist, NetNode } from '../circuit/netlist-model.ts';
import { spread, type Interval } from '../quantity/interval.ts';
import type { Layout, Lead } from '../circuit/laid.ts';
import { SHORT_LIMIT } from '../standard/common-practice.ts';
import type { Places } from './places.ts';
import { quantityOf, tells, type Text, type Quantity, distinct, type Message } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface DeliverExpectSays {
  readonly continuityBeepsFrom: { from: Text; to: Text };
  readonly to: { min: Quantity; max: Quantity };
  readonly from: { what: Text | Quantity; span: Text; from: Text; to: Text };
  readonly tableSupplyStaysUnplugged: { boards: readonly Text[] };
  readonly noBoardEveryLead: null;
  readonly noBeepBetweenStrips: { strips: readonly Text[] };
  readonly lowVoltageOnlyWhere: null;
  readonly otherWayRoundShort: { twoTerminal: Text | Quantity; polar: Text; from: Text; otherLeg: Text; to: Text };
  readonly plainWay: { twoTerminal: Text | Quantity; from: Text; to: Text };
  readonly readLabelsOnceMore: { cover: readonly Text[] };
  readonly whileSwitchOpen: null;
  readonly noBeepFrom: { say: Text; toGround: Text; open: Text };
  readonly plusLoadSupplyMinus: null;
  readonly leadsAsPartsList: { count: number };
  readonly moreThanFromLess: { rail: Text; limit: Quantity; at: Text; zero: Text };
  readonly cableGoesLastHand: null;
  readonly polarityOnceMorePlus: null;
  readonly railSpan: { rail: Text; span: Text; at: Text; zero: Text };
}

const tell = tells<DeliverExpectSays>('deliver/expect');

export interface StepCheck {
  readonly kind: 'look' | 'continuity' | 'resistance' | 'voltage';
  readonly says: Message;
  /** Where the two probes go; empty for a look. */
  readonly at: readonly Text[];
  readonly expected: (Interval & { readonly unit: string }) | null;
}

export const look = (says: Message): StepCheck => ({ kind: 'look', says, at: [], expected: null });

const beep = (from: Text, to: Text): StepCheck => ({
  kind: 'continuity',
  says: tell('continuityBeepsFrom', { from, to }),
  at: [from, to],
  expected: null,
});

const span = ({ min, max }: Interval, unit: string): Message =>
  tell('to', { min: quantityOf(min, unit), max: quantityOf(max, unit) });

function resistance(from: Text, to: Text, ohms: Interval, what: Text | Quantity): StepCheck {
  return {
    kind: 'resistance',
    says: tell('from', { what, span: span(ohms, 'Ω'), from, to }),
    at: [from, to],
    expected: { ...ohms, unit: 'Ω' },
  };
}

/** A hole of each strip, or of a row, of a node; else a terminal. */
function pointOf(layout: Layout, places: Places, node: NetNode): Text | null {
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
  const alike = netlist.twoTerminals.filter(
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
      look(boards.length > 0 ? tell('tableSupplyStaysUnplugged', { boards }) : tell('noBoardEveryLead')),
      ...joined,
      ...(strips.length > 1 ? [look(tell('noBeepBetweenStrips', { strips: distinct(strips) }))] : []),
      ...(circuit.plan.places.some(({ water }) => water !== 'dry') ? [look(tell('lowVoltageOnlyWhere'))] : []),
    ];
  },

  helpers(netlist: Netlist, leads: readonly Lead[], places: Places, tolerance: number): StepCheck[] {
    return netlist.twoTerminals.flatMap((twoTerminal): StepCheck[] => {
      const lead = leads.find(({ of }) => of === twoTerminal.id);
      if (!lead) return [];
      const [from, to] = [places.say(lead.from), places.say(lead.to)];
      if (twoTerminal.kind === 'resistor')
        return [resistance(from, to, together(netlist, twoTerminal.legs, tolerance), twoTerminal.value)];
      if (twoTerminal.polar)
        return [
          look(
            tell('otherWayRoundShort', {
              twoTerminal: twoTerminal.value,
              polar: twoTerminal.polar[0],
              from,
              otherLeg: twoTerminal.polar[1],
              to,
            }),
          ),
        ];
      if (twoTerminal.kind === 'switch') return [beep(from, to)];
      return [look(tell('plainWay', { twoTerminal: twoTerminal.value, from, to }))];
    });
  },

  part(circuit: Circuit, netlist: Netlist, layout: Layout, part: string, places: Places): StepCheck[] {
    const mine = netlist.nodes.filter(({ role, pins }) => role !== 'signal' && pins.some((pin) => pin.part === part));
    const seat = layout.seats.find((s) => s.part === part);
    const card = circuit.parts.get(part)?.card;
    const cover = seat && card && asPrinted(card);
    const checks: StepCheck[] = cover ? [look(tell('readLabelsOnceMore', { cover }))] : [];
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
    const open = net?.ends.some(({ kind }) => kind === 'switch') ? tell('whileSwitchOpen') : '';
    const checks: StepCheck[] = [];
    if (first && last && first !== last && leads.length > 0)
      checks.push(beep(places.say({ kind: 'terminal', ...first }), places.say({ kind: 'terminal', ...last })));
    if (first && toGround && leads.length > 0)
      checks.push(look(tell('noBeepFrom', { say: places.say({ kind: 'terminal', ...first }), toGround, open })));
    if (node.line === 'load') checks.push(look(tell('plusLoadSupplyMinus')));
    return checks;
  },

  look(layout: Layout, netlist: Netlist, places: Places): StepCheck[] {
    const ground = groundOf(netlist);
    const zero = ground && pointOf(layout, places, ground);
    const rails = netlist.nodes.filter(({ role }) => role === 'supply');
    const count = layout.leads.filter(({ kind }) => kind === 'lead').length;
    return [
      look(tell('leadsAsPartsList', { count })),
      ...rails.flatMap((rail): StepCheck[] => {
        const at = pointOf(layout, places, rail);
        return at && zero
          ? [
              {
                kind: 'resistance',
                says: tell('moreThanFromLess', {
                  rail: rail.label,
                  limit: quantityOf(SHORT_LIMIT, 'Ω'),
                  at,
                  zero,
                }),
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
    const rails = netlist.nodes.filter(({ of }) => of.is === 'rail');
    const plugs = pluggedSources(circuit);
    const wired = [...circuit.parts.values()].some(
      ({ id, card }) => card.kind === 'source' && !plugs.some(({ part }) => part === id),
    );
    if (!wired && plugs.length > 0)
      return [look(tell('cableGoesLastHand')), ...given(rails, circuit, layout, places, zero)];
    return [look(tell('polarityOnceMorePlus')), ...given(rails, circuit, layout, places, zero)];
  },
};

/** What each rail should show once there is power. */
function given(
  rails: readonly NetNode[],
  circuit: Circuit,
  layout: Layout,
  places: Places,
  zero: Text | null | undefined,
): StepCheck[] {
  return rails.flatMap((node): StepCheck[] => {
    const rail = node.of.is === 'rail' ? circuit.rails.get(node.of.rail) : undefined;
    const at = pointOf(layout, places, node);
    if (!rail?.voltage || !at || !zero) return [];
    return [
      {
        kind: 'voltage',
        says: tell('railSpan', { rail: rail.label, span: span(rail.voltage, 'V'), at, zero }),
        at: [at, zero],
        expected: { ...rail.voltage, unit: 'V' },
      },
    ];
  });
}
