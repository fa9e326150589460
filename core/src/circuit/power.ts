/** Rails, feeds and the currents on them. */
import { add, multiply, noted, divide } from '../quantity/sum.ts';
import { exact, interval, type Interval } from '../quantity/interval.ts';
import { highest, mean } from '../quantity/steps.ts';
import { gaugeResistance } from '../standard/wire-gauge.ts';
import { SOCKET } from '../card/kinds.ts';
import { JUMPER_GAUGE, JUMPER_LENGTH } from '../standard/common-practice.ts';
import type { Feed, Guard, Load, PartNode, Power, Rail } from './model.ts';
import { drawOf } from './draw.ts';
import { acrossOf, efficiencyAt, flow, type Flow, type View } from './flow.ts';
import type { CableRun } from './model.ts';
import { feedRail, powerTree, switchesOf, type Offered, type PowerTree } from './power-tree.ts';
import { groundLifts } from './pin-ground.ts';
import { rhythms } from './rhythm.ts';
import type { Rhythm } from './model.ts';
import { voltages, type Lost } from './rail-voltage.ts';
import type { Plan } from '../plan/plan.ts';
import { quantityOf, tells, type Text, type Quantity, type Sum } from '../quantity/message.ts';
import { keyOf, ownerOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface CircuitPowerSays {
  readonly rail: { offer: Text; part: Text };
  readonly nothingBoard: null;
  readonly nothingFiguresHoldPlug: null;
  readonly ofCable: { drop: Sum; length: Quantity };
  readonly contacts: null;
  readonly diode: null;
  readonly pinGround: null;
  readonly made: { part: Text; offer: Text };
  readonly itself: { maker: Text };
  readonly passed: { peak: Quantity };
}

const tell = tells<CircuitPowerSays>('circuit/power');

/** A draw on a rail that no supply terminal stands for: a pull-up held low, a light on a pin. */
export interface ExtraLoad extends Omit<Load, 'lasting' | 'kind'> {
  readonly rail: string;
}

export interface PowerGraph {
  readonly rails: Map<string, Rail>;
  readonly feeds: Map<string, Feed>;
  readonly rhythms: ReadonlyMap<string, Rhythm>;
}

const AMPS = (value: number) => quantityOf(value, 'A');
const VOLTS = (value: number) => quantityOf(value, 'V');

interface Flows {
  readonly usual: Flow;
  readonly most: Flow;
  readonly surge: Flow;
  readonly lasting: Flow;
}

const switchedBy =
  (tree: PowerTree) =>
  (part: PartNode): boolean =>
    part.card.supplies.every(({ id }) => {
      const rail = feedRail(part, id);
      return rail !== null && switchesOf(tree, rail).length > 0;
    });

/**
 * Rails and feeds without their currents, which is what nets need to be found: what pull-ups and lights on them draw
 * then goes into `derivePower`.
 */
export function sketchPower(plan: Plan, parts: ReadonlyMap<string, PartNode>, controller: PartNode | null): PowerGraph {
  const tree = powerTree(parts, controller);
  const volts = voltages(tree, () => 0);
  const none = { typical: 0, most: 0, peak: 0 };
  const rails = new Map<string, Rail>();
  for (const offered of tree.offers.values())
    rails.set(offered.ref, {
      ...standingOf(tree, offered),
      voltage: volts(offered.ref),
      loads: [],
      ...none,
      lasting: 0,
      still: none,
    });
  const feeds = new Map<string, Feed>();
  for (const part of parts.values())
    for (const supply of part.card.supplies) {
      const rail = feedRail(part, supply.id);
      const voltage = rail === null ? null : volts(rail);
      const lead = { length: JUMPER_LENGTH, gauge: JUMPER_GAUGE };
      feeds.set(keyOf(part.id, supply.id), {
        part: part.id,
        supply,
        rail,
        drop: 0,
        dropSum: '',
        lift: 0,
        peak: 0,
        lead,
        by: joinedBy(part, supply.id),
        voltage,
      });
    }
  return { rails, feeds, rhythms: rhythms(plan, parts, controller, switchedBy(tree)) };
}

/** How a supply is joined with the rail that feeds it. */
function joinedBy(part: PartNode, supply: string): Feed['by'] {
  if (supply === SOCKET) return 'cable';
  return ownerOf(feedRail(part, supply)) === part.id ? 'inside' : 'leads';
}

/** What a rail is, apart from its figures. */
function standingOf(
  tree: PowerTree,
  { ref, part, offer, pin }: Offered,
): Pick<Rail, 'ref' | 'part' | 'label' | 'offer' | 'pin' | 'root' | 'source' | 'switches'> {
  const way = tree.ways.get(ref) ?? null;
  return {
    ref,
    part: part.id,
    label: tell('rail', { offer: offer.name, part: part.label }),
    offer,
    pin,
    root: way?.find((at) => tree.offers.get(at)?.offer.voltage) ?? ref,
    source: way ? (tree.offers.get(way.at(-1) ?? '')?.part.id ?? part.id) : part.id,
    switches: switchesOf(tree, ref),
  };
}

/**
 * Derives rails and feeds. Voltages run from the sources down, currents from the parts up; the drop in the leads
 * needs both, so voltages are taken twice.
 * @param contacts of a feed by leads, there and back, Ω
 */
export function derivePower(
  beats: PowerGraph['rhythms'],
  parts: ReadonlyMap<string, PartNode>,
  controller: PartNode | null,
  extra: readonly ExtraLoad[],
  guards: readonly Guard[] = [],
  cables: ReadonlyMap<string, CableRun> = new Map(),
  contacts: (gauge: number) => number = () => 0,
): PowerGraph {
  const tree = powerTree(parts, controller);
  const first = voltages(tree, () => 0);
  const extras = new Map<string, ExtraLoad[]>();
  for (const load of extra) extras.set(load.rail, [...(extras.get(load.rail) ?? []), load]);
  const still = (pick: 'typical' | 'most' | 'peak') => {
    const sums = new Map([...extras].map(([ref, list]) => [ref, list.reduce((sum, load) => sum + load[pick], 0)]));
    return (ref: string) => sums.get(ref) ?? 0;
  };
  const flowOf = (view: View, pick: 'typical' | 'most' | 'peak', above: 'typ' | 'min'): Flow =>
    flow({ tree, rhythms: beats, view, still: still(pick), across: acrossOf(tree, first, above) });
  const flows: Flows = {
    usual: flowOf('usual', 'typical', 'typ'),
    most: flowOf('most', 'most', 'min'),
    surge: flowOf('surge', 'peak', 'min'),
    lasting: flowOf('lasting', 'most', 'min'),
  };

  const lost = new Map<string, Lost & { peak: number; length: number; gauge: number; lift: number }>();
  const lifts = groundLifts(parts, controller, (part, supply) => highest(flows.surge.supply(part, supply)));
  for (const { part, supply } of [...tree.fedBy.values()].flat()) {
    const peak = highest(flows.surge.supply(part.id, supply.id));
    const length = part.choice?.lead ?? JUMPER_LENGTH;
    const gauge = part.choice?.gauge ?? JUMPER_GAUGE;
    const ohms = gaugeResistance(gauge);
    const key = keyOf(part.id, supply.id);
    const by = joinedBy(part, supply.id);
    const cable = by === 'cable' ? cables.get(part.id) : undefined;
    if (by !== 'leads') {
      const drop = peak * (cable?.ohms ?? 0);
      const sum =
        by === 'inside'
          ? tell('nothingBoard')
          : cable?.own
            ? tell('nothingFiguresHoldPlug')
            : tell('ofCable', {
                drop: multiply(AMPS(peak), quantityOf(cable?.ohms ?? 0, 'Ω')),
                length: quantityOf(cable?.length ?? 0, 'm'),
              });
      lost.set(key, { drop, sum, peak, length: cable?.length ?? 0, gauge: cable?.gauge ?? gauge, lift: 0 });
      continue;
    }
    const lift = lifts.get(part.id) ?? 0;
    const guard = guards.find(
      (g) => g.drop > 0 && keyOf(g.part, g.supply) === key && g.rail === feedRail(part, supply.id),
    );
    const diode = guard?.drop ?? 0;
    const touched = contacts(gauge);
    lost.set(key, {
      drop: peak * (2 * length * ohms + touched) + diode + lift,
      sum: add(
        multiply(AMPS(peak), 2, quantityOf(length, 'm'), quantityOf(ohms, 'Ω/m')),
        ...(touched > 0 ? [noted(multiply(AMPS(peak), quantityOf(touched, 'Ω')), tell('contacts'))] : []),
        ...(diode > 0 ? [noted(VOLTS(diode), tell('diode'))] : []),
        ...(lift > 0 ? [noted(VOLTS(lift), tell('pinGround'))] : []),
      ),
      peak,
      length,
      gauge,
      lift,
    });
  }
  const final = voltages(
    tree,
    (key) => lost.get(key)?.drop ?? 0,
    (ref) => highest(flows.surge.rail(ref)),
  );
  const rails = new Map<string, Rail>();
  for (const offered of tree.offers.values()) {
    rails.set(offered.ref, {
      ...standingOf(tree, offered),
      voltage: final(offered.ref),
      loads: loadsOf(tree, offered, flows, extras.get(offered.ref) ?? [], first, beats).toSorted(
        (a, b) => b.peak - a.peak,
      ),
      typical: mean(flows.usual.rail(offered.ref)),
      most: mean(flows.most.rail(offered.ref)),
      lasting: mean(flows.lasting.rail(offered.ref)),
      peak: highest(flows.surge.rail(offered.ref)),
      still: {
        typical: still('typical')(offered.ref),
        most: still('most')(offered.ref),
        peak: still('peak')(offered.ref),
      },
    });
  }
  const feeds = new Map<string, Feed>();
  for (const part of parts.values()) {
    for (const supply of part.card.supplies) {
      const key = keyOf(part.id, supply.id);
      const rail = feedRail(part, supply.id);
      const at = rail === null ? null : final(rail);
      const found = lost.get(key);
      const drop = found?.drop ?? 0;
      feeds.set(key, {
        part: part.id,
        supply,
        rail,
        drop,
        dropSum: found?.sum ?? '',
        lift: found?.lift ?? 0,
        peak: found?.peak ?? 0,
        lead: { length: found?.length ?? JUMPER_LENGTH, gauge: found?.gauge ?? JUMPER_GAUGE },
        by: joinedBy(part, supply.id),
        voltage: at && interval(Math.min(at.min - drop, at.max), at.typ, at.max),
      });
    }
  }
  return { rails, feeds, rhythms: beats };
}

/** The draws on a rail one by one. */
function loadsOf(
  tree: PowerTree,
  { ref, part: maker, offer }: Offered,
  flows: Flows,
  extras: readonly ExtraLoad[],
  volts: (ref: string) => Interval | null,
  beats: ReadonlyMap<string, Rhythm>,
): Load[] {
  const loads: Load[] = extras.map(({ rail: _on, ...load }) => ({ ...load, kind: 'small', lasting: load.most }));
  if (offer.ownLoad) {
    const draw = drawOf(offer.ownLoad, beats.get(maker.id), maker.choice?.run?.clock);
    loads.push({
      kind: 'board',
      subject: maker.id,
      label: tell('itself', { maker: maker.label }),
      typical: mean(draw.usual),
      most: mean(draw.most),
      lasting: draw.lasting,
      peak: highest(draw.surge),
      sum: draw.sum,
    });
  }
  const of = (pick: (flow: Flow) => ReturnType<Flow['own']>) => ({
    typical: mean(pick(flows.usual)),
    most: mean(pick(flows.most)),
    lasting: mean(pick(flows.lasting)),
    peak: highest(pick(flows.surge)),
  });
  for (const { part, supply } of tree.fedBy.get(ref) ?? []) {
    const own = of((flow) => flow.own(part.id, supply.id));
    const { sum } = drawOf(supply.current, beats.get(part.id), part.choice?.run?.clock);
    if (own.peak > 0) loads.push({ kind: 'part', subject: part.id, label: part.label, ...own, sum });
    for (const made of part.card.rails ?? []) {
      const below = keyOf(part.id, made.id);
      if (made.from?.supply !== supply.id || !tree.ways.get(below)) continue;
      const through = of((flow) => flow.into(below));
      if (through.peak > 0)
        loads.push({
          kind: 'rail',
          subject: below,
          label: tell('made', { part: part.label, offer: made.name }),
          ...through,
          sum: throughSum(tree, below, highest(flows.surge.rail(below)), volts),
        });
    }
  }
  for (const pin of tree.pinsOn.get(ref) ?? []) {
    const through = of((flow) => flow.rail(pin.ref));
    if (through.peak > 0)
      loads.push({
        kind: 'rail',
        subject: pin.ref,
        label: pin.offer.name,
        ...through,
        sum: tell('passed', { peak: AMPS(through.peak) }),
      });
  }
  return loads;
}

function throughSum(tree: PowerTree, ref: string, peak: number, volts: (ref: string) => Interval | null): Sum {
  const offered = tree.offers.get(ref);
  const from = offered?.offer.from;
  const above = offered?.up ? volts(offered.up) : null;
  const own = volts(ref);
  if (from?.by !== 'switching' || !above || !own) return tell('passed', { peak: AMPS(peak) });
  const share = Number(efficiencyAt(from, peak).toFixed(3));
  return divide(multiply(AMPS(peak), VOLTS(own.typ)), multiply(share, VOLTS(above.min)));
}

const DEAD: Power = { rail: null, source: null, switches: [], voltage: null, drop: 0, lift: 0 };

/** The power that a supply or own rail of a part stands on. */
export function powerOf(graph: PowerGraph, part: PartNode, reference: string | undefined): Power {
  const id = reference ?? part.card.supplies[0]?.id ?? '';
  const own = graph.rails.get(keyOf(part.id, id));
  // A part without a supply has levels in volts only.
  if (!own && part.card.supplies.length === 0) return { ...DEAD, voltage: exact(0) };
  if (own)
    return {
      rail: own.voltage && own.root,
      source: own.source,
      switches: own.switches,
      voltage: own.voltage,
      drop: 0,
      lift: 0,
    };
  const feed = graph.feeds.get(keyOf(part.id, id));
  const rail = feed?.rail ? graph.rails.get(feed.rail) : undefined;
  if (!feed || !rail?.voltage) return DEAD;
  return {
    rail: rail.root,
    source: rail.source,
    switches: rail.switches,
    voltage: rail.voltage,
    drop: feed.drop,
    lift: feed.lift,
  };
}
