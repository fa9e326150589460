/** What a change of the plan would do to the runtime, side by side. */
import { isBlocking } from '../check/result.ts';
import { type Message } from '../quantity/message.ts';
import type { Library } from '../card/library.ts';
import type { Circuit, Rail } from '../circuit/model.ts';
import { deriveCircuit } from '../circuit/derive.ts';
import { verify } from '../check/verify.ts';
import { documentOf } from '../plan/document.ts';
import { piecesCost } from '../buy/cost.ts';
import type { Plan } from '../plan/plan.ts';
import { cellRails, runtimeOf } from '../physics/runtime.ts';
import { savers, type Saving } from '../remedy/save-charge.ts';

export interface WhatIf {
  readonly id: string;
  readonly saving: Saving;
  readonly title: Message;
  readonly plan: Plan;
  /** s that the build then runs. */
  readonly usual: number;
  readonly worst: number;
  /** s more (or less) than now, usually. */
  readonly gain: number;
  /** Difference of the piece prices. */
  readonly cost: number;
  /** What would be wrong then that is not wrong now: dangers and faults, said. */
  readonly wrong: readonly Message[];
}

/**
 * Every single change that might make the cells behind a rail last longer (or that another pack would bring), with the
 * hours that it buys. Most first.
 */
export function whatIfs(circuit: Circuit, rail: Rail, library: Library): WhatIf[] {
  const now = runtimeOf(circuit, rail);
  if (!now) return [];
  const grave = (of: Circuit) =>
    new Map(
      verify(of)
        .findings.filter(isBlocking)
        .map(({ key, message }) => [key, message]),
    );
  const before = grave(circuit);
  const cost = piecesCost(circuit.plan, library);
  return savers(circuit, library, rail)
    .flatMap(({ id, saving, title, plan }): WhatIf[] => {
      const after = deriveCircuit(documentOf(plan, circuit.cards.values(), library));
      const pack = cellRails(after).find(({ part }) => part === rail.part);
      const then = pack && runtimeOf(after, pack);
      if (!then) return [];
      const wrong = [...grave(after)].filter(([key]) => !before.has(key)).map(([, message]) => message);
      return [
        {
          id,
          saving,
          title,
          plan,
          usual: then.usual.seconds,
          worst: then.worst.seconds,
          gain: then.usual.seconds - now.usual.seconds,
          cost: piecesCost(plan, library) - cost,
          wrong,
        },
      ];
    })
    .sort((a, b) => Number(a.wrong.length > 0) - Number(b.wrong.length > 0) || b.gain - a.gain);
}
