import { changePort } from './edits.ts';
import type { Plan } from './plan.ts';

/** Gives a part on one wire its number, or takes it away; whoever had that number before has none then. */
export function withNumber(plan: Plan, part: string, port: string, number: string | null): Plan {
  const bare = plan.parts.reduce(
    (now, other) =>
      Object.entries(other.ports).reduce(
        (p, [id, choice]) =>
          choice.number !== undefined && (choice.number === number || (other.id === part && id === port))
            ? changePort(p, other.id, id, ({ number: _, ...rest }) => rest)
            : p,
        now,
      ),
    plan,
  );
  return number === null ? bare : changePort(bare, part, port, (choice) => ({ ...choice, number }));
}
