/** What the routes for programs answer, as schemas: what they say is held to these, and the description of the routes is made of them. */
import { z } from 'zod';
import { ASPECTS, GROUNDS, SEVERITIES } from '../check/result.ts';
import { PHASES } from '../deliver/step.ts';

const list = <T extends z.ZodType>(of: T) => z.array(of).readonly();
const number = z.number();
const numberOrNone = number.nullable();
const word = z.string();
const words = list(word);

const PROBLEMS = list(z.strictObject({ path: word.meta({ description: 'JSON pointer' }), message: word }));

const PASS = {
  check: word,
  subjects: words,
  aspect: z.enum(ASPECTS).nullable(),
  measured: numberOrNone.meta({ description: 'in SI base units; null where nothing is counted' }),
  limit: numberOrNone,
  unit: word,
  margin: numberOrNone,
  message: word,
  evidence: z.enum(GROUNDS),
  workings: list(
    z.strictObject({
      name: word,
      sum: word,
      value: numberOrNone.meta({ description: 'null where it has no end' }).optional(),
      unit: word.optional(),
    }),
  ),
};
const STATUS = z.enum(['verified', 'unread', 'open', 'refused']);

const Verified = z.strictObject({
  status: STATUS.meta({
    description: 'unread: all is proved, and sentences of hazards are still to be ticked off in the plan',
  }),
  fingerprint: word.nullable(),
  findings: list(
    z.strictObject({
      ...PASS,
      severity: z.enum(SEVERITIES),
      remedies: list(z.strictObject({ id: word, title: word })),
    }),
  ),
  passes: list(z.strictObject(PASS)),
  unread: words,
  wiring: z
    .strictObject({ agrees: z.boolean(), says: words })
    .nullable()
    .meta({ description: 'the wiring plan read back; null while findings are open' }),
  problems: PROBLEMS.optional(),
});

const Mended = z.strictObject({
  status: STATUS.exclude(['refused']),
  changes: list(
    z.strictObject({
      id: word,
      piece: z.looseObject({ kind: word }),
      needs: words.meta({ description: 'changes without which this one leads nowhere' }),
      title: word,
    }),
  ),
  left: list(z.strictObject({ check: word, message: word })),
  file: z.looseObject({ format: word }).meta({ description: 'the plan file as it then is' }),
});

const CAUTION = z.strictObject({
  hazard: word,
  labels: words,
  parts: words,
  source: z.strictObject({ card: word, key: word }),
  says: word,
  asks: z.boolean().meta({ description: 'it can kill or burn: nobody builds before it was read' }),
  read: z.boolean(),
});
const POINT = z.union([
  z.strictObject({ kind: z.literal('hole'), hole: word }),
  z.strictObject({ kind: z.literal('terminal'), part: word, terminal: word }),
  z.strictObject({ kind: z.literal('joint'), joint: word }),
]);
const LEAD = z.strictObject({
  key: word,
  number: z.int().positive(),
  from: POINT,
  to: POINT,
  fromSays: word,
  toSays: word,
  kind: word,
  colour: word,
  ends: z.tuple([word, word]),
  value: word,
  of: word.meta({ description: 'node of a lead; helper of a part with two legs' }),
  length: number.meta({ description: 'm' }),
  kit: list(z.strictObject({ card: word, pieces: z.int().positive() })),
});

const Wired = z.strictObject({
  agrees: z.boolean().meta({ description: 'read back, it joins what the plan joins' }),
  mismatches: list(z.strictObject({ kind: word, subjects: words, says: word })),
  steps: list(
    z.strictObject({
      key: word,
      phase: z.enum(PHASES),
      title: word,
      put: list(z.strictObject({ part: word, label: word, says: word.nullable() })),
      leads: list(LEAD),
      checks: list(
        z.strictObject({
          kind: z.enum(['look', 'continuity', 'resistance', 'voltage']),
          says: word,
          at: words,
          expected: z
            .strictObject({ min: numberOrNone, typ: numberOrNone, max: numberOrNone, unit: word })
            .meta({ description: 'an end that is null has none' })
            .nullable(),
        }),
      ),
      cautions: list(CAUTION),
      subjects: words,
    }),
  ),
  cautions: list(CAUTION),
  checklist: words,
  harness: list(z.strictObject({ where: word, line: word, wires: list(z.strictObject({ colour: word, to: word })) })),
});

const Listed = z.strictObject({
  lines: list(
    z.strictObject({
      card: word,
      name: word,
      class: word,
      needed: number,
      inDrawer: number,
      toBuy: number,
      spares: number,
      packs: number,
      offer: z.looseObject({ supplier: word, price: numberOrNone, currency: word, pack: number }).nullable(),
      total: number,
      chance: number,
      uses: words,
      unsold: z.boolean(),
      unpriced: words,
    }),
  ),
  suppliers: list(
    z.strictObject({ supplier: word, goods: number, shipping: number, freeFrom: numberOrNone, leadDays: number }),
  ),
  currency: word,
  unpriced: words,
  total: number,
  arrival: number.meta({ description: 'days until the last parcel is there' }),
  leads: list(z.strictObject({ ends: word, length: number, colour: word, count: number })),
  resistors: list(z.strictObject({ ohms: number, count: number, inBox: z.boolean() })),
  headers: list(z.strictObject({ part: word, pins: number })),
  chance: number,
  front: list(z.strictObject({ arrival: number, total: number, taken: z.boolean() })),
  late: words,
  noLead: words,
});

const Drawn = list(
  z.strictObject({
    row: word,
    pins: word,
    place: word,
    part: word,
    address: word,
    feed: word,
    margin: word,
    found: word,
  }),
);

const Refused = z
  .strictObject({
    type: word,
    title: word,
    status: z.int(),
    detail: word,
    problems: PROBLEMS,
  })
  .meta({ description: 'RFC 9457, with the places of a file that are wrong' });

/** What each route answers where it can; `problem` where it cannot. */
export const ANSWERS = {
  verify: Verified,
  mend: Mended,
  wiring: Wired,
  parts: Listed,
  drawing: Drawn,
  problem: Refused,
};
