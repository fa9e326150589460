/** A day of a build as its rounds add up to: how often each part is at work, how often it cannot keep up, and what it takes. */
import { mean } from '../quantity/steps.ts';
import type { Text } from '../quantity/message.ts';
import type { Phase, Rhythm } from '../circuit/model.ts';
import type { Lane } from './timeline.ts';

export const DAY = 86_400;

/** What one part does in a day. */
export interface DayOfPart {
  readonly part: string;
  readonly label: Text;
  /** Turns that are wanted, and of those how many there are: usually, and where each takes as long as it may. */
  readonly wanted: number;
  readonly usual: number;
  readonly least: number;
  /** A·s at the part, usual currents. */
  readonly charge: number;
}

/** s from the beginning of a turn to its end. */
const turn = (phases: readonly Phase[]): number => (phases.at(-1)?.to ?? 0) - (phases[0]?.from ?? 0);

/** A turn that is not done when the next is due leaves that out: it begins at the first time that is due after its end. */
const turnsIn = (every: number, takes: number): number => DAY / (every * Math.max(1, Math.ceil(takes / every - 1e-9)));

/** @returns of every part that follows a clock; the others have no turns */
export const dayOf = (lanes: readonly Lane[]): DayOfPart[] =>
  lanes.flatMap(({ part, label, rhythm, current }) => {
    const { every, phases, longest }: Rhythm = rhythm;
    if (every === null) return [];
    return [
      {
        part,
        label,
        wanted: DAY / every,
        usual: turnsIn(every, turn(phases)),
        least: turnsIn(every, turn(longest)),
        charge: mean(current) * DAY,
      },
    ];
  });
