/** Exact pin assignment: every line that is not locked gets the pin that costs least over all. */
import type { Circuit, PinWish } from '../circuit/model.ts';
import { pinCost } from '../circuit/free-pins.ts';
import { instancesFor, pinUses, type PinUse } from '../circuit/pin-function.ts';
import { setPin } from '../plan/edits.ts';
import type { PinChoice } from '../plan/pin-choice.ts';
import type { Plan } from '../plan/plan.ts';
import { Assignment, crowded } from './assignment.ts';
import { tells, type Text, type Message } from '../quantity/message.ts';
import { peripheralOf } from '../card/protocol.ts';

/** What is said here, by the data that it takes. */
export interface SolvePinsSays {
  readonly leftCanCarry: { names: readonly Text[]; pins: readonly Text[] };
  readonly noPeripheralControllerLeft: { noInstance: Text };
  readonly busesAskMorePeripherals: null;
}

const tell = tells<SolvePinsSays>('solve/pins');

export interface PinModel {
  readonly wishes: readonly PinWish[];
  readonly pins: readonly PinUse[];
  /** Instances that each group may be on; groups of one kind never share. */
  readonly groups: readonly { id: string; kind: string; instances: readonly string[] }[];
  /** Cost of a wish on a pin when its group is on the instance; Infinity where it cannot be. */
  cost(wish: number, pin: number, instance: string | null): number;
}

export type PinSolution =
  | { readonly ok: true; readonly cost: number; readonly pins: ReadonlyMap<string, string>; readonly tried: number }
  | { readonly ok: false; readonly explanation: Message; readonly crowded: readonly PinWish[] };

/**
 * The model of a plan's pins: the lines to place against the pins that are left. Flash pins are never offered.
 * @param keep lines that stay where they are although they are not locked
 */
export function pinModel(circuit: Circuit, keep: (wish: PinWish) => boolean = () => false): PinModel {
  const stays = (wish: PinWish) => wish.pin !== null && (wish.locked || keep(wish));
  const wishes = circuit.wishes.filter((wish) => !stays(wish));
  const uses = pinUses(circuit);
  const pins = uses.filter((use) => !use.wishes.some(stays) && use.pin.reserved?.by !== 'flash' && use.led);
  const fixed = uses.flatMap((use) => use.wishes.filter(stays).map((wish) => ({ wish, use })));
  const ids = [...new Set(circuit.wishes.flatMap(({ group }) => group ?? []))];
  const groups = ids.map((id) => {
    const members = circuit.wishes.filter(({ group }) => group === id);
    const kind = peripheralOf(members[0]?.ask);
    const options = members.map((wish) => {
      const held = fixed.find((f) => f.wish === wish);
      return new Set((held ? [held.use] : pins).flatMap((use) => instancesFor(use.functions, wish.ask)));
    });
    const all = [...new Set(options.flatMap((o) => [...o]))].sort();
    return { id, kind, instances: all.filter((instance) => options.every((o) => o.has(instance))) };
  });
  const serves = wishes.map((wish) => pins.map((use) => new Set(instancesFor(use.functions, wish.ask))));
  const costs = pins.map(pinCost);
  return {
    wishes,
    pins,
    groups,
    cost: (wish, pin, instance) => {
      const can = serves[wish]?.[pin];
      const ok = can && (instance === null ? can.size > 0 : can.has(instance));
      return ok ? (costs[pin] ?? Infinity) : Infinity;
    },
  };
}

/** Cost rows of each wish: on any instance, and on each one alone. */
interface CostRows {
  readonly any: Float64Array;
  readonly on: ReadonlyMap<string, Float64Array>;
}

function costRows({ wishes, pins, groups, cost }: PinModel): CostRows[] {
  return wishes.map((wish, i) => {
    const row = (instance: string | null) => Float64Array.from(pins, (_, j) => cost(i, j, instance));
    const instances = groups.find(({ id }) => id === wish.group)?.instances ?? [];
    return { any: row(null), on: new Map(instances.map((instance) => [instance, row(instance)])) };
  });
}

/**
 * Solves the model exactly. For each way of giving the groups their instances the rest is an assignment problem;
 * a branch is left as soon as its relaxation - groups not yet decided may be on any instance - costs no less than
 * the best found. Each branch takes up the assignment above it, since deciding a group only makes its rows dearer.
 * Interchangeable instances (same pins at same cost for all lines of the group) are tried once.
 */
export function solvePins(model: PinModel): PinSolution {
  const { wishes, pins, groups } = model;
  if (wishes.length === 0) return { ok: true, cost: 0, pins: new Map(), tried: 0 };
  const rows = costRows(model);
  const members = groups.map(({ id }) => wishes.flatMap((wish, i) => (wish.group === id ? [i] : [])));
  const chosen: string[] = [];
  let best: Assignment | null = null;
  let bestTotal = Infinity;
  let tried = 0;

  const branch = (depth: number, relaxed: Assignment | null): void => {
    tried += 1;
    const total = relaxed?.total ?? Infinity;
    if (!relaxed || total >= bestTotal) return;
    const group = groups[depth];
    const lines = members[depth] ?? [];
    if (!group) {
      best = relaxed;
      bestTotal = total;
      return;
    }
    const shapes = new Set<string>();
    // Only the last of a kind may skip a twin: for the others a twin leaves different instances behind.
    const lastOfKind = !groups.slice(depth + 1).some(({ kind }) => kind === group.kind);
    for (const instance of group.instances) {
      if (groups.some(({ kind }, g) => g < depth && kind === group.kind && chosen[g] === instance)) continue;
      const changes = lines.map(
        (i) => [i, rows[i]?.on.get(instance) ?? new Float64Array(pins.length).fill(Infinity)] as const,
      );
      const shape = lastOfKind ? changes.map(([, row]) => row.join()).join('|') : instance;
      if (shapes.has(shape)) continue;
      shapes.add(shape);
      chosen[depth] = instance;
      branch(depth + 1, relaxed.restrict(changes));
    }
  };
  branch(0, Assignment.solve(rows.map(({ any }) => any)));
  const found = best as Assignment | null;
  if (!found)
    return explain(
      model,
      rows.map(({ any }) => [...any]),
    );
  const result = new Map<string, string>();
  found.columns.forEach((column, i) => {
    const [wish, use] = [wishes[i], pins[column]];
    if (wish && use) result.set(wish.id, use.pin.terminal);
  });
  return { ok: true, cost: bestTotal, pins: result, tried };
}

function explain(model: PinModel, cost: number[][]): PinSolution {
  const rows = crowded(cost);
  const wishes = rows.flatMap((i) => model.wishes[i] ?? []);
  const able = model.pins.filter((_, j) => rows.some((i) => Number.isFinite(cost[i]?.[j])));
  const names = wishes.map(({ label }) => label);
  const noInstance = model.groups.find(({ instances }) => instances.length === 0);
  const explanation =
    rows.length > 0
      ? tell('leftCanCarry', {
          names,
          pins: able.map(({ label }) => label),
        })
      : noInstance
        ? tell('noPeripheralControllerLeft', { noInstance: noInstance.id })
        : tell('busesAskMorePeripherals');
  return { ok: false, explanation, crowded: wishes };
}

/** What a line keeps on another pin: its own pull; and what is meant there only where it stays. */
const keptOf = ({ weakPull, meant, pin: now }: PinWish, pin: string | null): Pick<PinChoice, 'weakPull' | 'meant'> => ({
  ...(weakPull ? { weakPull: true } : {}),
  ...(meant && pin === now ? { meant: true } : {}),
});

/** The plan with the solution's pins; locked lines stay as they are. */
export function withPins(circuit: Circuit, solution: PinSolution): Plan {
  if (!solution.ok) return circuit.plan;
  return circuit.wishes.reduce((plan, wish) => {
    const pin = solution.pins.get(wish.id);
    return pin === undefined ? plan : setPin(plan, wish.of, wish.line, { pin, locked: false, ...keptOf(wish, pin) });
  }, circuit.plan);
}

/**
 * The plan with one line on another pin. What was there takes the pin that becomes free.
 * @returns null where the other line is locked, or the pin is not one of the controller's
 */
export function placeLine(circuit: Circuit, wishId: string, terminal: string): Plan | null {
  const wish = circuit.wishes.find(({ id }) => id === wishId);
  const use = pinUses(circuit).find(({ pin }) => pin.terminal === terminal);
  const [other] = use?.wishes.filter(({ id }) => id !== wishId) ?? [];
  if (!wish || !use || other?.locked) return null;
  const put = (plan: Plan, wished: PinWish, pin: string | null) =>
    setPin(plan, wished.of, wished.line, { pin, locked: pin !== null && wished.locked, ...keptOf(wished, pin) });
  const moved = put(circuit.plan, wish, terminal);
  return other ? put(moved, other, wish.pin) : moved;
}

/** The plan with the pins and locks that another plan of the same lines has. */
export function pinsFrom(circuit: Circuit, other: Circuit): Plan {
  const pins = new Map(other.wishes.map((wish) => [wish.id, wish]));
  return circuit.wishes.reduce((plan, wish) => {
    const theirs = pins.get(wish.id);
    return !theirs || (theirs.pin === wish.pin && theirs.locked === wish.locked)
      ? plan
      : setPin(plan, wish.of, wish.line, {
          pin: theirs.pin,
          locked: theirs.locked,
          ...keptOf(wish, theirs.pin),
        });
  }, circuit.plan);
}
