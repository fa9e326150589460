/**
 * Single changes of what a finding is about, one after another, whether they look likely or not: tried where no likely one ends it,
 * so that "none ends this alone" is said of all of them.
 */
import type { Card } from '../card/card.ts';
import type { Port } from '../card/port.ts';
import { isBusLine } from '../card/protocol.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { takesLeads } from '../circuit/cable.ts';
import { freePinsFor } from '../circuit/free-pins.ts';
import {
  addHelper,
  changeBus,
  changePart,
  changePort,
  freeId,
  setFeed,
  setOpened,
  setPin,
  setRules,
} from '../plan/edits.ts';
import { removeHelper } from '../plan/remove.ts';
import type { HouseRules } from '../plan/house-rules.ts';
import { swapCard } from '../plan/swap.ts';
import { addPart } from './add-part.ts';
import type { Candidate, Context } from '../remedy/remedy.ts';
import { rivals } from '../remedy/rivals.ts';
import {
  quantityOf,
  addressOf,
  tells,
  type Text,
  type Quantity,
  type BusAddress,
  type Message,
} from '../quantity/message.ts';
import { keyOf, ownerOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface SolveAnyChangeSays {
  readonly letLevelsWorkUsually: null;
  readonly letSuppliesInsideUsually: null;
  readonly feedPartsFromV: null;
  readonly keepEveryPullUp: null;
  readonly letPinsFeedParts: null;
  readonly useRailsRegulatorsContacts: null;
  readonly feedFrom: { label: Text; rail: Text };
  readonly takeLeadsGauge: { gauge: number; label: Text };
  readonly bringWithin: { label: Text; short: Quantity };
  readonly solder: null;
  readonly pullUp: { open: Text; label: Text; toUpperCase: Text };
  readonly takeAs: { other: Text; label: Text };
  readonly readCommandsDoNot: { label: Text };
  readonly set: { label: Text; value: BusAddress };
  readonly putBeforeFrom: { card: Text; label: Text; near: Text; far: Text };
  readonly move: { wish: Text; find: Text };
  readonly putSeries: { said: Quantity; label: Text };
  readonly putFromLineGround: { said: Quantity; label: Text };
  readonly pullLineUp: { label: Text; name: Text; said: Quantity };
  readonly divideFrom: { said: Quantity; name: Text; label: Text };
  readonly run: { bus: Text; clock: Quantity };
  readonly leaveOut: { kind: Text; id: Text };
  readonly startAllConversionsTogether: null;
  readonly add: { card: Text };
}

const tell = tells<SolveAnyChangeSays>('solve/any-change');

const OHMS = [220, 1e3, 2.2e3, 4.7e3, 10e3, 22e3, 47e3];
const CLOCKS = [10e3, 50e3, 100e3, 400e3];
const GAUGES = [22, 18];
const SHORT = 0.05;
const RULES: readonly (readonly [title: Message, rules: Partial<HouseRules>])[] = [
  [tell('letLevelsWorkUsually'), { marginalLevels: 'working' }],
  [tell('letSuppliesInsideUsually'), { marginalSupplies: 'working' }],
  [tell('feedPartsFromV'), { feed: 'five-volts' }],
  [tell('keepEveryPullUp'), { pullUps: 'keep' }],
  [tell('letPinsFeedParts'), { pinPower: 1 }],
  [tell('useRailsRegulatorsContacts'), { derating: 1 }],
];

/** Parts that a finding names, those on the lines that it names, and what feeds or is fed by them. */
function nearby({ circuit, finding }: Context): PartNode[] {
  const near = new Set<string>();
  const add = (id: string | undefined) => {
    if (id !== undefined && circuit.parts.has(id)) near.add(id);
  };
  // While a program is loaded anything may hang on what feeds meanwhile.
  if (finding.check === 'supply/programming') for (const id of circuit.parts.keys()) add(id);
  for (const subject of finding.subjects) {
    add(ownerOf(subject));
    for (const net of circuit.nets)
      if (net.id === subject || net.of === subject || net.bus === ownerOf(subject))
        for (const { part } of net.ends) add(part);
    for (const { part, rail } of circuit.feeds.values()) if (rail === subject) add(part);
  }
  for (const id of [...near]) for (const { part, rail } of circuit.feeds.values()) if (part === id) add(ownerOf(rail));
  return [...near].flatMap((id) => {
    const part = circuit.parts.get(id);
    return part?.choice && !part.helper ? [part] : [];
  });
}

const railsOf = (circuit: Circuit) =>
  [...circuit.rails.values()].filter((rail) => !rail.pin && rail.voltage !== null && takesLeads(circuit, rail));

function ofPart({ circuit, library }: Context, part: PartNode): Candidate[] {
  const { plan } = circuit;
  const { id, card, label, choice } = part;
  const found: Candidate[] = [];
  for (const supply of card.supplies)
    for (const rail of railsOf(circuit))
      if (rail.part !== id)
        found.push({
          id: `feed:${keyOf(id, supply.id)}:${rail.ref}`,
          title: tell('feedFrom', { label, rail: rail.label }),
          plan: setFeed(plan, id, supply.id, rail.ref),
        });
  for (const gauge of GAUGES)
    found.push({
      id: `gauge:${id}:${gauge}`,
      title: tell('takeLeadsGauge', { gauge, label }),
      plan: changePart(plan, id, (p) => ({ ...p, gauge })),
    });
  found.push({
    id: `lead:${id}:${SHORT}`,
    title: tell('bringWithin', { label, short: quantityOf(SHORT, 'm') }),
    plan: changePart(plan, id, (p) => ({ ...p, lead: SHORT })),
  });
  for (const { id: signal, fittedPullUp } of card.signals)
    if (fittedPullUp && fittedPullUp.removable !== 'no') {
      const open = !choice?.opened.includes(signal);
      const [off, on] = fittedPullUp.removable === 'jumper' ? ['Open', 'Close'] : ['Unsolder', tell('solder')];
      found.push({
        id: `jumper:${keyOf(id, signal)}`,
        title: tell('pullUp', { open: open ? off : on, label, toUpperCase: signal.toUpperCase() }),
        plan: setOpened(plan, id, signal, open),
      });
    }
  const others =
    card.kind === 'module'
      ? rivals(circuit, library, part)
      : card.kind === 'controller'
        ? []
        : [...library.values()].filter((other) => other.kind === card.kind && other.id !== card.id);
  for (const other of others)
    found.push({
      id: `card:${id}:${other.id}`,
      title: tell('takeAs', { other: other.name, label }),
      plan: swapCard(plan, id, card, other),
    });
  return [...found, ...card.ports.flatMap((port) => ofPort({ circuit, library }, part, port))];
}

function ofPort({ circuit, library }: Pick<Context, 'circuit' | 'library'>, part: PartNode, port: Port): Candidate[] {
  const { id, label } = part;
  const plain: Candidate[] = port.stretches?.noHold
    ? [
        {
          id: `no-hold:${keyOf(id, port.id)}`,
          title: tell('readCommandsDoNot', { label }),
          plan: changePort(circuit.plan, id, port.id, (c) => ({ ...c, noHold: true })),
        },
      ]
    : [];
  const addresses = (port.addresses ?? []).map(({ value }): Candidate => ({
    id: `address:${keyOf(id, port.id)}:${value}`,
    title: tell('set', { label, value: addressOf(value) }),
    plan: changePort(circuit.plan, id, port.id, (c) => ({ ...c, address: value })),
  }));
  return [
    ...plain,
    ...addresses,
    ...translatorsBefore(circuit, library, part, port),
    ...Object.keys(port.lines).flatMap((line) => [
      ...pinsFor(circuit, part, port, line),
      ...OHMS.flatMap((ohms) => resistorsOn(circuit, part, port, line, ohms)),
    ]),
  ];
}

/** Every translator that ships, between every two rails. */
function translatorsBefore(circuit: Circuit, library: Context['library'], part: PartNode, port: Port): Candidate[] {
  const rails = railsOf(circuit);
  return [...library.values()].flatMap((card) =>
    (card.translator ? rails : []).flatMap((near) =>
      rails
        .filter((far) => far.ref !== near.ref)
        .map((far): Candidate => ({
          id: `translator:${keyOf(part.id, port.id)}:${card.id}:${near.ref}:${far.ref}`,
          title: tell('putBeforeFrom', { card: card.name, label: part.label, near: near.label, far: far.label }),
          plan: addHelper(circuit.plan, {
            id: freeId(circuit.plan, 'translator'),
            kind: 'translator',
            card: card.id,
            near: near.ref,
            far: far.ref,
            ports: [{ part: part.id, port: port.id }],
          }),
        })),
    ),
  );
}

/** Every other pin that a line can be on. */
function pinsFor(circuit: Circuit, { id }: PartNode, port: Port, line: string): Candidate[] {
  const wish = circuit.wishes.find((w) => w.of === keyOf(id, port.id) && w.line === line);
  if (!wish) return [];
  return freePinsFor(circuit, wish).map((pin) => ({
    id: `pin:${keyOf(id, port.id, line)}:${pin}`,
    title: tell('move', {
      wish: wish.label,
      find: circuit.controller?.card.terminals.find((t) => t.id === pin)?.label ?? pin,
    }),
    plan: setPin(circuit.plan, keyOf(id, port.id), line, { pin, locked: false }),
  }));
}

/** A resistor of that value wherever one can stand on a line. */
function resistorsOn(circuit: Circuit, { id, label }: PartNode, port: Port, line: string, ohms: number): Candidate[] {
  const { plan } = circuit;
  const own = { id: freeId(plan, 'resistor'), part: id, port: port.id, line, ohms };
  const of = keyOf(id, port.id);
  const at = keyOf(id, port.id, line);
  const said = quantityOf(ohms, 'Ω');
  const series: Candidate = {
    id: `series:${at}:${ohms}`,
    title: tell('putSeries', { said, label }),
    plan: addHelper(plan, { ...own, kind: 'series' }),
  };
  if (isBusLine(port.protocol, line)) return [series];
  const rails = railsOf(circuit);
  return [
    series,
    {
      id: `pull-down:${at}:${ohms}`,
      title: tell('putFromLineGround', { said, label }),
      plan: addHelper(plan, { ...own, kind: 'pull-down' }),
    },
    ...rails.map(({ ref, label: name }): Candidate => ({
      id: `pull-up:${at}:${ohms}:${ref}`,
      title: tell('pullLineUp', { label, name, said }),
      plan: addHelper(plan, { id: own.id, kind: 'pull-up', of, line, to: ref, ohms }),
    })),
    ...(port.protocol === 'analog' ? rails : []).map(({ ref, label: name }): Candidate => ({
      id: `fixed:${at}:${ohms}:${ref}`,
      title: tell('divideFrom', { said, name, label }),
      plan: addHelper(plan, { ...own, kind: 'fixed', to: ref }),
    })),
  ];
}

/** Things that are no part: clocks, rules, and helpers that could go. */
function ofPlan({ circuit, finding }: Context): Candidate[] {
  const { plan } = circuit;
  const buses = new Set(finding.subjects.map((subject) => ownerOf(subject)));
  return [
    ...plan.buses
      .filter(({ id }) => buses.has(id))
      .flatMap((bus) =>
        CLOCKS.map((clock) => ({
          id: `clock:${bus.id}:${clock}`,
          title: tell('run', { bus: bus.name, clock: quantityOf(clock, 'Hz') }),
          plan: changeBus(plan, bus.id, (b) => ({ ...b, clock })),
        })),
      ),
    ...plan.helpers.map(({ id, kind }) => ({
      id: `without:${id}`,
      title: tell('leaveOut', { kind, id }),
      plan: removeHelper(plan, id),
    })),
    ...(plan.overlap
      ? []
      : [{ id: 'overlap', title: tell('startAllConversionsTogether'), plan: { ...plan, overlap: true } }]),
    ...RULES.map(([title, rules]) => ({ id: `rule:${Object.keys(rules).join()}`, title, plan: setRules(plan, rules) })),
  ];
}

const FEEDS_OR_SWITCHES: ReadonlySet<string> = new Set(['source', 'regulator', 'driver']);
/** What a contact that switches nothing could switch. */
const isLoad = ({ ports }: Card): boolean => ports.some(({ protocol }) => protocol === 'coil');

/** What could be bought beside: each takes a moment to put in, so one after the other. */
function* bought({ circuit, library }: Context): Generator<Candidate> {
  for (const card of library.values())
    if (FEEDS_OR_SWITCHES.has(card.kind) || isLoad(card))
      yield {
        id: `add:${card.id}`,
        title: tell('add', { card: card.name }),
        plan: addPart(circuit, library, card).plan,
      };
}

/** All of them, those of the parts that the finding names first. */
export function* anyChange(context: Context): Generator<Candidate> {
  for (const part of nearby(context)) yield* ofPart(context, part);
  yield* ofPlan(context);
  yield* bought(context);
}
