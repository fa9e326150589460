/** Every way of wiring each part that holds on its own. */
import { isBusLine, isShared } from '../../card/protocol.ts';
import { isStanding } from '../../card/source.ts';
import type { PartNode } from '../../circuit/model.ts';
import { helpersOf, isOn } from '../../plan/helpers.ts';
import type { PartChoice } from '../../plan/plan.ts';
import { logicRail } from '../../remedy/pull-up.ts';
import { type Bench, type Try, type Wired, tryAlone } from './alone.ts';
import { farRails, feedsOf, sameFeeds, translatorsFor } from './candidate-ways.ts';

export interface Way {
  readonly wired: Wired;
  /** True where its own pull-ups can be the ones on its side of the bus. */
  readonly canPull: boolean;
}

export interface PartOptions {
  readonly node: PartNode;
  readonly choice: PartChoice;
  readonly ways: readonly Way[];
  /** Index of the way that the plan has now; -1 where that does not hold on its own. */
  readonly now: number;
}

/** Parts whose wiring is decided: not what makes rails, sits on a carrier, or is switched in turn with others. */
export function isDecided(bench: Bench, node: PartNode): boolean {
  const { choice, card, helper } = node;
  if (!choice || helper || card.controller || card.carrier || choice.fittedOn !== undefined) return false;
  return !isStanding(card) && !isSwitched(bench, choice) && !isGated(bench, choice);
}

const isSwitched = ({ circuit, standing }: Bench, choice: PartChoice): boolean =>
  Object.values(choice.feeds).some((rail) => circuit.rails.has(rail) && !standing.circuit.rails.has(rail));

/** True for a part behind a translator that a pin switches: it takes turns, and stays there. */
const isGated = ({ circuit }: Bench, { id }: PartChoice): boolean =>
  helpersOf(circuit.plan, 'translator').some((h) => h.gate && h.ports.some(({ part }) => part === id));

/** Trials of like parts come out alike: three probes are tried once. */
export type Memory = Map<string, Wired | null>;

function remembered(memory: Memory, bench: Bench, choice: PartChoice, way: Try): Wired | null {
  const ports = Object.entries(choice.ports).map(([id, { lines, bus, address: _address, ...rest }]) => [
    id,
    rest,
    bus === undefined ? null : (bench.circuit.plan.buses.find((b) => b.id === bus)?.clock ?? null),
    Object.entries(lines ?? {}).map(([line, { weakPull, tied }]) => [line, weakPull ?? false, tied ?? null]),
  ]);
  const helpers = bench.circuit.plan.helpers
    .filter((helper) => isOn(helper, choice.id))
    .map((h) => ({ ...h, id: '', part: '', of: '' }));
  const key = JSON.stringify([choice.card, choice.mode, choice.ground, choice.lead, choice.needs, ports, helpers, way]);
  const known = memory.get(key);
  if (known === null) return null;
  // Helpers carry the name of the part, so only a part without any can take over the trial of another.
  if (known && (known.part.id === choice.id || known.helpers.length === 0)) {
    return known.part.id === choice.id
      ? known
      : { ...known, part: { ...known.part, id: choice.id, label: choice.label } };
  }
  const fresh = tryAlone(bench, choice.id, way);
  memory.set(key, fresh);
  return fresh;
}

/** The translator without an enable that a part is behind now. */
function throughNow({ circuit }: Bench, choice: PartChoice): { card: string; near: string; far: string } | null {
  const helper = helpersOf(circuit.plan, 'translator').find(
    (h) => !h.gate && h.ports.some(({ part }) => part === choice.id),
  );
  return helper ? { card: helper.card, near: helper.near, far: helper.far } : null;
}

export function waysOf(bench: Bench, node: PartNode, memory: Memory): PartOptions | null {
  const { choice, card } = node;
  const near = logicRail(bench.standing.wide);
  if (!choice || near === null) return null;
  const now = throughNow(bench, choice);
  const jumpers = card.signals.some(({ fittedPullUp }) => fittedPullUp?.removable === 'jumper');
  const shared = card.ports.some(
    ({ protocol, lines }) => isShared(protocol) && Object.keys(lines).some((l) => isBusLine(protocol, l)),
  );
  const ways: Way[] = [];
  const add = (way: Omit<Try, 'ownPullUps'>): boolean => {
    const wired = remembered(memory, bench, choice, { ...way, ownPullUps: false });
    if (!wired) return false;
    const closed = jumpers && shared ? remembered(memory, bench, choice, { ...way, ownPullUps: true }) : null;
    ways.push({ wired, canPull: closed !== null });
    return true;
  };
  for (const feeds of feedsOf(bench, node, choice)) {
    const own = feeds[card.supplies[0]?.id ?? ''];
    const direct = add({ feeds, through: null });
    if (own === undefined) continue;
    let holds = direct;
    for (const far of farRails(bench, own, near)) {
      const kept = now && now.far === far && now.near === near ? [now.card] : [];
      // A translator where none is needed is never better; one that is there may stay.
      const cards = holds ? kept : [...kept, ...translatorsFor(bench, card).map(({ id }) => id)];
      for (const id of new Set(cards)) if (add({ feeds, through: { card: id, near, far } })) holds = true;
    }
  }
  const isNow = ({ wired }: Way) =>
    sameFeeds(choice.feeds, wired.feeds) && wired.through?.card === now?.card && wired.through?.far === now?.far;
  return { node, choice, ways, now: ways.findIndex(isNow) };
}
