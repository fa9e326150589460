import { cautionsOf } from '../circuit/cautions.ts';
import { result, type Check, type CheckMeta } from './result.ts';
import { tells, type Text } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface SafetyHazardSays {
  readonly meaning: null;
  readonly says: { parts: readonly Text[]; says: string };
  readonly read: null;
  readonly tickedOffPlan: null;
  readonly notYet: null;
  readonly saidNoTickAsked: null;
}

const tell = tells<SafetyHazardSays>('safety/hazard');

const meta = {
  id: 'safety/hazard',
  station: 'wiring',
  breaks: 'note',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

export const safetyHazard = {
  meta,
  run: (circuit) =>
    cautionsOf(circuit).map(({ labels, parts, hazard, says, source, asks, read }) =>
      result(circuit, meta, {
        subjects: parts,
        aspect: hazard,
        // What is still to be read the verdict itself says, with its ticks.
        severity: null,
        message: tell('says', { parts: labels, says }),
        meaning: tell('meaning'),
        workings: [
          { name: tell('read'), sum: asks ? (read ? tell('tickedOffPlan') : tell('notYet')) : tell('saidNoTickAsked') },
        ],
        rests: [[source.card, source.key]],
      }),
    ),
} satisfies Check;
