/** Who pulls each side of each bus up, once it is known who is on it: jumpers and resistors of the plan. */
import { verify } from '../../check/verify.ts';
import { deriveCircuit } from '../../circuit/derive.ts';
import { documentOf } from '../../plan/document.ts';
import { setOpened } from '../../plan/edits.ts';
import { helpersOf } from '../../plan/helpers.ts';
import type { Plan } from '../../plan/plan.ts';
import { removeBus, removeHelper } from '../../plan/remove.ts';
import { addPullUps } from '../../remedy/pull-up.ts';
import type { Decided } from './decided.ts';
import type { Encoding } from './encode.ts';
import { CHOICE } from './names.ts';
import type { PartOptions, Way } from './ways.ts';

interface PulledSide {
  readonly bus: string;
  /** Null on the controller's side. */
  readonly far: string | null;
  readonly members: readonly { readonly part: PartOptions; readonly way: Way }[];
  /** What was decided to pull it; null: nothing. */
  readonly option: string | null;
  /** The translator that takes the bus there. */
  readonly slot: string | null;
}

function sidesOf(encoding: Encoding, { of, placed: places }: Decided): PulledSide[] {
  const { segments, slots, parts } = encoding;
  const fars: (string | null)[] = [null, ...new Set(slots.map(({ far }) => far))];
  return segments.flatMap(({ bus, protocol, behind }) =>
    fars.flatMap((far): PulledSide[] => {
      if (protocol === 'spi' || (behind && far !== null)) return [];
      const members = parts.flatMap((part) => {
        const placed = places.get(part.choice.id);
        const way = placed?.bus === bus.id ? part.ways[placed.way] : undefined;
        return way && (way.wired.through?.far ?? null) === far ? [{ part, way }] : [];
      });
      const slot = far === null ? null : of(CHOICE.side(bus.id, far));
      return [{ bus: bus.id, far, members, option: of(CHOICE.pull(bus.id, far)), slot }];
    }),
  );
}

/** Buses of the plan on which nothing was wrong and nothing is changed: their pull-ups stay as they are. */
function calmBuses({ bench, parts }: Encoding, { placed: places }: Decided): Set<string> {
  const { circuit } = bench;
  const troubled = new Set(
    verify(circuit).findings.flatMap(({ severity, subjects }) =>
      severity === 'note' ? [] : circuit.nets.flatMap((net) => (net.bus && subjects.includes(net.id) ? [net.bus] : [])),
    ),
  );
  const moved = new Set<string>();
  for (const part of parts) {
    const placed = places.get(part.choice.id);
    const was = Object.values(part.choice.ports).flatMap(({ bus }) => bus ?? []);
    if (placed && placed.way === part.now && (placed.bus === null || was.includes(placed.bus))) continue;
    for (const bus of [...was, ...(placed?.bus ? [placed.bus] : [])]) moved.add(bus);
  }
  return new Set(circuit.plan.buses.flatMap(({ id }) => (troubled.has(id) || moved.has(id) ? [] : [id])));
}

const jumpersOf = ({ node }: PartOptions): string[] =>
  node.card.signals.flatMap(({ id, fittedPullUp }) => (fittedPullUp?.removable === 'jumper' ? [id] : []));

/** One of the parts keeps its jumpers closed where it is to pull; under the rule of one pair the others open theirs. */
function setJumpers(plan: Plan, { members, option }: PulledSide): Plan {
  const able = option === 'own' ? members.filter(({ way }) => way.canPull) : [];
  const isClosed = (part: PartOptions) => jumpersOf(part).every((signal) => !part.choice.opened.includes(signal));
  const locked = able.find(({ part }) => part.choice.locked && isClosed(part));
  const puller = (locked ?? able.find(({ part }) => isClosed(part)) ?? able.find(({ part }) => !part.choice.locked))
    ?.part.choice.id;
  return members.reduce((p, { part }) => {
    if (part.choice.locked) return p;
    const isPuller = part.choice.id === puller;
    if (!isPuller && plan.rules.pullUps === 'keep') return p;
    return jumpersOf(part).reduce((q, signal) => {
      const now = q.parts.find(({ id }) => id === part.choice.id)?.opened.includes(signal) ?? false;
      return now === !isPuller ? q : setOpened(q, part.choice.id, signal, !isPuller);
    }, p);
  }, plan);
}

/** Resistors of the plan that are no longer the ones that pull go. */
function setResistors(plan: Plan, { bus, far, option, slot }: PulledSide, { slots }: Encoding): Plan {
  const isOn = (beyond: string | undefined) =>
    far === null
      ? beyond === undefined
      : beyond !== undefined && (beyond === slot || slots.some(({ id, far: its }) => id === beyond && its === far));
  const seen = new Set<string>();
  return helpersOf(plan, 'pull-up').reduce((p, helper) => {
    if (helper.of !== bus || !isOn(helper.beyond)) return p;
    const keeps = option?.startsWith('kept:') || (option?.startsWith('first:') && !seen.has(helper.line));
    seen.add(helper.line);
    return keeps ? p : removeHelper(p, helper.id);
  }, plan);
}

export function settlePullUps(encoding: Encoding, decided: Decided, plan: Plan): Plan {
  const { bench } = encoding;
  const calm = calmBuses(encoding, decided);
  const pairs = new Set<string>();
  let next = plan;
  for (const side of sidesOf(encoding, decided)) {
    if (calm.has(side.bus) || !next.buses.some(({ id }) => id === side.bus)) continue;
    next = setResistors(setJumpers(next, side), side, encoding);
    if (side.option === 'pair') pairs.add(side.bus);
  }
  const cards = new Map([...bench.library, ...bench.circuit.cards]);
  for (const bus of pairs) {
    const now = deriveCircuit(documentOf(next, bench.circuit.cards.values(), bench.library));
    next = addPullUps({ ...now, cards }, next, bus);
  }
  return next;
}

/** A bus that was added for nothing is not there. */
export function dropEmpty({ segments }: Encoding, plan: Plan): Plan {
  return segments.reduce((p, { bus, isNew }) => {
    const used = p.parts.some((part) => Object.values(part.ports).some((choice) => choice.bus === bus.id));
    return isNew && !used && p.buses.some(({ id }) => id === bus.id) ? removeBus(p, bus.id) : p;
  }, plan);
}
