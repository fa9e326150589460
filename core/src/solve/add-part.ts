/** Putting a card into a plan: feed, bus, address and pins chosen as the house rules say. */
import { maySupply } from '../circuit/charger.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Card } from '../card/card.ts';
import type { Port } from '../card/port.ts';
import type { Supply } from '../card/card-shape.ts';
import type { Library } from '../card/library.ts';
import { isBusLine, isShared, type SharedProtocol } from '../card/protocol.ts';
import type { Circuit, Rail } from '../circuit/model.ts';
import { deriveCircuit } from '../circuit/derive.ts';
import { railsInto, takesLeads } from '../circuit/cable.ts';
import { isPluggedIn } from '../circuit/socket.ts';
import { plugIn } from '../remedy/plug.ts';
import { effectivePullUp } from '../physics/node.ts';
import { addEmptyBus, changePart, freeId, newPart, setAddress, setOpened } from '../plan/edits.ts';
import { documentOf } from '../plan/document.ts';
import { modeFor, riseTime } from '../standard/bus-timing.ts';
import type { PartChoice, Plan, PortChoice } from '../plan/plan.ts';
import type { PinChoice } from '../plan/pin-choice.ts';
import { within } from '../quantity/interval.ts';
import { pinModel, solvePins, withPins } from './pins.ts';
import { keyOf, ownerOf } from '../plan/ref.ts';

/** The rail that suits a supply: by the house rule, among those whose voltage lies inside its range. */
export function bestFeed(
  circuit: Circuit,
  supply: Supply,
  may: (rail: Rail) => boolean = () => true,
): string | undefined {
  const range = toInterval(supply.range);
  // A rail that is switched off now and then is nobody's by default.
  const fitting = [...circuit.rails.values()].filter(
    (rail) =>
      rail.voltage &&
      rail.switches.length === 0 &&
      takesLeads(circuit, rail) &&
      may(rail) &&
      within(rail.voltage, range),
  );
  const logic = circuit.controller && keyOf(circuit.controller.id, circuit.controller.card.controller?.io.reference);
  const wish =
    circuit.plan.rules.feed === 'logic-rail'
      ? fitting.find(({ ref }) => ref === logic)
      : fitting.find(({ voltage }) => Math.abs((voltage?.typ ?? 0) - 5) < 0.5);
  const byFit = fitting.sort(
    (a, b) => Math.abs((a.voltage?.typ ?? 0) - range.typ) - Math.abs((b.voltage?.typ ?? 0) - range.typ),
  );
  return (wish ?? byFit[0])?.ref;
}

/**
 * Adds a part of the card. Its supplies get fitting rails, its shared ports join the first bus of their protocol
 * (one is made when there is none) at a free address, and only its own lines get pins: the rest stays.
 * @returns the changed plan and the id of the new part
 */
export function addPart(
  circuit: Circuit,
  library: Library,
  card: Card,
  label = card.name,
  needs: string[] = [],
): { plan: Plan; part: string } {
  const called = ownLabel(circuit.plan, label);
  if (card.programs) return addProgrammer(circuit, card, called);
  const id = freeId(circuit.plan, called);
  let plan = circuit.plan;
  const ports: Record<string, PortChoice> = {};
  for (const port of card.ports) {
    if (isShared(port.protocol)) {
      const [next, bus] = busFor(plan, port.protocol);
      plan = next;
      const lines = ownLines(port);
      ports[port.id] = Object.keys(lines).length === 0 ? { bus } : { bus, lines };
    } else if (port.protocol === 'coil') {
      const driver = plan.parts.find(
        (part) =>
          (library.get(part.card)?.driver ?? library.get(part.card)?.contact) &&
          !plan.parts.some((p) => Object.values(p.ports).some((c) => c.driver === part.id)),
      );
      ports[port.id] = driver ? { driver: driver.id } : {};
    } else
      ports[port.id] = {
        lines: ownLines(port),
      };
  }
  const feeds = Object.fromEntries(
    card.supplies.flatMap((supply) => {
      const rail = bestFeed(circuit, supply, (at) => maySupply(circuit, card, supply.id, at));
      return rail ? [[supply.id, rail]] : [];
    }),
  );
  const part: PartChoice = {
    ...newPart(circuit.plan, card, called, called, feeds),
    needs,
    ports,
  };
  plan = { ...plan, parts: [...plan.parts, part], controller: plan.controller ?? (card.controller ? id : null) };
  plan = pluggedIn(plan, circuit, library);
  plan = freeAddresses(plan, library, card, part);
  plan = onePair(plan, circuit, library, part);
  return { plan: assignNew(plan, circuit, library), part: id };
}

/**
 * A programmer is put on the console of the board with its lines crossed, and feeds it while it is there: where the board has a
 * supply that takes its voltage, and no cable in its socket.
 */
function addProgrammer(circuit: Circuit, card: Card, label: string): { plan: Plan; part: string } {
  const { controller } = circuit;
  const part = newPart(circuit.plan, card, label, label);
  const console = (what: string) =>
    controller?.card.controller?.pins.find(
      ({ reserved, functions }) => reserved?.by === 'console' && functions.some((f) => f.endsWith(what)),
    )?.terminal ?? null;
  const [port] = card.ports;
  const lines = {
    tx: { pin: console('.rx'), locked: false },
    rx: { pin: console('.tx'), locked: false },
  };
  const plan = {
    ...circuit.plan,
    parts: [
      ...circuit.plan.parts,
      { ...part, only: 'programming' as const, ports: port ? { [port.id]: { lines } } : {} },
    ],
  };
  const [rail] = card.rails ?? [];
  const fits = controller?.card.supplies.find(
    ({ range }) => rail?.voltage && within(toInterval(rail.voltage), toInterval(range)),
  );
  if (!controller?.choice || !rail || !fits || isPluggedIn(controller.choice)) return { plan, part: part.id };
  const also = { ...controller.choice.also, [fits.id]: keyOf(part.id, rail.id) };
  return { plan: changePart(plan, controller.id, (p) => ({ ...p, also })), part: part.id };
}

/** A name that no other part has, so that steps, nets and suspects can be told apart. */
function ownLabel({ parts }: Plan, label: string): string {
  const taken = new Set(parts.map((part) => part.label));
  const short = label.slice(0, 56);
  if (!taken.has(label.slice(0, 60))) return label.slice(0, 60);
  for (let n = 2; ; n++) if (!taken.has(`${short} ${n}`)) return `${short} ${n}`;
}

/** A board that has a source for its socket and is fed by nothing but that is plugged in: it is how nearly every build begins. */
function pluggedIn(plan: Plan, circuit: Circuit, library: Library): Plan {
  const board = plan.parts.find(({ id }) => id === plan.controller);
  const card = library.get(board?.card ?? '');
  if (!board || !card?.controller?.usb) return plan;
  const now = deriveCircuit(documentOf(plan, circuit.cards.values(), library));
  const node = now.parts.get(board.id);
  const fed = Object.values(board.feeds).some((ref) => now.parts.get(ownerOf(ref))?.card.outlet === undefined);
  const [rail] = railsInto(now, card);
  return !node || fed || !rail || isPluggedIn(board) ? plan : plugIn(plan, node, rail.ref, library, now.cards);
}

/** Lines of a port that want a pin of their own. */
const ownLines = (port: Port): Record<string, PinChoice> =>
  Object.fromEntries(
    Object.keys(port.lines)
      .filter((line) => !isBusLine(port.protocol, line))
      .map((line) => [line, { pin: null, locked: false }]),
  );

/** Under the house rule of one pair a new part keeps its jumpers open where the bus has pull-ups that suffice. */
function onePair(plan: Plan, circuit: Circuit, library: Library, part: PartChoice): Plan {
  if (plan.rules.pullUps !== 'one-pair') return plan;
  const { nets } = deriveCircuit(documentOf(plan, circuit.cards.values(), library));
  return nets.reduce((p, net) => {
    const own = net.pullUps.filter(({ fitted }) => fitted?.part === part.id && fitted.removable === 'jumper');
    const others = effectivePullUp({ ...net, pullUps: net.pullUps.filter((pull) => !own.includes(pull)) });
    const mode = modeFor(net.clock ?? 100e3);
    if (net.protocol !== 'i2c' || !others || !mode) return p;
    if (riseTime(others.max, net.capacitance) > mode.riseTime) return p;
    return own.reduce((q, { fitted }) => (fitted ? setOpened(q, part.id, fitted.signal, true) : q), p);
  }, plan);
}

function busFor(plan: Plan, protocol: SharedProtocol): [Plan, string] {
  const found = plan.buses.find((b) => b.protocol === protocol && !b.behind);
  if (found) return [plan, found.id];
  const made = addEmptyBus(plan, protocol);
  return [made.plan, made.bus];
}

/** A strap setting that is free on the bus, where the card has several. */
function freeAddresses(plan: Plan, library: Library, card: Card, part: PartChoice): Plan {
  const addressOf = (other: PartChoice, port: string): number | undefined =>
    other.ports[port]?.address ?? library.get(other.card)?.ports.find(({ id }) => id === port)?.addresses?.[0]?.value;
  return card.ports.reduce((p, port) => {
    const bus = part.ports[port.id]?.bus;
    if (!port.addresses || !bus) return p;
    const busy = new Set<number>();
    for (const other of p.parts) {
      if (other.id === part.id) continue;
      for (const [id, choice] of Object.entries(other.ports)) {
        const address = choice.bus === bus ? addressOf(other, id) : undefined;
        if (address !== undefined) busy.add(address);
      }
    }
    const value = (port.addresses.find((a) => !busy.has(a.value)) ?? port.addresses[0])?.value;
    return value === undefined ? p : setAddress(p, part.id, port.id, value);
  }, plan);
}

/** Gives pins to lines that have none; when that cannot be, they stay without and the check says so. */
export function assignNew(plan: Plan, circuit: Circuit, library: Library): Plan {
  const next = deriveCircuit(documentOf(plan, circuit.cards.values(), library));
  return withPins(next, solvePins(pinModel(next, (wish) => wish.pin !== null)));
}
