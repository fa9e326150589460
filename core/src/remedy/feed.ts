/** Feeding a part otherwise, where its signals ask for it. */
import { helpersOf } from '../plan/helpers.ts';
import { DIODE } from '../check/level-unpowered.ts';
import { wideSupplies } from '../check/level-feed-rule.ts';
import { toInterval } from '../card/to-interval.ts';
import { within } from '../quantity/interval.ts';
import { isTwoWay } from '../card/protocol.ts';
import { addHelper, changeHelperOf, freeId, setFeed, setOpened } from '../plan/edits.ts';
import { removeHelper } from '../plan/remove.ts';
import { seriesAtLeast } from '../standard/e-series.ts';
import { CLAMP_CURRENT } from '../standard/common-practice.ts';
import type { Plan } from '../plan/plan.ts';
import { addPullUps, logicRail, pullRail } from './pull-up.ts';
import type { Candidate, Context, Proposer } from './remedy.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { keyOf, parseRef } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyFeedSays {
  readonly feedFrom: { part: Text; other: Text };
  readonly takeOutFromBehind: { node: Text };
  readonly takeOutAndFeed: { node: Text; rail: Text };
  readonly putSeries: { ohms: Quantity; net: Text };
  readonly openPullUpsSwitched: null;
  readonly feedFromSoOthers: { part: Text; rail: Text };
  readonly openPullUpJumpers: { part: Text };
}

const tell = tells<RemedyFeedSays>('remedy/feed');

/** The rail that the house rule names. */
export const feedRuleRemedies: Proposer = ({ circuit, finding }) =>
  wideSupplies(circuit)
    .filter(({ part, supply }) => keyOf(part.id, supply.id) === finding.subjects[0])
    .map(({ part, supply, other }) => ({
      id: `feed:${keyOf(part.id, supply.id)}:${other.ref}`,
      title: tell('feedFrom', { part: part.label, other: other.label }),
      plan: setFeed(circuit.plan, part.id, supply.id, other.ref),
    }));

/** The port comes out of the outer translator; its breakout is fed from the controller's rail where that suits it. */
export const translatedTwiceRemedies: Proposer = ({ circuit, finding }) => {
  const { part, own: port = '' } = parseRef(finding.subjects[0]);
  const helper = helpersOf(circuit.plan, 'translator').find(({ id }) => id === finding.subjects[1]);
  const node = circuit.parts.get(part);
  if (!helper || !node) return [];
  const left = helper.ports.filter((p) => p.part !== part || p.port !== port);
  const plan: Plan =
    left.length === 0
      ? removeHelper(circuit.plan, helper.id)
      : changeHelperOf(circuit.plan, helper.id, 'translator', (h) => ({ ...h, ports: left }));
  const found: Candidate[] = [
    { id: `direct:${keyOf(part, port)}`, title: tell('takeOutFromBehind', { node: node.label }), plan },
  ];
  const rail = logicRail(circuit);
  const volts = rail && circuit.rails.get(rail)?.voltage;
  for (const supply of node.card.supplies) {
    if (!rail || !volts || !within(volts, toInterval(supply.range)) || node.choice?.feeds[supply.id] === rail) continue;
    found.push({
      id: `direct:${keyOf(part, port)}:${rail}`,
      title: tell('takeOutAndFeed', { node: node.label, rail: circuit.rails.get(rail)?.label ?? rail }),
      plan: setFeed(plan, part, supply.id, rail),
    });
  }
  return found;
};

/** A part that stays on with the others, or pull-ups that let go of the line. */
export const unpoweredRemedies: Proposer = (context) =>
  context.finding.aspect === 'pull-up' ? lettingGo(context) : [...stayingOn(context), ...limiting(context)];

/** A resistor in the line that keeps what flows into a part without supply at a milliampere. */
function limiting({ circuit, finding }: Context): Candidate[] {
  const net = circuit.nets.find(({ id }) => id === finding.subjects[1]);
  const { part, own: port = '' } = parseRef(net?.of);
  const volts = finding.measured ?? 0;
  if (!net || net.bus !== null || net.beyond !== null || net.series.length > 0 || isTwoWay(net.protocol)) return [];
  if (!LIMITABLE.has(net.protocol) || !circuit.parts.get(part)?.choice) return [];
  const ohms = seriesAtLeast(circuit.plan.rules.series, (volts - DIODE) / CLAMP_CURRENT / (1 - circuit.tolerance));
  const id = freeId(circuit.plan, `series-${part}`);
  return [
    {
      id: `series:${net.id}:${ohms}`,
      title: tell('putSeries', { ohms: quantityOf(ohms, 'Ω'), net: net.label }),
      plan: addHelper(circuit.plan, { id, kind: 'series', part, port, line: net.line, ohms }),
    },
  ];
}

/** Lines that carry no current of their own, so that a resistor in them changes nothing but the edge. */
const LIMITABLE: ReadonlySet<string> = new Set(['uart', 'digital-out', 'digital-in', 'clocked']);

/** Pull-ups on switched supplies let go: jumpers are opened, resistors of the plan go to the rail that stays on. */
function lettingGo({ circuit, finding }: Context): Candidate[] {
  const net = circuit.nets.find(({ id }) => id === finding.subjects[0]);
  const rail = net && pullRail(circuit, net);
  if (!net || !rail) return [];
  const lines = net.bus ? circuit.nets.filter(({ bus, beyond }) => bus === net.bus && beyond === net.beyond) : [net];
  const switched = lines.flatMap(({ pullUps }) => pullUps).filter(({ switches }) => switches.length > 0);
  if (switched.some(({ fitted }) => fitted && fitted.removable !== 'jumper')) return [];
  const plan = switched.reduce(
    (p, { fitted, helper }) =>
      fitted
        ? setOpened(p, fitted.part, fitted.signal, true)
        : changeHelperOf(p, helper ?? '', 'pull-up', (h) => ({ ...h, to: rail })),
    circuit.plan,
  );
  return [
    {
      id: `let-go:${net.of}`,
      title: tell('openPullUpsSwitched'),
      plan: addPullUps(circuit, plan, net.of),
    },
  ];
}

function stayingOn({ circuit, finding }: Context): Candidate[] {
  const { part: partId, own: signal = '' } = parseRef(finding.subjects[0]);
  const part = circuit.parts.get(partId);
  if (!part?.choice || part.helper) return [];
  const reference = part.card.signals.find(({ id }) => id === signal)?.reference ?? part.card.supplies[0]?.id;
  const supply = part.card.supplies.find(({ id }) => id === reference);
  const now = supply && circuit.rails.get(part.choice.feeds[supply.id] ?? '');
  const found: Candidate[] = [];
  for (const rail of circuit.rails.values()) {
    if (!supply || rail.ref === now?.ref || rail.part === partId || rail.switches.length > 0 || !rail.voltage) continue;
    if (!within(rail.voltage, toInterval(supply.range))) continue;
    found.push({
      id: `feed:${keyOf(partId, supply.id)}:${rail.ref}`,
      title: tell('feedFromSoOthers', { part: part.label, rail: rail.label }),
      plan: setFeed(circuit.plan, partId, supply.id, rail.ref),
    });
  }
  const jumpers = part.card.signals.filter(({ fittedPullUp }) => fittedPullUp?.removable === 'jumper');
  const closed = jumpers.filter(({ id }) => !part.choice?.opened.includes(id));
  if (closed.length > 0) {
    found.push({
      id: `open:${partId}`,
      title: tell('openPullUpJumpers', { part: part.label }),
      plan: closed.reduce((p, { id }) => setOpened(p, partId, id, true), circuit.plan),
    });
  }
  return found;
}
