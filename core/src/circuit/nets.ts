/** Buses, nets and what wants a pin. */
import type { Port, Signal } from '../card/card.ts';
import { toInterval } from '../card/to-interval.ts';
import { isShared, PORT_LINES, type Ask } from '../card/protocol.ts';
import { spread } from '../quantity/interval.ts';
import type { Plan, TranslatorHelper } from '../plan/plan.ts';
import { PIN_CAPACITANCE } from '../standard/bus-timing.ts';
import { JUMPER_LENGTH, LEAD_CAPACITANCE, RESISTOR_TOLERANCE, ROW_CAPACITANCE } from '../standard/practice.ts';
import type { BusNode, Member, Net, NetEnd, PartNode, PinWish, PullUp } from './circuit.ts';
import { powerOf, type PowerGraph } from './power.ts';

interface Station {
  readonly part: PartNode;
  readonly port: Port;
  readonly beyond: string | null;
}

/** A line that will become one net, or one for each side of a translator. */
interface Trunk {
  readonly id: string;
  readonly of: string;
  readonly bus: string | null;
  readonly line: string;
  readonly label: string;
  readonly protocol: Port['protocol'];
  readonly ask: Ask;
  readonly group: string | null;
  readonly pin: string | null;
  readonly locked: boolean;
  readonly weakPull: boolean;
  readonly clock: number | null;
  readonly stations: readonly Station[];
}

/** Translators by "part.port" of what stands on their far side. */
function beyondOf(plan: Plan): Map<string, string> {
  const map = new Map<string, string>();
  for (const helper of plan.helpers) {
    if (helper.kind === 'translator') for (const { part, port } of helper.ports) map.set(`${part}.${port}`, helper.id);
  }
  return map;
}

export function deriveBuses(plan: Plan, parts: ReadonlyMap<string, PartNode>): BusNode[] {
  const beyond = beyondOf(plan);
  const members = new Map<string, Member[]>(plan.buses.map(({ id }) => [id, []]));
  for (const part of parts.values()) {
    for (const port of part.card.ports) {
      const choice = part.choice?.ports[port.id];
      if (!choice?.bus) continue;
      members.get(choice.bus)?.push({
        part: part.id,
        label: part.label,
        port: port.id,
        address: choice.address ?? port.addresses?.[0]?.value ?? null,
        options: port.addresses ?? [],
        beyond: beyond.get(`${part.id}.${port.id}`) ?? null,
      });
    }
  }
  return plan.buses.map((bus) => ({
    id: bus.id,
    name: bus.name,
    protocol: bus.protocol,
    clock: bus.clock ?? null,
    members: members.get(bus.id) ?? [],
  }));
}

function deriveTrunks(plan: Plan, parts: ReadonlyMap<string, PartNode>): Trunk[] {
  const beyond = beyondOf(plan);
  const onBus = new Map<string, Station[]>();
  const lines: Trunk[] = [];
  const trunks: Trunk[] = [];
  for (const part of parts.values()) {
    for (const port of part.card.ports) {
      const choice = part.choice?.ports[port.id];
      const station = { part, port, beyond: beyond.get(`${part.id}.${port.id}`) ?? null };
      if (isShared(port.protocol)) {
        if (choice?.bus) onBus.set(choice.bus, [...(onBus.get(choice.bus) ?? []), station]);
        continue;
      }
      const group = port.protocol === 'uart' ? `${part.id}.${port.id}` : null;
      for (const line of Object.keys(port.lines)) {
        const pin = choice?.lines?.[line];
        const alone = Object.keys(port.lines).length === 1;
        trunks.push({
          id: `${part.id}.${port.id}.${line}`,
          of: `${part.id}.${port.id}`,
          bus: null,
          line,
          label: alone ? part.label : `${part.label} ${line}`,
          protocol: port.protocol,
          ask: PORT_LINES[port.protocol][line] ?? 'inout',
          group,
          pin: pin?.pin ?? null,
          locked: pin?.locked ?? false,
          weakPull: pin?.weakPull ?? false,
          clock: null,
          stations: [station],
        });
      }
    }
  }
  for (const bus of plan.buses) {
    const stations = onBus.get(bus.id) ?? [];
    if (stations.length === 0) continue;
    for (const [line, ask] of Object.entries(PORT_LINES[bus.protocol])) {
      const pin = bus.lines[line];
      lines.push({
        id: `${bus.id}.${line}`,
        of: bus.id,
        bus: bus.id,
        line,
        label: `${bus.name} ${line.toUpperCase()}`,
        protocol: bus.protocol,
        ask,
        group: bus.protocol === 'i2c' ? bus.id : null,
        pin: pin?.pin ?? null,
        locked: pin?.locked ?? false,
        weakPull: pin?.weakPull ?? false,
        clock: bus.clock ?? null,
        stations,
      });
    }
  }
  return [...lines, ...trunks];
}

export interface NetGraph {
  readonly nets: Net[];
  readonly wishes: PinWish[];
}

export function deriveNets(
  plan: Plan,
  parts: ReadonlyMap<string, PartNode>,
  controller: PartNode | null,
  power: PowerGraph,
): NetGraph {
  const nets: Net[] = [];
  const wishes: PinWish[] = [];
  const channelsTaken = new Map<string, number>();
  const pullUps = pullUpHelpers(plan, power);
  const series = seriesHelpers(plan);

  for (const trunk of deriveTrunks(plan, parts)) {
    wishes.push({
      id: trunk.id,
      of: trunk.of,
      line: trunk.line,
      label: trunk.label,
      ask: trunk.ask,
      pin: trunk.pin,
      locked: trunk.locked,
      group: trunk.group,
      net: trunk.id,
    });
    const sides = new Map<string | null, Station[]>([[null, []]]);
    for (const station of trunk.stations) sides.set(station.beyond, [...(sides.get(station.beyond) ?? []), station]);
    const nearExtra: NetEnd[] = [];
    const built: Net[] = [];
    for (const [beyond, stations] of sides) {
      const ends = stations.flatMap(({ part, port }) => signalEnd(part, port.lines[trunk.line], power));
      if (beyond !== null) {
        const node = parts.get(beyond);
        const taken = channelsTaken.get(beyond) ?? 0;
        const channel = node?.card.translator?.channels[taken];
        channelsTaken.set(beyond, taken + 1);
        if (node?.helper && channel) {
          const lowIsNear = nearIsLow(node.helper, power);
          nearExtra.push(...signalEnd(node, lowIsNear ? channel.low : channel.high, power));
          ends.unshift(...signalEnd(node, lowIsNear ? channel.high : channel.low, power));
        }
      }
      built.push(finishNet(trunk, beyond, ends, parts, power, pullUps, series));
    }
    const near = built[0];
    if (near) {
      const pinEnd = controller && trunk.pin ? [controllerEnd(controller, trunk, power)] : [];
      built[0] = finishNet(trunk, null, [...pinEnd, ...nearExtra, ...near.ends], parts, power, pullUps, series);
    }
    nets.push(...built.filter((net, i) => i === 0 || net.ends.length > 0));
  }
  return { nets, wishes };
}

/** A translator's near rail is on its low side when its voltage is not above the far one. */
export function nearIsLow(helper: TranslatorHelper, power: PowerGraph): boolean {
  const near = power.rails.get(helper.near)?.voltage?.typ ?? 0;
  const far = power.rails.get(helper.far)?.voltage?.typ ?? 0;
  return near <= far;
}

function pullUpHelpers(plan: Plan, power: PowerGraph): Map<string, PullUp[]> {
  const map = new Map<string, PullUp[]>();
  for (const helper of plan.helpers) {
    if (helper.kind !== 'pull-up') continue;
    const key = `${helper.of}.${helper.line}${helper.beyond ? `@${helper.beyond}` : ''}`;
    const rail = power.rails.get(helper.to);
    const entry: PullUp = {
      ohms: spread(helper.ohms, RESISTOR_TOLERANCE),
      rail: helper.to,
      voltage: rail?.voltage ?? null,
      root: rail?.root ?? helper.to,
      helper: helper.id,
      fitted: null,
      label: `resistor ${helper.id}`,
      source: null,
    };
    map.set(key, [...(map.get(key) ?? []), entry]);
  }
  return map;
}

function seriesHelpers(plan: Plan): Map<string, { helper: string; ohms: number }[]> {
  const map = new Map<string, { helper: string; ohms: number }[]>();
  for (const helper of plan.helpers) {
    if (helper.kind !== 'series') continue;
    const key = `${helper.part}.${helper.port}.${helper.line}`;
    map.set(key, [...(map.get(key) ?? []), { helper: helper.id, ohms: helper.ohms }]);
  }
  return map;
}

const DRIVES_HIGH: ReadonlySet<string> = new Set(['push-pull', 'bidirectional', 'analog-out']);

function finishNet(
  trunk: Trunk,
  beyond: string | null,
  ends: readonly NetEnd[],
  parts: ReadonlyMap<string, PartNode>,
  power: PowerGraph,
  helpers: ReadonlyMap<string, PullUp[]>,
  series: ReadonlyMap<string, { helper: string; ohms: number }[]>,
): Net {
  const id = beyond === null ? trunk.id : `${trunk.id}@${beyond}`;
  const pullUps = [...(helpers.get(id) ?? []), ...ends.flatMap((end) => fittedPullUp(end, parts, power))];
  const terms = ends.map((end) => ({ label: `${end.label} pin`, farads: end.capacitance }));
  for (const end of ends) {
    if (end.controller) continue;
    const part = parts.get(end.part);
    const own = part?.card.terminals.find(({ id }) => id === end.terminal)?.lead?.length ?? 0;
    const length = (part?.choice?.lead ?? JUMPER_LENGTH) + own;
    terms.push({ label: `${end.label} lead, ${length} m`, farads: length * LEAD_CAPACITANCE });
  }
  terms.push({ label: `${ends.length} board rows`, farads: ends.length * ROW_CAPACITANCE });
  const sinks = ends.some(({ kind }) => kind === 'open-drain' || kind === 'switch');
  return {
    id,
    label: beyond === null ? trunk.label : `${trunk.label} beyond ${parts.get(beyond)?.label ?? beyond}`,
    of: trunk.of,
    bus: trunk.bus,
    line: trunk.line,
    protocol: trunk.protocol,
    beyond,
    ends,
    pullUps,
    series: series.get(trunk.id) ?? [],
    capacitance: terms.reduce((sum, { farads }) => sum + farads, 0),
    capacitanceTerms: terms,
    clock: trunk.clock,
    openDrain: sinks && !ends.some(({ kind }) => DRIVES_HIGH.has(kind)),
    weakPull: beyond === null && trunk.weakPull,
  };
}

function fittedPullUp(end: NetEnd, parts: ReadonlyMap<string, PartNode>, power: PowerGraph): PullUp[] {
  const part = parts.get(end.part);
  const fitted = part?.card.signals.find(({ id }) => id === end.signal)?.fittedPullUp;
  if (!part || !fitted || part.choice?.opened.includes(end.signal)) return [];
  const on = powerOf(power, part, fitted.to);
  return [
    {
      ohms: toInterval(fitted.value),
      rail: on.rail ?? `${part.id}.${fitted.to}`,
      voltage: on.voltage,
      root: on.rail ?? `${part.id}.${fitted.to}`,
      helper: null,
      fitted: { part: part.id, signal: end.signal, removable: fitted.removable },
      label: `on ${part.label}`,
      source: { card: part.card.id, source: fitted.value.source },
    },
  ];
}

function signalEnd(part: PartNode, signalId: string | undefined, power: PowerGraph): NetEnd[] {
  const signal: Signal | undefined = part.card.signals.find(({ id }) => id === signalId);
  if (!signal) return [];
  return [
    {
      part: part.id,
      label: `${part.label} ${part.card.terminals.find(({ id }) => id === signal.terminal)?.label ?? signal.id}`,
      signal: signal.id,
      terminal: signal.terminal,
      kind: signal.kind,
      power: powerOf(power, part, signal.reference),
      levels: levelsOf(signal),
      leakage: signal.leakage ? toInterval(signal.leakage).max : 0,
      capacitance: signal.capacitance ? toInterval(signal.capacitance).max : PIN_CAPACITANCE,
      card: part.card.id,
      controller: false,
    },
  ];
}

type Electrical = Omit<Signal, 'id' | 'terminal' | 'kind' | 'fittedPullUp'>;

const levelsOf = (e: Electrical): NetEnd['levels'] => ({
  outputHigh: e.outputHigh,
  outputLow: e.outputLow,
  inputHigh: e.inputHigh,
  inputLow: e.inputLow,
  absoluteMax: e.absoluteMax,
  sink: e.sinkCurrent ? toInterval(e.sinkCurrent).min : null,
  sinkSource: e.sinkCurrent?.source ?? null,
});

const CONTROLLER_KIND: Readonly<Record<Ask, NetEnd['kind']>> = {
  in: 'input',
  irq: 'input',
  adc: 'input',
  out: 'push-pull',
  pwm: 'push-pull',
  inout: 'open-drain',
  'i2c.sda': 'open-drain',
  'i2c.scl': 'open-drain',
  'uart.tx': 'push-pull',
  'uart.rx': 'input',
};

function controllerEnd(controller: PartNode, trunk: Trunk, power: PowerGraph): NetEnd {
  const io = controller.card.controller?.io;
  const label = controller.card.terminals.find(({ id }) => id === trunk.pin)?.label ?? trunk.pin ?? '';
  return {
    part: controller.id,
    label: `${controller.label} ${label}`,
    signal: trunk.pin ?? '',
    terminal: trunk.pin ?? '',
    kind: CONTROLLER_KIND[trunk.ask],
    power: powerOf(power, controller, io?.reference),
    levels: io ? levelsOf(io) : { sink: null, sinkSource: null },
    leakage: io?.leakage ? toInterval(io.leakage).max : 0,
    capacitance: io?.capacitance ? toInterval(io.capacitance).max : PIN_CAPACITANCE,
    card: controller.card.id,
    controller: true,
  };
}
