/** Resistors added, taken away or changed on open-drain lines. */
import { deriveCircuit } from '../circuit/derive.ts';
import type { Circuit, Net } from '../circuit/model.ts';
import { effectivePullUp } from '../physics/node.ts';
import { pullUpWindow } from '../physics/pull-up-window.ts';
import { addHelper, changeBus, feedByLine, freeId, setOpened } from '../plan/edits.ts';
import { removeHelper } from '../plan/remove.ts';
import type { Plan } from '../plan/plan.ts';
import { seriesBetween } from '../standard/e-series.ts';
import { fewerBits, membersOf } from './bits.ts';
import type { Candidate, Proposer } from './remedy.ts';
import { quantityOf, tells, type Quantity, type Text, distinct } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyPullUpSays {
  readonly addPullUp: { value: Quantity; bare: readonly Text[] };
  readonly run: { bus: Text; limit: Quantity };
  readonly pullUp: { lines: readonly Text[]; value: Quantity };
  readonly runBusKhz: null;
  readonly leaveExtraPullUp: null;
  readonly replaceThemOne: { target: Quantity };
  readonly openPullUpJumpers: { opened: readonly Text[] };
  readonly onePullUpWhole: { value: Quantity };
  readonly keepOnlyFirstPull: null;
  readonly openJumpersOf: { named: readonly Text[] };
  readonly openJumpersPutOne: { named: readonly Text[] };
  readonly keepPullUpsAlone: { label: Text };
  readonly openAllPullUp: null;
  readonly openAllPutPair: { value: Quantity };
  readonly giveEachWireSupply: null;
  readonly pullNetUp: { net: Text; ohms: Quantity };
}

const tell = tells<RemedyPullUpSays>('remedy/pull-up');

/** The rail that a net should be pulled to: the controller's logic rail, or the far rail of a translator. */
export function pullRail(circuit: Circuit, net: Net): string | null {
  const translator = net.beyond === null ? null : circuit.parts.get(net.beyond)?.helper;
  return translator ? translator.far : logicRail(circuit);
}

/** The rail whose levels the controller speaks, as the plan names it. */
export function logicRail(circuit: Circuit): string | null {
  const reference = circuit.controller?.card.controller?.io.reference;
  const own = circuit.controller && keyOf(circuit.controller.id, reference);
  if (own && circuit.rails.has(own)) return own;
  return (reference && circuit.controller?.choice?.feeds[reference]) || null;
}

/** Adds one pull-up of the house rule's value to each line of a bus that has none. */
export function addPullUps(circuit: Circuit, plan: Plan, of: string): Plan {
  const next = deriveCircuit({ plan, cards: [...circuit.cards.values()] });
  return next.nets
    .filter((net) => net.of === of && net.openDrain && net.pullUps.length === 0)
    .reduce((p, net) => addPullUp(next, p, net) ?? p, plan);
}

/** Adds one pull-up to a net: of the value given, or of the one that the house rules take. Null when none fits. */
export function addPullUp(circuit: Circuit, plan: Plan, net: Net, ohms?: number): Plan | null {
  const rail = pullRail(circuit, net);
  const volts = rail && circuit.rails.get(rail)?.voltage?.max;
  const value = ohms ?? (volts ? pullUpWindow(net, volts, circuit.plan.rules, circuit.tolerance).choice : null);
  if (!rail || !value) return null;
  const id = freeId(plan, `pull-${net.of.replace('.', '-')}-${net.line}`);
  return addHelper(plan, {
    id,
    kind: 'pull-up',
    of: net.of,
    line: net.line,
    ...(net.beyond === null ? {} : { beyond: net.beyond }),
    to: rail,
    ohms: value,
  });
}

const netOf = (circuit: Circuit, id: string | undefined) => circuit.nets.find((net) => net.id === id);

/** A bus has two lines in the same state; a remedy for one is one for both. */
const sisters = (circuit: Circuit, net: Net) =>
  net.bus ? circuit.nets.filter((n) => n.bus === net.bus && n.beyond === net.beyond) : [net];

export const noPullUpRemedies: Proposer = ({ circuit, finding }) => {
  const net = netOf(circuit, finding.subjects[0]);
  if (!net) return [];
  const bare = sisters(circuit, net).filter((n) => n.pullUps.length === 0);
  const plan = bare.reduce<Plan>((p, n) => addPullUp(circuit, p, n) ?? p, circuit.plan);
  const rail = pullRail(circuit, net);
  const volts = (rail && circuit.rails.get(rail)?.voltage?.max) || 0;
  const value = pullUpWindow(net, volts, circuit.plan.rules, circuit.tolerance).choice;
  if (!value) return [];
  return [
    {
      id: `pull-up:${net.id}:${value}`,
      title: tell('addPullUp', { value: quantityOf(value, 'Ω'), bare: bare.map((n) => n.label) }),
      plan,
    },
  ];
};

/** Replaces every resistor of the plan on the lines by one; fitted ones stay and are counted in. */
function oneInstead(circuit: Circuit, nets: readonly Net[], target: (net: Net) => number | null): Plan | null {
  let plan: Plan | null = circuit.plan;
  for (const net of nets) {
    const value = target(net);
    if (!plan || value === null) return null;
    for (const { helper } of net.pullUps) if (helper) plan = removeHelper(plan, helper);
    plan = addPullUp(circuit, plan, net, value);
  }
  return plan;
}

/** The whole bus at the speed of its slowest part. */
export const clockRemedies: Proposer = ({ circuit, finding }) => {
  const bus = circuit.buses.find(({ id }) => id === finding.subjects[0]);
  const { limit } = finding;
  if (!bus || limit === null) return [];
  const title = tell('run', { bus: bus.name, limit: quantityOf(limit, 'Hz') });
  return [
    { id: `clock:${bus.id}:${limit}`, title, plan: changeBus(circuit.plan, bus.id, (b) => ({ ...b, clock: limit })) },
  ];
};

export const weakRemedies: Proposer = ({ circuit, finding }) => {
  const net = netOf(circuit, finding.subjects[0]);
  if (!net) return [];
  const { rules } = circuit.plan;
  const found: Candidate[] = [];
  const lines = sisters(circuit, net);
  const rail = pullRail(circuit, net);
  const target = (n: Net): number | null => {
    const volts = Math.max(
      (rail && circuit.rails.get(rail)?.voltage?.max) || 0,
      ...n.pullUps.map(({ voltage }) => voltage?.max ?? 0),
    );
    const window = pullUpWindow(n, volts, rules, circuit.tolerance);
    const fitted = { ...n, pullUps: n.pullUps.filter(({ helper }) => helper === null) };
    const beside = effectivePullUp(fitted)?.typ ?? Infinity;
    if (window.choice === null || beside <= window.choice) return null;
    const exactly = 1 / (1 / window.choice - 1 / beside);
    return seriesBetween(rules.series, exactly * 0.7, exactly * 1.05).at(-1) ?? null;
  };
  const value = target(net);
  const plan = oneInstead(circuit, lines, target);
  if (plan && value) {
    found.push({
      id: `pull-up:${net.of}:${value}`,
      title: tell('pullUp', { lines: lines.map((n) => n.label), value: quantityOf(value, 'Ω') }),
      plan,
    });
  }
  if (net.bus && (net.clock ?? 0) > 100e3) {
    found.push({
      id: `clock:${net.bus}:100000`,
      title: tell('runBusKhz'),
      plan: changeBus(circuit.plan, net.bus, (bus) => ({ ...bus, clock: 100e3 })),
    });
  }
  return found;
};

export const strongRemedies: Proposer = ({ circuit, finding }) => {
  const net = netOf(circuit, finding.subjects[0]);
  if (!net) return [];
  const lines = sisters(circuit, net);
  const found: Candidate[] = [];
  const helpers = lines.flatMap((n) => n.pullUps.flatMap(({ helper }) => helper ?? []));
  if (helpers.length > 0) {
    found.push({
      id: `no-pull-up:${net.of}`,
      title: tell('leaveExtraPullUp'),
      plan: helpers.reduce(removeHelper, circuit.plan),
    });
    const target = (n: Net) =>
      pullUpWindow(
        n,
        Math.max(...n.pullUps.map(({ voltage }) => voltage?.max ?? 0)),
        circuit.plan.rules,
        circuit.tolerance,
      ).choice;
    const plan = oneInstead(circuit, lines, target);
    if (plan)
      found.push({
        id: `pull-up:${net.of}:choice`,
        title: tell('replaceThemOne', { target: quantityOf(target(net) ?? 0, 'Ω') }),
        plan,
      });
  }
  // The jumpers of one more module after the other, until the sinks can hold the line.
  const modules = [
    ...new Set(net.pullUps.flatMap(({ fitted }) => (fitted?.removable === 'jumper' ? fitted.part : []))),
  ];
  let plan = circuit.plan;
  const opened: Text[] = [];
  for (const part of modules.slice(0, Math.max(1, net.pullUps.length - 1))) {
    for (const { pullUps } of lines)
      for (const { fitted } of pullUps) if (fitted?.part === part) plan = setOpened(plan, part, fitted.signal, true);
    opened.push(circuit.parts.get(part)?.label ?? part);
    found.push({
      id: `open:${net.of}:${opened.length}`,
      title: tell('openPullUpJumpers', { opened }),
      plan,
    });
  }
  return found;
};

export const wireRemedies: Proposer = ({ circuit, finding }) => {
  const net = netOf(circuit, finding.subjects[0]);
  const helpers = net?.pullUps.flatMap(({ helper }) => helper ?? []) ?? [];
  if (!net) return [];
  const volts = Math.max(...net.pullUps.map(({ voltage }) => voltage?.max ?? 0));
  const value = pullUpWindow(net, volts, circuit.plan.rules, circuit.tolerance).choice;
  const one = value === null ? null : oneInstead(circuit, [net], () => value);
  const keep = helpers.slice(1).reduce(removeHelper, circuit.plan);
  return [
    ...(one && value
      ? [
          {
            id: `pull-up:${net.id}:${value}`,
            title: tell('onePullUpWhole', { value: quantityOf(value, 'Ω') }),
            plan: one,
          },
        ]
      : []),
    ...(helpers.length > 1 ? [{ id: `keep-one:${net.id}`, title: tell('keepOnlyFirstPull'), plan: keep }] : []),
    ...wireJumpers(circuit, net),
  ];
};

/** Jumpers of one-wire modules: all but one opened, or all where a resistor of the plan is there or takes their place. */
function wireJumpers(circuit: Circuit, net: Net): Candidate[] {
  const closed = net.pullUps.flatMap(({ fitted }) => (fitted?.removable === 'jumper' ? [fitted] : []));
  if (closed.length === 0) return [];
  const open = (those: typeof closed): Plan =>
    those.reduce((plan, { part, signal }) => setOpened(plan, part, signal, true), circuit.plan);
  const named = (those: typeof closed): Text[] =>
    distinct(those.map(({ part }) => circuit.parts.get(part)?.label ?? part));
  const helper = net.pullUps.some((pull) => pull.helper !== null);
  const but = closed.slice(1);
  const bare = open(closed);
  const alone = { ...net, pullUps: net.pullUps.filter(({ fitted }) => !closed.some((c) => c === fitted)) };
  const one = addPullUp(circuit, bare, alone);
  return [
    ...(but.length > 0
      ? [{ id: `open-but-one:${net.id}`, title: tell('openJumpersOf', { named: named(but) }), plan: open(but) }]
      : []),
    ...(helper
      ? [{ id: `open-all:${net.id}`, title: tell('openJumpersOf', { named: named(closed) }), plan: bare }]
      : one
        ? [
            {
              id: `open-one:${net.id}`,
              title: tell('openJumpersPutOne', { named: named(closed) }),
              plan: one,
            },
          ]
        : []),
  ];
}

/** One pair for the bus: what carries a jumper lets go, and one resistor takes the place of those of the plan. */
export const pairRemedies: Proposer = ({ circuit, finding }) => {
  const net = netOf(circuit, finding.subjects[0]);
  if (!net) return [];
  const lines = sisters(circuit, net);
  const found: Candidate[] = [];
  const carriers = [
    ...new Set(net.pullUps.flatMap(({ fitted }) => (fitted?.removable === 'jumper' ? fitted.part : []))),
  ];
  const openAll = (plan: Plan, parts: readonly string[]) =>
    lines
      .flatMap(({ pullUps }) => pullUps)
      .reduce(
        (p, { fitted }) => (fitted && parts.includes(fitted.part) ? setOpened(p, fitted.part, fitted.signal, true) : p),
        plan,
      );
  const bare = lines
    .flatMap(({ pullUps }) => pullUps.flatMap(({ helper }) => helper ?? []))
    .reduce(removeHelper, circuit.plan);
  const label = (part: string | undefined) => circuit.parts.get(part ?? '')?.label ?? '';
  for (const keep of carriers) {
    const others = carriers.filter((part) => part !== keep);
    found.push({
      id: `pair:${net.of}:${keep}`,
      title: tell('keepPullUpsAlone', { label: label(keep) }),
      plan: openAll(bare, others),
    });
  }
  const opened = openAll(bare, carriers);
  found.push({ id: `pair:${net.of}:none`, title: tell('openAllPullUp'), plan: opened });
  const resistors = lines.reduce<Plan | null>((p, n) => p && addPullUp(circuit, p, { ...n, pullUps: [] }), opened);
  const rail = pullRail(circuit, net);
  const value = pullUpWindow(
    net,
    (rail && circuit.rails.get(rail)?.voltage?.max) || 0,
    circuit.plan.rules,
    circuit.tolerance,
  ).choice;
  if (resistors && value) {
    found.push({
      id: `pair:${net.of}:${value}`,
      title: tell('openAllPutPair', { value: quantityOf(value, 'Ω') }),
      plan: resistors,
    });
  }
  return found;
};

/** A smaller pull-up where the line comes up too late; a supply wire for a part that starves on its data line. */
export const wireBudgetRemedies: Proposer = ({ circuit, finding }) => {
  const net = netOf(circuit, finding.subjects[0]);
  if (finding.aspect === 'round') return fewerBits(circuit, membersOf(circuit, finding.subjects[0] ?? ''));
  if (!net) return [];
  if (finding.aspect === 'parasite') {
    const rail = pullRail(circuit, net);
    if (!rail) return [];
    const parts = net.ends.flatMap((end) => circuit.parts.get(end.part) ?? []);
    const living = parts.flatMap((part) =>
      part.card.ports.filter(({ id }) => part.choice?.ports[id]?.parasite).map((port) => ({ part, port })),
    );
    const plan = living.reduce<Plan>(
      (p, { part, port }) => feedByLine(p, part.id, port.id, part.card.supplies, rail),
      circuit.plan,
    );
    return [{ id: `fed:${net.of}`, title: tell('giveEachWireSupply'), plan }];
  }
  const rail = pullRail(circuit, net);
  const volts = (rail && circuit.rails.get(rail)?.voltage?.max) || 0;
  const { values } = pullUpWindow(net, volts, circuit.plan.rules, circuit.tolerance);
  // The time goes with the resistance, so the largest that is quick enough is known.
  const late = finding.measured !== null && finding.limit !== null ? finding.limit / finding.measured : 1;
  const most = (effectivePullUp(net)?.max ?? Infinity) * late;
  return values
    .filter((ohms) => ohms * (1 + circuit.tolerance) <= most)
    .toReversed()
    .slice(0, 2)
    .flatMap((ohms) => {
      const plan = oneInstead(circuit, [net], () => ohms);
      const title = tell('pullNetUp', { net: net.label, ohms: quantityOf(ohms, 'Ω') });
      return plan ? [{ id: `pull-up:${net.of}:${ohms}`, title, plan }] : [];
    });
};
