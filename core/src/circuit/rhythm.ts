/** When each part is at work: cards, needs and the plan's own rhythm together. */
import type { States } from '../card/power.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Card } from '../card/card.ts';
import type { PartChoice, Plan, RestState, Run } from '../plan/plan.ts';
import type { Doing, PartNode, Phase, Rhythm } from './model.ts';
import { fewOfOwner } from '../quantity/memo.ts';

/** A controller that is woken takes at least this long to start, look around and lie down again, s: common practice. */
const SHORTEST_WAKE = 0.05;
/** Rounds are kept on this grid, s. */
const GRID = 1e-3;

const STEADY: Rhythm = { every: null, duty: 1, after: null, phases: [], longest: [], rest: 'idle' };
const onGrid = (seconds: number): number => Math.max(GRID, Math.round(seconds / GRID) * GRID);

/** The shortest interval of the sensing needs that `wanted` picks, s. */
function intervalOf(plan: Plan, wanted: (need: string) => boolean): number | null {
  const all = plan.needs.flatMap((need) => (need.kind === 'sense' && wanted(need.id) ? [need.interval] : []));
  return all.length === 0 ? null : Math.min(...all);
}

/** Everything on a card that draws. */
export const statesOf = ({ card }: PartNode): States[] => [
  ...card.supplies.map(({ current }) => current),
  ...(card.rails ?? []).flatMap(({ ownLoad }) => ownLoad ?? []),
];

/** The pieces of one reading or message, one after the other; null where nothing says how long they take. */
function work(part: PartNode, run: Run, pick: 'typ' | 'max'): { doing: Doing; time: number }[] | null {
  const states = statesOf(part);
  const stages = states.find((s) => s.stages)?.stages;
  if (stages) {
    const listed = stages.map(({ name, time }) => ({ doing: name, time: toInterval(time)[pick] }));
    const total = listed.reduce((sum, { time }) => sum + time, 0);
    // A time of the plan stretches the stages as they are.
    const by = run.busy !== undefined && total > 0 ? run.busy / total : 1;
    return listed.map(({ doing, time }) => ({ doing, time: time * by }));
  }
  const busy = states.flatMap((s) => s.busy ?? []);
  const conversions = part.card.measures.flatMap(({ conversion }) => conversion ?? []);
  const known = (busy.length > 0 ? busy : conversions).map((figure) => toInterval(figure)[pick]);
  const time = run.busy ?? (known.length > 0 ? Math.max(...known) : null);
  return time === null ? null : [{ doing: 'active', time }];
}

/**
 * @param switched whether something can take the part's supply away
 * @param controller whether it is the controller, which is awake while the others work
 */
function rhythmOf(plan: Plan, part: PartNode, switched: boolean, controller: boolean): Rhythm {
  const run: Run = part.choice?.run ?? {};
  const states = statesOf(part);
  if (states.length === 0) return STEADY;
  const wished = run.rest ?? 'idle';
  const rest: RestState =
    wished === 'off' && !switched ? 'idle' : wished === 'sleep' && !states.some(({ sleep }) => sleep) ? 'idle' : wished;
  const duty = run.duty ?? states.find((s) => s.duty !== undefined)?.duty ?? 1;
  const free: Rhythm = { ...STEADY, duty, rest };
  const wake = controller && rest === 'sleep';
  const every =
    run.every ??
    (wake ? intervalOf(plan, () => true) : intervalOf(plan, (need) => part.choice?.needs.includes(need) ?? false));
  // A share that the maker set is a share; so is a controller that never lies down.
  if (every === null || (run.duty !== undefined && run.every === undefined) || (controller && !wake)) return free;
  const after = run.after ?? null;
  const phases = (pick: 'typ' | 'max'): Phase[] | null => {
    const pieces =
      work(part, run, pick) ??
      (wake ? [{ doing: 'active' as const, time: Math.max(SHORTEST_WAKE, startOf(part, pick)) }] : null);
    if (!pieces) return null;
    const warm = rest === 'idle' ? 0 : warmUpOf(part, pick);
    let at = after ?? 0;
    return [...(warm > 0 ? [{ doing: 'warm-up' as const, time: warm }] : []), ...pieces].map(({ doing, time }) => {
      const phase = { doing, from: at, to: at + time };
      at += time;
      return phase;
    });
  };
  const usual = phases('typ');
  const longest = phases('max');
  return usual && longest ? { every: onGrid(every), duty, after, phases: usual, longest, rest } : free;
}

/** What its card says that it takes to start, s. */
const startOf = ({ card }: PartNode, pick: 'typ' | 'max'): number =>
  card.controller?.wakeTime ? toInterval(card.controller.wakeTime)[pick] : 0;

const warmUpOf = ({ card }: PartNode, pick: 'typ' | 'max'): number =>
  Math.max(0, ...card.measures.flatMap(({ warmUp }) => (warmUp ? [toInterval(warmUp)[pick]] : [])));

/** The last rhythm of a choice: between two edits most of a plan is the same. */
const lastRhythm = fewOfOwner(
  (
    _choice: PartChoice,
    [, , switched, controller]: readonly [Card, Plan['needs'], boolean, boolean],
    plan: Plan,
    part: PartNode,
  ) => rhythmOf(plan, part, switched, controller),
);

function heldRhythm(plan: Plan, part: PartNode, switched: boolean, controller: boolean): Rhythm {
  const { choice, card } = part;
  if (!choice) return rhythmOf(plan, part, switched, controller);
  return lastRhythm(choice, [card, plan.needs, switched, controller], plan, part);
}

/** The controller's own rhythm, drawn out to as long as it waits for others. */
const waiting = fewOfOwner((own: Rhythm, [usual, longest]: readonly [number, number]): Rhythm => {
  const awake = (to: number): Phase[] => [{ doing: 'active', from: own.after ?? 0, to }];
  return { ...own, phases: awake(usual), longest: awake(longest) };
});

/**
 * How long a controller is awake in its round, s: until the last of what it waits for is done. What comes in some of the
 * rounds only keeps it awake in those: usually that counts by its share, at the most as if it were every round.
 */
function awakeUntil(own: Rhythm, others: readonly Rhythm[]): { phases: number; longest: number } {
  const round = own.every ?? 0;
  const last = (of: 'phases' | 'longest', rhythms: readonly Rhythm[]) =>
    rhythms.reduce((end, rhythm) => Math.max(end, rhythm[of].at(-1)?.to ?? 0), own[of].at(-1)?.to ?? SHORTEST_WAKE);
  const clocked = others.filter(({ every }) => every !== null && every >= round);
  const [always, rare] = [
    clocked.filter(({ every }) => every === round),
    clocked.filter(({ every }) => every !== round),
  ];
  const usual = last('phases', always);
  const more = rare.reduce(
    (sum, { phases, every }) => sum + (Math.max(0, (phases.at(-1)?.to ?? 0) - usual) * round) / (every ?? round),
    0,
  );
  return { phases: usual + more, longest: last('longest', clocked) };
}

/** Rhythms of all parts. A controller that sleeps stays awake as long as what it waits for takes. */
export function rhythms(
  plan: Plan,
  parts: ReadonlyMap<string, PartNode>,
  controller: PartNode | null,
  switched: (part: PartNode) => boolean,
): Map<string, Rhythm> {
  const all = new Map<string, Rhythm>();
  for (const part of parts.values())
    all.set(part.id, heldRhythm(plan, part, part.choice?.run?.rest === 'off' && switched(part), part === controller));
  const own = controller && all.get(controller.id);
  if (!controller || !own || own.every === null || controller.choice?.run?.busy !== undefined) return all;
  const ends = awakeUntil(
    own,
    [...all].flatMap(([id, rhythm]) => (id === controller.id ? [] : [rhythm])),
  );
  all.set(controller.id, waiting(own, [ends.phases, ends.longest]));
  return all;
}

/** Share of the time that a rhythm is at work, usually and at its most. */
export function busyShare({ every, duty, phases, longest }: Rhythm): { usual: number; most: number } {
  if (every === null) return { usual: duty, most: duty };
  const share = (list: readonly Phase[]) => Math.min(1, list.reduce((sum, { from, to }) => sum + to - from, 0) / every);
  return { usual: share(phases), most: share(longest) };
}
