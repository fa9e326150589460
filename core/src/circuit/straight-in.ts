/** A module that is plugged straight into a row of sockets of the board: what each of its pins has to be there. */
import type { Terminal } from '../card/card-shape.ts';
import { isBusLine } from '../card/protocol.ts';
import { setFeed, setGround, setOn, setPin } from '../plan/edits.ts';
import type { Plan } from '../plan/plan.ts';
import type { Circuit, PartNode } from './model.ts';
import { socketPlaces, type Socket } from './mated.ts';
import { instancesFor, pinUses, type PinUse } from './pin-function.ts';
import { PORT_LINES, type Ask } from '../card/protocol.ts';
import { keyOf, ownerOf } from '../plan/ref.ts';

export interface StraightIn {
  readonly on: Socket;
  /** With the part there, and its pins, feeds and ground as the socket has them. */
  readonly plan: Plan;
  /** Pins of the controller that feed it or are its ground. */
  readonly power: number;
}

/** What a part asks of the place of one of its terminals. */
type Asked =
  | { readonly kind: 'ground' | 'nothing' }
  | { readonly kind: 'supply'; readonly supply: string }
  | { readonly kind: 'line'; readonly of: string; readonly line: string; readonly ask: Ask; readonly shared: boolean };

function askedBy(circuit: Circuit, part: PartNode, terminal: Terminal): Asked {
  if (terminal.role === 'ground') return { kind: 'ground' };
  const supply = part.card.supplies.find((s) => s.terminal === terminal.id);
  if (supply) return { kind: 'supply', supply: supply.id };
  const signal = part.card.signals.find((s) => s.terminal === terminal.id);
  for (const port of part.card.ports)
    for (const [line, id] of Object.entries(port.lines)) {
      if (id !== signal?.id) continue;
      const bus = isBusLine(port.protocol, line) ? part.choice?.ports[port.id]?.bus : undefined;
      const of = bus ?? keyOf(part.id, port.id);
      const wish = circuit.wishes.find((w) => w.of === of && w.line === line);
      const members =
        bus === undefined
          ? 1
          : [...circuit.parts.values()].filter((p) => Object.values(p.choice?.ports ?? {}).some((c) => c.bus === bus))
              .length;
      return {
        kind: 'line',
        of,
        line,
        ask: wish?.ask ?? PORT_LINES[port.protocol][line] ?? 'inout',
        shared: members > 1,
      };
    }
  return { kind: 'nothing' };
}

/** Takes one pin of the part onto a terminal of the controller; null where that cannot be. */
function meet(
  plan: Plan,
  circuit: Circuit,
  part: PartNode,
  own: Terminal,
  other: Terminal,
  uses: readonly PinUse[],
): Plan | null {
  const { controller } = circuit;
  const asked = askedBy(circuit, part, own);
  const use = uses.find(({ pin }) => pin.terminal === other.id);
  const others = use?.wishes.filter(({ of }) => of !== part.id && ownerOf(of) !== part.id) ?? [];
  const free = use !== undefined && others.length === 0 && !use.pin.strap && !use.pin.reserved;
  const drives = free && circuit.plan.rules.pinPower > 0 && instancesFor(use.functions, 'out').length > 0;
  switch (asked.kind) {
    case 'nothing':
      return use && others.length === 0 ? plan : null;
    case 'ground':
      if (other.role === 'ground') return setGround(plan, part.id, null);
      return drives ? setGround(plan, part.id, other.id) : null;
    case 'supply': {
      const rail = controller?.card.rails?.find(({ terminal }) => terminal === other.id);
      const ref = rail ? keyOf(controller?.id, rail.id) : drives ? keyOf(controller?.id, other.id) : null;
      return ref === null ? null : setFeed(plan, part.id, asked.supply, ref);
    }
    case 'line': {
      const now = circuit.wishes.find((w) => w.of === asked.of && w.line === asked.line);
      if (now?.pin === other.id) return plan;
      if (!free || asked.shared || now?.locked || instancesFor(use.functions, asked.ask).length === 0) return null;
      return setPin(plan, asked.of, asked.line, {
        pin: other.id,
        locked: false,
        ...(now?.weakPull ? { weakPull: true } : {}),
      });
    }
  }
}

/**
 * Places in the sockets of the controller's board where a part can be plugged in without a lead: every pin of it meets what it
 * asks for, or a free pin that can be that. Those that need the fewest pins as supply and ground come first.
 */
export function straightIn(circuit: Circuit, id: string): StraightIn[] {
  const part = circuit.parts.get(id);
  const { controller, plan } = circuit;
  if (!part?.choice || part.choice.locked || !controller || id === controller.id) return [];
  const uses = pinUses(circuit);
  return socketPlaces(part, controller)
    .flatMap(({ on, pairs }): StraightIn[] => {
      let now: Plan | null = plan;
      for (const [own, other] of pairs) {
        const [a, b] = [
          part.card.terminals.find((t) => t.id === own),
          controller.card.terminals.find((t) => t.id === other),
        ];
        now = now && a && b ? meet(now, circuit, part, a, b, uses) : null;
      }
      if (!now) return [];
      const choice = now.parts.find((p) => p.id === id);
      const fed = Object.values(choice?.feeds ?? {}).filter((ref) =>
        uses.some(({ pin }) => ref === keyOf(controller.id, pin.terminal)),
      );
      return [{ on, plan: setOn(now, id, on), power: fed.length + (choice?.ground === undefined ? 0 : 1) }];
    })
    .sort((a, b) => a.power - b.power);
}
