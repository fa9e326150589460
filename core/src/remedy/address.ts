/** Ways out of two parts at one address. */
import type { Card } from '../card/card.ts';
import { PORT_LINES } from '../card/protocol.ts';
import type { BusNode, Circuit, Member } from '../circuit/model.ts';
import { freeGroupPins } from '../circuit/free-pins.ts';
import { addBus, freeId, setAddress, setBus } from '../plan/edits.ts';
import { swapCard } from '../plan/swap.ts';
import { eightBitOf, formatAddress } from '../quantity/address.ts';
import { addPullUps } from './pull-up.ts';
import { byBusSwitch, byGates, bySupplies } from './address-switch.ts';
import type { Candidate, Context, Proposer } from './remedy.ts';
import { rivals } from './rivals.ts';
import { addressOf, tells, type Text, type BusAddress } from '../quantity/message.ts';
import { keyOf, parseRef } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyAddressSays {
  readonly set: { member: Text; option: BusAddress; setting: Text };
  readonly takeAs: { card: Text; member: Text; option: BusAddress };
  readonly putSecondIC: { member: Text };
  readonly setTo: { member: Text; value: BusAddress; why: Text };
  readonly bitForm: null;
}

const tell = tells<RemedyAddressSays>('remedy/address');

const taken = (bus: BusNode, except: Member): Set<number> =>
  new Set(bus.members.filter((m) => m !== except).flatMap(({ address }) => address ?? []));

export const addressRemedies: Proposer = (context) => {
  const { circuit, finding } = context;
  const bus = circuit.buses.find(({ id }) => id === finding.subjects[0]);
  if (!bus) return [];
  const members = bus.members.filter((m) => finding.subjects.includes(keyOf(m.part, m.port)));
  return [
    ...members
      .toReversed() // the part added last is the one to change
      .flatMap((member) => [
        ...otherSetting(circuit, bus, member),
        ...otherCard(context, bus, member),
        ...secondBus(circuit, bus, member),
      ]),
    ...byBusSwitch(context, bus, members),
    ...byGates(context, members),
    ...bySupplies(context, members),
  ];
};

function otherSetting(circuit: Circuit, bus: BusNode, member: Member): Candidate[] {
  const busy = taken(bus, member);
  const option = member.options.find(({ value }) => !busy.has(value));
  if (!option) return [];
  return [
    {
      id: `address:${keyOf(member.part, member.port)}:${formatAddress(option.value)}`,
      title: tell('set', { member: member.label, option: addressOf(option.value), setting: option.setting }),
      plan: setAddress(circuit.plan, member.part, member.port, option.value),
    },
  ];
}

function otherCard({ circuit, library }: Context, bus: BusNode, member: Member): Candidate[] {
  const node = circuit.parts.get(member.part);
  if (!node) return [];
  const busy = taken(bus, member);
  // Two cards are enough to choose from; the other ways out want room too.
  let shown = 0;
  return rivals(circuit, library, node).flatMap((card: Card): Candidate[] => {
    const port = card.ports.find(({ protocol }) => protocol === 'i2c');
    const option = port?.addresses?.find(({ value }) => !busy.has(value));
    if (!port || !option) return [];
    if (++shown > 2) return [];
    const swapped = swapCard(circuit.plan, member.part, node.card, card);
    return [
      {
        id: `card:${member.part}:${card.id}`,
        title: tell('takeAs', { card: card.name, member: member.label, option: addressOf(option.value) }),
        plan: setAddress(swapped, member.part, port.id, option.value),
      },
    ];
  });
}

/** A bus of its own for one part, on pins that are free. */
export function secondBus(circuit: Circuit, bus: BusNode, member: Member): Candidate[] {
  const lines = Object.entries(PORT_LINES.i2c).map(([line, ask]) => ({ line, ask }));
  const pins = freeGroupPins(circuit, lines, null);
  if (!pins || member.beyond) return [];
  const id = freeId(circuit.plan, 'i2c-second');
  const choices = Object.fromEntries(lines.map(({ line }) => [line, { pin: pins[line] ?? null, locked: false }]));
  const added = addBus(circuit.plan, {
    id,
    name: `${bus.name} 2`,
    protocol: 'i2c',
    clock: bus.clock ?? 100e3,
    lines: choices,
  });
  const moved = setBus(added, member.part, member.port, id);
  return [
    {
      id: `bus:${keyOf(member.part, member.port)}:${id}`,
      title: tell('putSecondIC', { member: member.label }),
      plan: addPullUps(circuit, moved, id),
    },
  ];
}

export const reservedRemedies: Proposer = ({ circuit, finding }) => {
  const { part, own: port = '' } = parseRef(finding.subjects[0]);
  const member = circuit.buses.flatMap(({ members }) => members).find((m) => m.part === part && m.port === port);
  if (!member) return [];
  const set = (value: number, why: Text): Candidate => ({
    id: `address:${keyOf(part, port)}:${formatAddress(value)}`,
    title: tell('setTo', { member: member.label, value: addressOf(value), why }),
    plan: setAddress(circuit.plan, part, port, value),
  });
  const known = member.options.map(({ value }) => value);
  const half = member.address === null ? null : eightBitOf(member.address, known);
  const halved = half === null ? [] : [set(half, tell('bitForm'))];
  // What was meant is known then: no third address is offered.
  return halved.length > 0
    ? halved
    : [...halved, ...member.options.map(({ value, setting }) => set(value, ` (${setting})`))];
};
