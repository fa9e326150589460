/** Ways out of what a bus cannot do: slower parts, crossed lines, too much on one wire, a pin that the system does not know. */
import { PORT_LINES } from '../card/protocol.ts';
import { toInterval } from '../card/to-interval.ts';
import { pinByTerminal, pinUses } from '../circuit/pin-function.ts';
import { changeBus, changePort, setPin } from '../plan/edits.ts';
import { swapCard } from '../plan/swap.ts';
import { BUS_MODES } from '../standard/bus-timing.ts';
import { secondBus } from './address.ts';
import { fewerBits, membersOf } from './bits.ts';
import type { Candidate, Proposer } from './remedy.ts';
import { rivals } from './rivals.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { keyOf, parseRef } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyBusSays {
  readonly readCommandsDoNot: { node: Text };
  readonly takeAs: { card: Text; node: Text };
  readonly swap: { a: Text; b: Text };
  readonly startAllConversionsTogether: null;
  readonly run: { bus: Text; clock: Quantity };
  readonly set: { parameter: Text; label: Text };
  readonly moveWhereSystemLooks: { bus: Text; label: Text };
}

const tell = tells<RemedyBusSays>('remedy/bus');

export const stretchingRemedies: Proposer = ({ circuit, finding, library }) => {
  const { part, own: port = '' } = parseRef(finding.subjects[0]);
  const node = circuit.parts.get(part);
  const stretches = node?.card.ports.find(({ id }) => id === port)?.stretches;
  if (!node || !stretches) return [];
  const found: Candidate[] = stretches.noHold
    ? [
        {
          id: `no-hold:${keyOf(part, port)}`,
          title: tell('readCommandsDoNot', { node: node.label }),
          plan: changePort(circuit.plan, part, port, (choice) => ({ ...choice, noHold: true })),
        },
      ]
    : [];
  const steady = rivals(circuit, library, node).filter((card) => !card.ports.some((p) => p.stretches));
  return [
    ...found,
    ...steady.slice(0, 2).map((card) => ({
      id: `card:${part}:${card.id}`,
      title: tell('takeAs', { card: card.name, node: node.label }),
      plan: swapCard(circuit.plan, part, node.card, card),
    })),
  ];
};

/** The two lines change places. */
export const crossedRemedies: Proposer = ({ circuit, finding }) => {
  const wishes = circuit.wishes.filter(({ id }) => finding.subjects.includes(id));
  const of = wishes[0]?.of;
  const pair = circuit.wishes.filter((wish) => wish.of === of && /\.(sda|scl|tx|rx|in|out)$/.test(wish.ask));
  const [a, b] = pair;
  if (!a || !b || pair.length !== 2) return [];
  const swapped = [
    [a, b.pin],
    [b, a.pin],
  ] as const;
  return [
    {
      id: `swap:${of}`,
      title: tell('swap', { a: a.label, b: b.label }),
      plan: swapped.reduce(
        (plan, [wish, pin]) => setPin(plan, wish.of, wish.line, { pin, locked: wish.locked }),
        circuit.plan,
      ),
    },
  ];
};

/** The fastest clock that every part of the bus follows. */
export const timeRemedies: Proposer = ({ circuit, finding }) => {
  const bus = circuit.buses.find(({ id }) => id === finding.subjects[0]);
  if (!bus) return [];
  const limits = circuit.buses
    .filter(({ root }) => root === bus.id)
    .flatMap(({ members }) =>
      members.flatMap(({ part, port }) => {
        const clock = circuit.parts.get(part)?.card.ports.find(({ id }) => id === port)?.clock;
        return clock ? [toInterval(clock).max] : [];
      }),
    );
  const most = Math.min(BUS_MODES.at(-1)?.clock ?? 0, ...limits);
  const together: Candidate[] = circuit.plan.overlap
    ? []
    : [
        {
          id: 'overlap',
          title: tell('startAllConversionsTogether'),
          plan: { ...circuit.plan, overlap: true },
        },
      ];
  const faster = BUS_MODES.filter(({ clock }) => clock > (bus.clock ?? 100e3) && clock <= most).map(({ clock }) => ({
    id: `clock:${bus.id}:${clock}`,
    title: tell('run', { bus: bus.name, clock: quantityOf(clock, 'Hz') }),
    plan: changeBus(circuit.plan, bus.id, (b) => ({ ...b, clock })),
  }));
  return [...faster, ...together, ...fewerBits(circuit, membersOf(circuit, bus.id))];
};

/** One part, the heaviest first, on a bus of its own. */
export const capacitanceRemedies: Proposer = ({ circuit, finding }) => {
  const net = circuit.nets.find(({ id }) => id === finding.subjects[0]);
  const bus = circuit.buses.find(({ id }) => id === net?.bus);
  if (!net || !bus) return [];
  const lead = (part: string) => circuit.parts.get(part)?.choice?.lead ?? 0;
  return bus.members
    .toSorted((a, b) => lead(b.part) - lead(a.part))
    .slice(0, 3)
    .flatMap((member) => secondBus(circuit, bus, member));
};

export const overlayRemedies: Proposer = ({ circuit, finding }) => {
  const bus = circuit.plan.buses.find(({ id }) => id === finding.subjects[0]);
  const card = circuit.controller?.card;
  const overlay = card?.controller?.overlays?.find(({ protocol }) => protocol === bus?.protocol);
  const wired = bus?.lines.data?.pin;
  if (!bus || !card || !overlay || !wired) return [];
  const label = (pin: string) => card.terminals.find(({ id }) => id === pin)?.label ?? pin;
  const { configuredPin: _old, ...plain } = bus;
  const found: Candidate[] = [
    {
      id: `overlay:${bus.id}:${wired}`,
      title: tell('set', { parameter: overlay.parameter, label: label(wired) }),
      plan: changeBus(circuit.plan, bus.id, () => (wired === overlay.pin ? plain : { ...plain, configuredPin: wired })),
    },
  ];
  const free = pinUses(circuit).some(({ pin, wishes }) => pin.terminal === overlay.pin && wishes.length === 0);
  if (free && pinByTerminal(card, overlay.pin) && wired !== overlay.pin) {
    found.push({
      id: `pin:${bus.id}.data:${overlay.pin}`,
      title: tell('moveWhereSystemLooks', { bus: bus.name, label: label(overlay.pin) }),
      plan: setPin(
        changeBus(circuit.plan, bus.id, () => plain),
        bus.id,
        Object.keys(PORT_LINES[bus.protocol])[0] ?? 'data',
        { pin: overlay.pin, locked: false },
      ),
    });
  }
  return found;
};
