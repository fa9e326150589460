/** The wiring plan: what goes from which terminal to which, in a sane order, with a check after each step. */
import type { Circuit, Net } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { toWire } from './to-wire.ts';
import { Wirer, type Item, type Lead, type Point } from './wirer.ts';

export interface WiringStep {
  readonly key: string;
  readonly phase: 'place' | 'ground' | 'supply' | 'bus' | 'signal' | 'last';
  readonly title: string;
  readonly leads: readonly Lead[];
  /** What to look at or measure before going on. */
  readonly check: string;
}

export interface WiringPlan {
  readonly steps: readonly WiringStep[];
  readonly cautions: readonly { part: string; hazard: string; says: string }[];
}

const GROUND_STRIP: Point = { kind: 'strip', id: 'ground', label: 'minus strip, ground' };

/** Where resistors to a rail put their other leg: the strip, or a place kept for each. */
type RailPlaces = Map<string, Point[]>;

/** @returns steps in order: place, ground, supplies, buses, single signals, loads, last look */
export function wiringPlan(whole: Circuit): WiringPlan {
  const circuit = toWire(whole);
  const w = new Wirer(circuit);
  const places: RailPlaces = new Map();
  const steps: WiringStep[] = [placeStep(circuit), groundStep(circuit, w)];
  const strips = railStrips(circuit);
  for (const ref of railOrder(circuit)) steps.push(...railStep(circuit, w, ref, strips.get(ref) ?? null, places));
  const nets = [...circuit.nets.filter(({ bus }) => bus !== null), ...circuit.nets.filter(({ bus }) => bus === null)];
  const dividers = new Set(circuit.plan.helpers.flatMap((h) => (h.kind === 'divider' ? [h.id] : [])));
  // What stands above a divider is wired with what stands below it.
  for (const net of nets) if (!dividers.has(net.beyond ?? '')) steps.push(netStep(circuit, w, net, places));
  steps.push(...coilSteps(circuit, w));
  steps.push({
    key: 'last',
    phase: 'last',
    title: 'Last look',
    leads: [],
    check:
      'Power still off. Meter on ohms: every supply strip against ground shows more than 1 kΩ. Count the leads against the parts list. Then power on, a hand at the plug.',
  });
  return {
    steps: steps.filter((step) => step.leads.length > 0 || step.phase === 'place' || step.phase === 'last'),
    cautions: cautions(whole),
  };
}

function cautions(circuit: Circuit): WiringPlan['cautions'] {
  const all = [...circuit.parts.values()].flatMap((part) =>
    (part.card.cautions ?? []).map(({ hazard, says }) => ({ part: part.label, hazard, says })),
  );
  const byText = new Map<string, { part: string; hazard: string; says: string }>();
  for (const caution of all) {
    const same = byText.get(caution.says);
    byText.set(caution.says, same ? { ...same, part: `${same.part}, ${caution.part}` } : caution);
  }
  return [...byText.values()];
}

function placeStep(circuit: Circuit): WiringStep {
  const parts = [...circuit.parts.values()];
  const onBoard = parts.filter(({ card }) => card.mount === 'breadboard').map(({ label }) => label);
  const beside = parts.filter(({ card }) => card.mount !== 'breadboard').map(({ label }) => label);
  return {
    key: 'place',
    phase: 'place',
    title: 'Power off. Put the parts down.',
    leads: [],
    check: `On the board, each pin in a row of its own: ${onBoard.join(', ') || 'nothing'}. Beside it: ${beside.join(', ') || 'nothing'}. The supply stays unplugged until the last look.`,
  };
}

function groundStep(circuit: Circuit, w: Wirer): WiringStep {
  const points: Point[] = [];
  for (const part of circuit.parts.values()) {
    // A coil's minus goes to its driver, not to ground; one ground of a controller is enough.
    if (part.card.ports.some(({ protocol }) => protocol === 'coil')) continue;
    const grounds = part.card.terminals.filter(({ role }) => role === 'ground').map(({ id }) => w.terminal(part, id));
    points.push(...(part.card.controller ? grounds.slice(0, 1) : grounds));
    // A part that lives on its data line has its supply terminal on ground.
    if (Object.values(part.choice?.ports ?? {}).some(({ parasite }) => parasite === true)) {
      const idle = part.card.supplies.filter(({ id }) => part.choice?.feeds[id] === undefined);
      points.push(...idle.map(({ terminal }) => w.terminal(part, terminal)));
    }
  }
  return {
    key: 'ground',
    phase: 'ground',
    title: 'Ground of every part to one strip',
    leads: points.map((point) => w.lead(GROUND_STRIP, point, 'ground', 'ground')),
    check: 'Meter on continuity: the minus of the supply beeps against the ground of every part.',
  };
}

/** Sources first, then what is made from them. */
export function railOrder(circuit: Circuit): string[] {
  const depth = (ref: string, guard = 0): number => {
    const rail = circuit.rails.get(ref);
    const from = rail?.offer.from && circuit.feeds.get(`${rail.part}.${rail.offer.from.supply}`)?.rail;
    return from && guard < 32 ? 1 + depth(from, guard + 1) : 0;
  };
  return [...circuit.rails.keys()].sort((a, b) => depth(a) - depth(b));
}

const legsOn = (circuit: Circuit, ref: string) =>
  circuit.plan.helpers.filter((h) => (h.kind === 'pull-up' || h.kind === 'fixed') && h.to === ref).length;

/** Enables of translators that nothing switches: tied to the supply of their low side. */
const tiedTo = (circuit: Circuit, w: Wirer, ref: string): Point[] =>
  [...circuit.parts.values()].flatMap((node) => {
    const { translator } = node.card;
    const port = node.card.ports.find(({ id }) => id === translator?.enable);
    const signal = node.card.signals.find(({ id }) => id === Object.values(port?.lines ?? {})[0]);
    const tied = node.helper && !node.helper.gate && translator && node.choice?.feeds[translator.lowSupply] === ref;
    return tied && signal ? [w.terminal(node, signal.terminal)] : [];
  });
const fedFrom = (circuit: Circuit, ref: string) =>
  [...circuit.feeds.values()].filter(
    ({ part, supply, rail }) => rail === ref || circuit.parts.get(part)?.choice?.also?.[supply.id] === ref,
  );

/** The two rails with the most on them get the board's two plus strips. */
function railStrips(circuit: Circuit): Map<string, Point> {
  const counts = [...circuit.rails.keys()]
    .map((ref) => ({ ref, count: fedFrom(circuit, ref).length + legsOn(circuit, ref) }))
    .filter(({ count }) => count > 1)
    .sort((a, b) => b.count - a.count)
    .slice(0, 2);
  return new Map(
    counts.map(({ ref }, i): [string, Point] => [
      ref,
      {
        kind: 'strip',
        id: ref,
        label: `${i === 0 ? 'upper' : 'lower'} plus strip, ${circuit.rails.get(ref)?.offer.name ?? ref}`,
      },
    ]),
  );
}

function railStep(circuit: Circuit, w: Wirer, ref: string, strip: Point | null, places: RailPlaces): WiringStep[] {
  const rail = circuit.rails.get(ref);
  const maker = rail && circuit.parts.get(rail.part);
  if (!rail || !maker) return [];
  const guarded: { row: Point; terminal: Point; name: string; by: 'diode' | 'switch' }[] = [];
  const fed = fedFrom(circuit, ref).flatMap(({ part, supply }) => {
    const node = circuit.parts.get(part);
    if (!node) return [];
    const guard = circuit.guards.find((g) => g.part === part && g.supply === supply.id && g.rail === ref);
    if (!guard) return [w.terminal(node, supply.terminal)];
    const name = circuit.cards.get(guard.card)?.name ?? guard.by;
    const row = w.freeRow(`before the ${guard.by} of ${node.label}`);
    guarded.push({ row, terminal: w.terminal(node, supply.terminal), name, by: guard.by });
    return [row];
  });
  const legs = legsOn(circuit, ref);
  const points = [w.terminal(maker, rail.offer.terminal), ...fed, ...tiedTo(circuit, w, ref)];
  if (points.length + legs < 2) return [];
  const volts = rail.voltage?.typ;
  const kept: Point[] = [];
  places.set(ref, strip ? Array.from({ length: legs }, () => strip) : kept);
  const leads = strip
    ? points.map((point) => w.lead(strip, point, ref, 'supply', volts))
    : w.join(points, [], ref, 'supply', rail.offer.name, volts);
  for (const { row, terminal, name, by } of guarded) {
    const behind = w.onBoard(terminal) ? terminal : w.freeRow(`behind the ${by}`);
    leads.push(w.legs(by, row, behind, name, ref));
    if (behind !== terminal) leads.push(w.lead(behind, terminal, ref, 'supply', volts));
  }
  // Without a strip each resistor that pulls to this rail gets a row that is on it.
  for (let i = 0; !strip && i < legs; i++) {
    const row = w.freeRow(rail.offer.name);
    leads.push(w.lead(points.find((p) => w.onBoard(p)) ?? row, row, ref, 'supply', volts));
    kept.push(row);
  }
  return [
    {
      key: `rail:${ref}`,
      phase: 'supply',
      title: strip ? `${rail.label} on the ${strip.label.split(',')[0]}` : rail.label,
      leads,
      check: rail.voltage
        ? `Power off: no short to ground. Expected later: ${formatQuantity(rail.voltage.min, 'V')} to ${formatQuantity(rail.voltage.max, 'V')}.`
        : 'Power off: no short to ground.',
    },
  ];
}

function netStep(circuit: Circuit, w: Wirer, net: Net, places: RailPlaces): WiringStep {
  const points = net.ends.flatMap((end) => {
    const part = circuit.parts.get(end.part);
    return part ? [w.terminal(part, end.terminal)] : [];
  });
  const pulls = net.pullUps.flatMap((pullUp): Item[] => {
    const place = pullUp.helper === null ? undefined : places.get(pullUp.rail)?.shift();
    const value = formatQuantity(pullUp.ohms.typ, 'Ω');
    return place ? [(from) => w.legs('resistor', from, place, value, net.id)] : [];
  });
  const { fixed } = net;
  const fixedPlace = fixed ? places.get(fixed.rail)?.shift() : undefined;
  if (fixed && fixedPlace) {
    const value = formatQuantity(fixed.ohms.typ, 'Ω');
    pulls.push((from) => w.legs('resistor', from, fixedPlace, value, net.id));
  }
  for (const { helper, ohms } of net.pullDowns) {
    if (helper === null) continue;
    const value = formatQuantity(ohms.typ, 'Ω');
    pulls.push((from) => w.legs('resistor', from, GROUND_STRIP, value, net.id));
  }
  const above = dividerLeads(circuit, w, net);
  pulls.push(...above.items);
  const series = net.series.map(({ ohms }) => formatQuantity(ohms, 'Ω'));
  const joined =
    series.length > 0 ? seriesLeads(w, net, points, series, pulls) : w.join(points, pulls, net.id, net.line, net.label);
  const leads = [...above.leads, ...joined];
  const last = points.at(-1);
  const open = net.ends.some(({ kind }) => kind === 'switch') ? ' while the switch is open' : '';
  return {
    key: `net:${net.id}`,
    phase: net.bus === null ? 'signal' : 'bus',
    title: net.label,
    leads,
    check:
      points[0] && last && points.length > 1 && series.length === 0
        ? `Continuity from ${points[0].label} to ${last.label}; none to ground${open}.`
        : '',
  };
}

/** The two resistors of a divider: from the part's own row to the pin, and from there to ground. */
function dividerLeads(circuit: Circuit, w: Wirer, net: Net): { leads: Lead[]; items: Item[] } {
  const helper = circuit.plan.helpers.find(({ id }) => net.ends.some((end) => end.divider && end.part === id));
  const far = helper && circuit.nets.find(({ beyond }) => beyond === helper.id);
  const end = far?.ends[0];
  const part = end && circuit.parts.get(end.part);
  if (helper?.kind !== 'divider' || !far || !end || !part) return { leads: [], items: [] };
  const own = w.terminal(part, end.terminal);
  const row = w.onBoard(own) ? own : w.freeRow(far.label);
  const leg =
    (to: Point, ohms: number): Item =>
    (from) =>
      w.legs('resistor', from, to, formatQuantity(ohms, 'Ω'), net.id);
  return {
    leads: row === own ? [] : [w.lead(own, row, far.id, far.line)],
    items: [leg(row, helper.upper), leg(GROUND_STRIP, helper.lower)],
  };
}

/** Resistors in a row between the first point and the rest; legs need rows, so a loose part gets one. */
function seriesLeads(
  w: Wirer,
  net: Net,
  points: readonly Point[],
  values: readonly string[],
  pulls: readonly Item[],
): Lead[] {
  const [first, ...others] = points;
  const target = others[0];
  if (!first || !target) return [];
  const leads: Lead[] = [];
  let at = w.onBoard(first) ? first : w.freeRow(net.label);
  if (at !== first) leads.push(w.lead(first, at, net.id, net.line));
  leads.push(...pulls.map((item) => item(at)));
  values.forEach((value, i) => {
    const last = i === values.length - 1;
    const next = last && w.onBoard(target) ? target : w.freeRow(net.label);
    leads.push(w.legs('resistor', at, next, value, net.id));
    at = next;
  });
  const rest = at === target ? others.slice(1) : others;
  return [...leads, ...rest.map((point) => w.lead(at, point, net.id, net.line))];
}

function coilSteps(circuit: Circuit, w: Wirer): WiringStep[] {
  return [...circuit.parts.values()].flatMap((part) =>
    part.card.ports.flatMap((port): WiringStep[] => {
      const driver = circuit.parts.get(part.choice?.ports[port.id]?.driver ?? '');
      const minus = part.card.terminals.find(({ role }) => role === 'ground');
      const plus = part.card.terminals.find(({ id }) => id === part.card.supplies[0]?.terminal);
      if (port.protocol !== 'coil' || !driver?.card.driver || !minus || !plus) return [];
      const net = `${part.id}.${port.id}`;
      const leads = [w.lead(w.terminal(driver, driver.card.driver.terminal), w.terminal(part, minus.id), net, 'load')];
      for (const helper of circuit.plan.helpers) {
        if (helper.kind !== 'diode' || helper.part !== part.id) continue;
        const name = circuit.cards.get(helper.card)?.name ?? helper.card;
        leads.push(w.legs('diode', w.terminal(part, minus.id), w.terminal(part, plus.id), name, net));
      }
      const diode = leads.some(({ kind }) => kind === 'diode');
      return [
        {
          key: `coil:${net}`,
          phase: 'signal',
          title: `${part.label} to ${driver.label}`,
          leads,
          check: diode
            ? 'The ring of the diode points to the plus of the load. The other way round it is a short.'
            : 'Plus of the load on its supply, minus on the driver.',
        },
      ];
    }),
  );
}
