/** What is left is ended finding by finding. */
import type { Library } from '../../card/library.ts';
import type { Plan } from '../../plan/plan.ts';
import { proposeRemedies } from '../../remedy/propose.ts';
import { type Judged, grave } from './judged.ts';

/** Changes one by one, for what the joint problem does not know. */
const MAX_SINGLE = 6;

/** What is left is ended finding by finding, by the remedy that ends most. */
export function bySingles(from: Judged, library: Library, judge: (plan: Plan) => Judged): Judged {
  let now = from;
  for (let round = 0; round < MAX_SINGLE; round++) {
    const remedy = grave(now.verdict)
      .flatMap((finding) => proposeRemedies(now.circuit, now.verdict, finding, library).slice(0, 1))
      .find(({ deepens }) => deepens.length === 0);
    if (!remedy) break;
    now = judge(remedy.plan);
  }
  return now;
}
