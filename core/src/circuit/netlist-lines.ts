/** Lines of buses and ports, with the resistors, dividers, coils, diodes and capacitors on them. */
import { legsIn, type LegOf } from '../plan/helpers.ts';
import { keyOf, legKey } from '../plan/ref.ts';
import { quantityOf } from '../quantity/message.ts';
import { type Net } from './model.ts';
import type { Builder } from './netlist-builder.ts';
import { behindId, groundNode, isWired, railId, tell, railNode, switchedId } from './netlist-builder.ts';

const netNode = (b: Builder, net: Net, id = net.id): string =>
  b.node(id, {
    of: { is: 'line', net: net.id, of: net.of, line: net.line },
    label: id === net.id ? net.label : tell('behindResistor', { net: net.label }),
    role: 'signal',
    line: net.line,
    bus: net.bus,
    voltage: undefined,
  });

function resistor(b: Builder, id: string, ohms: number, legs: readonly [string, string]): void {
  b.legs({
    id,
    kind: 'resistor',
    value: quantityOf(ohms, 'Ω'),
    ohms,
    card: b.circuit.plan.resistors,
    legs,
    polar: null,
  });
}

export function line(b: Builder, net: Net): void {
  const pins = net.ends
    .filter((end) => !end.divider && end.terminal !== '' && isWired(b.circuit, end.part))
    .map(({ part, terminal }) => ({ part, terminal }));
  const near = netNode(b, net);
  const [first, ...rest] = pins;
  const series = net.series.filter((leg) => net.ends.some(({ part }) => part === leg.part));
  if (first) b.pin(near, first);
  let at = near;
  if (rest.length > 0)
    series.forEach(({ helper, ohms }, i) => {
      const next = netNode(b, net, `${net.id}~${i + 1}`);
      resistor(b, helper, ohms, [at, next]);
      at = next;
    });
  for (const pin of rest) b.pin(at, pin);
  for (const { helper, rail: ref, ohms } of net.pullUps) {
    const to = helper === null ? null : railNode(b, ref);
    if (helper !== null && to) resistor(b, helper, ohms.typ, [near, to]);
  }
  const fixed = net.fixed && railNode(b, net.fixed.rail);
  if (net.fixed && fixed) resistor(b, net.fixed.helper, net.fixed.ohms.typ, [near, fixed]);
  for (const { helper, ohms } of net.pullDowns)
    if (helper !== null) resistor(b, helper, ohms.typ, [near, groundNode(b, first?.part ?? '')]);
  for (const leg of net.filters) capacitor(b, leg, [near, groundNode(b, first?.part ?? '')], false);
}

/** The upper resistor stands between the part and the pin, the lower one between the pin and ground. */
export function dividers(b: Builder, net: Net): void {
  for (const { helper, part, upper, lower } of legsIn(b.circuit.plan, 'divider')) {
    if (net.beyond !== helper) continue;
    const pin = b.circuit.nets.find(({ id }) => id === net.trunk);
    if (!pin) continue;
    const [above, below] = [netNode(b, net), netNode(b, pin)];
    resistor(b, legKey(helper, 'upper'), upper, [above, below]);
    resistor(b, legKey(helper, 'lower'), lower, [below, groundNode(b, part)]);
  }
}

export function coils(b: Builder): void {
  const { circuit } = b;
  for (const part of circuit.parts.values())
    for (const port of part.card.ports) {
      const driver = circuit.parts.get(part.choice?.ports[port.id]?.driver ?? '');
      const minus = part.card.terminals.find(({ role }) => role === 'ground');
      if (driver?.card.contact && minus)
        diodes(b, part.id, groundNode(b, part.id), switchedId(part.id, part.card.supplies[0]?.id));
      if (port.protocol !== 'coil' || !driver?.card.driver || !minus) continue;
      const id = b.node(`load:${keyOf(part.id, port.id)}`, {
        of: { is: 'load', part: part.id, port: port.id },
        label: tell('to', { part: part.label, driver: driver.label }),
        role: 'signal',
        line: 'load',
        bus: null,
        voltage: undefined,
      });
      b.pin(id, { part: driver.id, terminal: driver.card.driver.terminal });
      b.pin(id, { part: part.id, terminal: minus.id });
      const [supply] = part.card.supplies;
      const feed = supply && circuit.feeds.get(keyOf(part.id, supply.id))?.rail;
      if (feed) diodes(b, part.id, id, railId(feed));
    }
}

/** Diodes across a coil: their ring end on its plus. */
function diodes(b: Builder, part: string, minus: string, plus: string): void {
  for (const leg of legsIn(b.circuit.plan, 'coil-diode'))
    if (leg.part === part)
      b.legs({
        id: leg.helper,
        kind: 'diode',
        value: b.circuit.cards.get(leg.card)?.name ?? leg.card,
        ohms: null,
        card: leg.card,
        legs: [minus, plus],
        polar: [tell('plainEnd'), tell('ringEnd')],
      });
}

function capacitor(
  b: Builder,
  { helper, farads, card }: LegOf<'line-capacitor'> | LegOf<'supply-capacitor'>,
  legs: readonly [string, string],
  polar: boolean,
): void {
  b.legs({
    id: helper,
    kind: 'capacitor',
    value: quantityOf(farads, 'F'),
    ohms: null,
    card,
    legs,
    polar: polar ? [tell('longLeg'), tell('shortLeg')] : null,
  });
}

/** Capacitors across supplies. */
export function capacitors(b: Builder): void {
  for (const leg of legsIn(b.circuit.plan, 'supply-capacitor')) {
    const feed = b.circuit.feeds.get(keyOf(leg.part, leg.supply));
    if (!feed?.rail) continue;
    const behind = behindId(leg);
    const plus = b.nodes.has(behind) ? behind : railId(feed.rail);
    capacitor(b, leg, [plus, groundNode(b, leg.part)], leg.polar);
  }
}
