/** Ways out of a level that is too high or not guaranteed: translate, feed otherwise, move a pull-up. */
import { helpersOf } from '../plan/helpers.ts';
import { isTwoWay } from '../card/protocol.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Net, NetEnd, PartNode } from '../circuit/model.ts';
import { readerOf } from '../circuit/converter.ts';
import { addHelper, changeHelperOf, freeId, setFeed, setOpened } from '../plan/edits.ts';
import { removeHelper } from '../plan/remove.ts';
import type { Plan } from '../plan/plan.ts';
import { driverPeak } from '../physics/node.ts';
import { dividers } from '../physics/divider.ts';
import { addPullUps, logicRail, pullRail } from './pull-up.ts';
import { swapCard } from '../plan/swap.ts';
import type { Candidate, Context, Proposer } from './remedy.ts';
import { rivals } from './rivals.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyLevelSays {
  readonly putBetweenController: { card: Text; names: readonly Text[] };
  readonly feedFrom: { part: Text; rail: Text };
  readonly openPullUpJumpers: { jumpers: readonly Text[] };
  readonly movePullUp: { rail: Text };
  readonly putDividerBeforePin: { upper: Quantity; lower: Quantity };
  readonly takeResistor: { net: Text; rail: Text };
  readonly pullUp: { lines: readonly Text[]; rail: Text };
  readonly takeAs: { card: Text; part: Text };
  readonly takeDividerOut: null;
  readonly takeTranslatorOut: null;
  readonly takeAsTranslator: { card: Text };
}

const tell = tells<RemedyLevelSays>('remedy/level');

/** The port of a part that a signal belongs to. */
function portOf(part: PartNode | undefined, signal: string): string | undefined {
  return part?.card.ports.find(({ lines }) => Object.values(lines).includes(signal))?.id;
}

/** The rail that a signal's levels stand on, as the plan names it. */
export function railOf(circuit: Circuit, end: Pick<NetEnd, 'part' | 'signal'>): string | null {
  const part = circuit.parts.get(end.part);
  const reference = part?.card.signals.find(({ id }) => id === end.signal)?.reference ?? part?.card.supplies[0]?.id;
  if (!part || !reference) return null;
  return circuit.rails.has(keyOf(part.id, reference))
    ? keyOf(part.id, reference)
    : (part.choice?.feeds[reference] ?? null);
}

/** A translator between the controller and the given ends, one candidate per card that has the channels. */
function translate({ circuit, library }: Context, ends: readonly NetEnd[]): Candidate[] {
  const first = ends[0];
  const near = logicRail(circuit);
  const far = first && railOf(circuit, first);
  if (!first || !near || !far || near === far) return [];
  const ports = new Map<string, { part: string; port: string }>();
  let lines = 0;
  /** Lines that both sides pull low, which a translator with a direction would block. */
  let bothWays = false;
  for (const end of ends) {
    const part = circuit.parts.get(end.part);
    const port = portOf(part, end.signal);
    if (!part?.choice || !port || part.helper) return [];
    if (part.card.ports.find(({ id }) => id === port)?.protocol === 'analog') return [];
    if (!ports.has(keyOf(end.part, port))) ports.set(keyOf(end.part, port), { part: end.part, port });
  }
  const seen = new Set<string>();
  for (const net of circuit.nets) {
    if (
      net.ends.some((end) => ports.has(keyOf(end.part, portOf(circuit.parts.get(end.part), end.signal)))) &&
      !seen.has(net.id)
    ) {
      seen.add(net.id);
      lines += 1;
      bothWays ||= isTwoWay(net.protocol);
    }
  }
  const names = [...ports.values()].map(({ part }) => circuit.parts.get(part)?.label ?? part);
  return [...library.values()]
    .filter(
      ({ translator }) =>
        translator && translator.channels.length >= lines && (!bothWays || translator.style === 'open-drain'),
    )
    .map((card) => ({
      id: `translator:${[...ports.keys()].join('+')}:${card.id}`,
      title: tell('putBetweenController', { card: card.name, names }),
      plan: addHelper(circuit.plan, {
        id: freeId(circuit.plan, 'translator'),
        kind: 'translator',
        card: card.id,
        near,
        far,
        ports: [...ports.values()],
      }),
    }));
}

/** Feeds the part of an end from the controller's logic rail, when its range allows. */
export function feedFromLogic({ circuit }: Context, end: NetEnd): Candidate[] {
  const part = circuit.parts.get(end.part);
  const rail = logicRail(circuit);
  const signal = part?.card.signals.find(({ id }) => id === end.signal);
  const supply = part?.card.supplies.find(({ id }) => id === (signal?.reference ?? part.card.supplies[0]?.id));
  if (!part?.choice || !rail || !supply || part.choice.feeds[supply.id] === rail) return [];
  const volts = circuit.rails.get(rail)?.voltage;
  const range = toInterval(supply.range);
  if (!volts || volts.min < range.min || volts.max > range.max) return [];
  return [
    {
      id: `feed:${keyOf(part.id, supply.id)}:${rail}`,
      title: tell('feedFrom', { part: part.label, rail: circuit.rails.get(rail)?.label ?? rail }),
      plan: setFeed(circuit.plan, part.id, supply.id, rail),
    },
  ];
}

/** Opens jumpers of, or moves, pull-ups to a rail that is too high; a line left bare gets one of its own. */
function lowerPullUps({ circuit }: Context, net: Net, limit: number): Candidate[] {
  const lines = net.bus ? circuit.nets.filter(({ bus, beyond }) => bus === net.bus && beyond === net.beyond) : [net];
  const high = lines.flatMap(({ pullUps }) => pullUps.filter(({ voltage }) => (voltage?.max ?? 0) > limit));
  if (high.length === 0 || high.some(({ fitted }) => fitted && fitted.removable !== 'jumper')) return [];
  const rail = pullRail(circuit, net);
  if (!rail) return [];
  let plan: Plan = circuit.plan;
  for (const { fitted, helper } of high) {
    if (fitted) plan = setOpened(plan, fitted.part, fitted.signal, true);
    if (helper) plan = changeHelperOf(plan, helper, 'pull-up', (h) => ({ ...h, to: rail }));
  }
  const jumpers = [
    ...new Set(high.flatMap(({ fitted }) => (fitted ? (circuit.parts.get(fitted.part)?.label ?? fitted.part) : []))),
  ];
  const title =
    jumpers.length > 0
      ? tell('openPullUpJumpers', { jumpers })
      : tell('movePullUp', { rail: circuit.rails.get(rail)?.label ?? rail });
  return [{ id: `lower:${net.of}`, title, plan: addPullUps(circuit, plan, net.of) }];
}

/** Two resistors between an output and the pin, where the line only goes to the controller. */
export function divide({ circuit }: Context, net: Net, target: number): Candidate[] {
  const reader = net.protocol === 'analog' ? readerOf(circuit, net) : null;
  const isReader = (end: NetEnd) => end.controller || (reader !== null && end.part === reader.part.id);
  const pin = net.ends.find(isReader);
  const [driver, ...others] = net.ends.filter((end) => !isReader(end));
  const part = driver && circuit.parts.get(driver.part);
  const port = driver && portOf(part, driver.signal);
  const peak = driver && driverPeak(driver);
  if (!pin || pin.kind !== 'input' || !driver || others.length > 0 || !part?.choice || !port || !peak) return [];
  const most = reader ? Math.min(target, reader.most) : target;
  const source = reader?.adc.sourceResistance ? toInterval(reader.adc.sourceResistance).min : undefined;
  const [best] = dividers(peak.volts, most, circuit.plan.rules.series, circuit.tolerance, source);
  if (!best) return [];
  const { upper, lower } = best;
  return [
    {
      id: `divider:${keyOf(part.id, port, net.line)}:${upper}:${lower}`,
      title: tell('putDividerBeforePin', { upper: quantityOf(upper, 'Ω'), lower: quantityOf(lower, 'Ω') }),
      plan: addHelper(circuit.plan, {
        id: freeId(circuit.plan, `divider-${part.id}`),
        kind: 'divider',
        part: part.id,
        port,
        line: net.line,
        upper,
        lower,
      }),
    },
  ];
}

/** Pull-ups to a voltage too many: apart from the bus, or onto its rail. */
export const mixedRemedies: Proposer = (context) => {
  const { circuit, finding } = context;
  const net = circuit.nets.find(({ id }) => id === finding.subjects[0]);
  if (!net) return [];
  const rail = pullRail(circuit, net);
  const limit = Math.min(finding.limit ?? Infinity, (rail && circuit.rails.get(rail)?.voltage?.max) || Infinity);
  const culprits = net.ends.filter(
    (end) =>
      !end.controller &&
      !circuit.parts.get(end.part)?.helper &&
      net.pullUps.some(({ fitted, voltage }) => fitted?.part === end.part && (voltage?.max ?? 0) > limit + 1e-9),
  );
  return [
    ...culprits.flatMap((end) => feedFromLogic(context, end)),
    ...translate(context, culprits),
    ...lowerPullUps(context, net, limit),
  ];
};

export const overVoltageRemedies: Proposer = (context) => {
  const { circuit, finding } = context;
  const net = circuit.nets.find(({ id }) => id === finding.subjects[1]);
  const limit = finding.limit ?? 0;
  if (!net) return [];
  const culprits = net.ends.filter((end) => {
    if (end.controller || circuit.parts.get(end.part)?.helper) return false;
    const drives = (end.kind === 'push-pull' || end.kind === 'bidirectional') && (end.power.voltage?.max ?? 0) > limit;
    const lifts = net.pullUps.some(({ fitted, voltage }) => fitted?.part === end.part && (voltage?.max ?? 0) > limit);
    return drives || lifts;
  });
  const victim = net.ends.find((end) => keyOf(end.part, end.signal) === finding.subjects[0]);
  const controllerDrives = net.ends.some((end) => end.controller && (end.power.voltage?.max ?? 0) > limit);
  const apart = culprits.length > 0 ? culprits : controllerDrives && victim ? [victim] : [];
  return [
    ...apart.flatMap((end) => feedFromLogic(context, end)),
    ...translate(context, apart),
    ...divide(context, net, limit),
    ...lowerPullUps(context, net, limit),
    ...lowerFixed(context, net),
  ];
};

/** A fixed resistor taken to the rail of the pin that reads it, so that the pin is never lifted above that. */
function lowerFixed({ circuit }: Context, net: Net): Candidate[] {
  const { fixed } = net;
  const rail = logicRail(circuit);
  if (!fixed || !rail || fixed.rail === rail) return [];
  return [
    {
      id: `fixed-to:${net.id}:${rail}`,
      title: tell('takeResistor', { net: net.label, rail: circuit.rails.get(rail)?.label ?? rail }),
      plan: changeHelperOf(circuit.plan, fixed.helper, 'fixed', (h) => ({ ...h, to: rail })),
    },
  ];
}

export const thresholdRemedies: Proposer = (context) => {
  const { circuit, finding } = context;
  const named = (net: Net) => net.ends.filter((end) => finding.subjects.includes(keyOf(end.part, end.signal)));
  const net = circuit.nets.find((n) => named(n).length === 2 || (n.id === finding.subjects[0] && named(n).length > 0));
  const parts = net ? named(net).filter((end) => !end.controller && !circuit.parts.get(end.part)?.helper) : [];
  return [
    ...parts.flatMap((end) => [
      ...feedFromLogic(context, end),
      ...translate(context, [end]),
      ...otherDriver(context, end),
    ]),
    ...(net?.openDrain ? liftLine(context, net) : []),
  ];
};

/** A line that rests too low for the controller: a translator before all of its parts, pull-ups to its rail, or other parts. */
function liftLine(context: Context, net: Net): Candidate[] {
  const { circuit, library } = context;
  const rail = pullRail(circuit, net);
  const others = net.ends.filter((end) => !end.controller && !circuit.parts.get(end.part)?.helper);
  const lines = net.bus ? circuit.nets.filter(({ bus, beyond }) => bus === net.bus && beyond === net.beyond) : [net];
  const low = lines.flatMap(({ pullUps }) => pullUps).filter((pull) => pull.rail !== rail);
  const movable = low.every(({ fitted }) => !fitted || fitted.removable === 'jumper');
  const lifted = low.reduce(
    (plan, { fitted, helper }) =>
      fitted ? setOpened(plan, fitted.part, fitted.signal, true) : helper ? removeHelper(plan, helper) : plan,
    circuit.plan,
  );
  return [
    ...translate(context, others),
    ...(rail && movable && low.length > 0
      ? [
          {
            id: `lift:${net.of}`,
            title: tell('pullUp', {
              lines: lines.map(({ label }) => label),
              rail: circuit.rails.get(rail)?.label ?? rail,
            }),
            plan: addPullUps(circuit, lifted, net.of),
          },
        ]
      : []),
    ...others.flatMap((end) => otherParts(circuit, library, end.part)),
  ];
}

/** Other cards that do the same. */
function otherParts(circuit: Circuit, library: Context['library'], id: string): Candidate[] {
  const part = circuit.parts.get(id);
  if (!part) return [];
  return rivals(circuit, library, part)
    .slice(0, 2)
    .map((card) => ({
      id: `card:${part.id}:${card.id}`,
      title: tell('takeAs', { card: card.name, part: part.label }),
      plan: swapCard(circuit.plan, part.id, part.card, card),
    }));
}

/** Another driver that reads the levels of the pin. */
function otherDriver({ circuit, library }: Context, end: NetEnd): Candidate[] {
  const part = circuit.parts.get(end.part);
  return part?.card.driver ? otherParts(circuit, library, part.id) : [];
}

export const channelRemedies: Proposer = (context) => {
  const { circuit, finding, library } = context;
  const [id = ''] = finding.subjects;
  if (helpersOf(circuit.plan, 'divider').some((divider) => divider.id === id)) {
    const without = removeHelper(circuit.plan, id);
    const title = tell('takeDividerOut');
    return [{ id: `without:${id}`, title, plan: without }];
  }
  const helper = helpersOf(circuit.plan, 'translator').find((translator) => translator.id === id);
  if (!helper) return [];
  const out: Candidate = {
    id: `without:${helper.id}`,
    title: tell('takeTranslatorOut'),
    plan: removeHelper(circuit.plan, helper.id),
  };
  if (finding.aspect === 'sides') return [out];
  return [...library.values()]
    .filter((card) => card.translator && card.id !== helper.card)
    .map((card) => ({
      id: `card:${helper.id}:${card.id}`,
      title: tell('takeAsTranslator', { card: card.name }),
      plan: changeHelperOf(circuit.plan, helper.id, 'translator', (h) => ({ ...h, card: card.id })),
    }));
};
