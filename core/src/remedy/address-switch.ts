/** Parts with one fixed address that take turns: behind a bus switch, behind gated translators, or on switched supplies. */
import { buyingOf } from '../buy/currency.ts';
import type { BusNode, Circuit, Member } from '../circuit/model.ts';
import { freePinsFor } from '../circuit/free-pins.ts';
import { addBus, addHelper, freeId, setBus, setOpened } from '../plan/edits.ts';
import { cheapestFirst } from '../buy/cost.ts';
import type { PartChoice, Plan } from '../plan/plan.ts';
import { railOf } from './level.ts';
import { addPullUps, logicRail } from './pull-up.ts';
import { behindSwitch, suits, supplySwitch } from './supply-switch.ts';
import type { Candidate, Context } from './remedy.ts';
import { tells, type Text } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface RemedyAddressSwitchSays {
  readonly putEachChannel: { names: readonly Text[]; card: Text };
  readonly putEachBehindSwitched: { names: readonly Text[]; card: Text };
  readonly switchSuppliesTurnEach: { names: readonly Text[]; card: Text };
}

const tell = tells<RemedyAddressSwitchSays>('remedy/address-switch');

const namesOf = (members: readonly Member[]) => members.map(({ label }) => label);

/** Pins that are free for plain outputs. */
const outputs = (circuit: Circuit, count: number): string[] | null => {
  const pins = freePinsFor(circuit, { ask: 'out' }).slice(0, count);
  return pins.length === count ? pins : null;
};

/** Each on a channel of one bus switch. */
export function byBusSwitch({ circuit, library }: Context, bus: BusNode, members: readonly Member[]): Candidate[] {
  const rail = logicRail(circuit);
  const cards = cheapestFirst(
    [...library.values()].filter(({ busSwitch }) => busSwitch),
    buyingOf(circuit.plan),
  );
  const [card] = cards;
  const port = card?.ports.find(({ id }) => id === card.busSwitch?.port);
  const [supply] = card?.supplies ?? [];
  if (!card?.busSwitch || !port || !supply || !rail || !suits(circuit, card, supply.id, rail)) return [];
  if (card.busSwitch.channels.length < members.length || members.some(({ beyond }) => beyond !== null)) return [];
  const busy = new Set(bus.members.flatMap(({ address }) => address ?? []));
  const address = port.addresses?.find(({ value }) => !busy.has(value))?.value;
  const id = freeId(circuit.plan, 'bus-switch');
  const part: PartChoice = {
    id,
    card: card.id,
    label: card.name,
    needs: [],
    feeds: { [supply.id]: rail },
    ports: { [port.id]: { bus: bus.id, ...(address === undefined ? {} : { address }) } },
    // The bus has its pull-ups already.
    opened: card.signals.filter((s) => s.fittedPullUp?.removable === 'jumper').map((s) => s.id),
  };
  let plan: Plan = { ...circuit.plan, parts: [...circuit.plan.parts, part] };
  members.forEach((member, channel) => {
    const segment = freeId(plan, `${bus.id}-channel-${channel}`);
    plan = addBus(plan, {
      id: segment,
      name: `${bus.name} ${channel}`.slice(0, 40),
      protocol: 'i2c',
      lines: {},
      behind: { part: id, channel },
    });
    plan = setBus(plan, member.part, member.port, segment);
    plan = addPullUps({ ...circuit, cards: new Map([...circuit.cards, [card.id, card]]) }, plan, segment);
  });
  return [
    {
      id: `bus-switch:${members.map((m) => m.part).join('+')}`,
      title: tell('putEachChannel', { names: namesOf(members), card: card.name }),
      plan,
    },
  ];
}

/** Each behind a translator that a pin switches. */
export function byGates({ circuit, library }: Context, members: readonly Member[]): Candidate[] {
  const near = logicRail(circuit);
  const pins = outputs(circuit, members.length);
  const [card] = cheapestFirst(
    [...library.values()].filter(
      ({ translator }) => translator?.enable && translator.style === 'open-drain' && translator.channels.length >= 2,
    ),
    buyingOf(circuit.plan),
  );
  if (!card || !near || !pins || members.some(({ beyond }) => beyond !== null)) return [];
  let plan = circuit.plan;
  for (const [i, { part, port }] of members.entries()) {
    const node = circuit.parts.get(part);
    const [signal = ''] = Object.values(node?.card.ports.find(({ id }) => id === port)?.lines ?? {});
    const far = railOf(circuit, { part, signal });
    if (!node || !far) return [];
    plan = addHelper(plan, {
      id: freeId(plan, 'gate'),
      kind: 'translator',
      card: card.id,
      near,
      far,
      ports: [{ part, port }],
      gate: { pin: pins[i] ?? null, locked: false },
    });
    // The translator brings its own; with the module's beside them there would be two pairs.
    for (const { id, fittedPullUp } of circuit.plan.rules.pullUps === 'one-pair' ? node.card.signals : []) {
      if (fittedPullUp?.removable === 'jumper') plan = setOpened(plan, part, id, true);
    }
  }
  return [
    {
      id: `gates:${members.map((m) => m.part).join('+')}`,
      title: tell('putEachBehindSwitched', { names: namesOf(members), card: card.name }),
      plan,
    },
  ];
}

/** Each on a supply that a pin switches; their own pull-ups are opened, so that they let go of the bus while off. */
export function bySupplies({ circuit, library }: Context, members: readonly Member[]): Candidate[] {
  const pins = outputs(circuit, members.length);
  const card = supplySwitch(library, buyingOf(circuit.plan));
  if (!card || !pins) return [];
  let plan = circuit.plan;
  for (const [i, member] of members.entries()) {
    const node = circuit.parts.get(member.part);
    const switched = node && behindSwitch(circuit, plan, node, card, pins[i] ?? null);
    if (!node || !switched) return [];
    plan = switched;
    for (const { id: signal, fittedPullUp } of node.card.signals) {
      if (fittedPullUp?.removable === 'jumper') plan = setOpened(plan, member.part, signal, true);
    }
  }
  const bus = plan.parts.find(({ id }) => id === members[0]?.part)?.ports[members[0]?.port ?? '']?.bus;
  const cards = { ...circuit, cards: new Map([...circuit.cards, [card.id, card]]) };
  return [
    {
      id: `supplies:${members.map((m) => m.part).join('+')}`,
      title: tell('switchSuppliesTurnEach', { names: namesOf(members), card: card.name }),
      plan: bus ? addPullUps(cards, plan, bus) : plan,
    },
  ];
}
