/** What the routes for programs answer, as schemas: what they say is held to these, and the description of the routes is made of them. */
import { z } from 'zod';
import { ASPECTS, GROUNDS, SEVERITIES } from '../check/result.ts';
import { PHASES } from '../deliver/step.ts';
import { routes, type RoutesSays } from '../say/routes.ts';
import { say } from '../say/say.ts';

const told = (id: keyof RoutesSays) => ({ description: say(routes(id)) });
const list = <T extends z.ZodType>(of: T) => z.array(of).readonly();
const number = z.number();
const numberOrNone = number.nullable();
const word = z.string();
const words = list(word);

const PROBLEMS = list(z.strictObject({ path: word.meta(told('pointer')), message: word }));

const PASS = {
  check: word,
  subjects: words,
  aspect: z.enum(ASPECTS).nullable(),
  measured: numberOrNone.meta(told('measured')),
  limit: numberOrNone,
  unit: word,
  margin: numberOrNone,
  message: word,
  evidence: z.enum(GROUNDS),
  workings: list(
    z.strictObject({
      name: word,
      sum: word,
      value: numberOrNone.meta(told('endless')).optional(),
      unit: word.optional(),
    }),
  ),
};
const STATUS = z.enum(['verified', 'unread', 'open', 'refused']);

const Verified = z.strictObject({
  status: STATUS.meta(told('status')),
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
  wiring: z.strictObject({ agrees: z.boolean(), says: words }).nullable().meta(told('readBack')),
  problems: PROBLEMS.optional(),
});

const Mended = z.strictObject({
  status: STATUS.exclude(['refused']),
  changes: list(
    z.strictObject({
      id: word,
      piece: z.looseObject({ kind: word }),
      needs: words.meta(told('needs')),
      title: word,
    }),
  ),
  left: list(z.strictObject({ check: word, message: word })),
  file: z.looseObject({ format: word }).meta(told('file')),
});

const CAUTION = z.strictObject({
  hazard: word,
  labels: words,
  parts: words,
  source: z.strictObject({ card: word, key: word }),
  says: word,
  asks: z.boolean().meta(told('asks')),
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
  of: word.meta(told('of')),
  length: number.meta({ description: 'm' }),
  kit: list(z.strictObject({ card: word, pieces: z.int().positive() })),
});

const Wired = z.strictObject({
  agrees: z.boolean().meta(told('agrees')),
  mismatches: list(z.strictObject({ kind: word, subjects: words, says: word })),
  steps: list(
    z.strictObject({
      key: word,
      phase: z.enum(PHASES),
      title: word,
      put: list(z.strictObject({ part: word, label: word, says: word.nullable(), number: word.optional() })),
      leads: list(LEAD),
      checks: list(
        z.strictObject({
          kind: z.enum(['look', 'continuity', 'resistance', 'voltage']),
          says: word,
          at: words,
          expected: z
            .strictObject({ min: numberOrNone, typ: numberOrNone, max: numberOrNone, unit: word })
            .meta(told('expected'))
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
  arrival: number.meta(told('arrival')),
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

const Settings = z.strictObject({
  format: word,
  version: number,
  plan: word,
  controller: word.nullable(),
  fingerprint: word,
  groups: list(
    z.strictObject({
      kind: z.enum(['pin', 'bus', 'part', 'trigger']),
      id: word,
      name: word,
      is: word.optional(),
      settings: list(
        z.strictObject({
          id: word,
          name: word,
          of: word.optional(),
          value: z.union([number, word, z.boolean()]),
          unit: word.optional(),
        }),
      ),
      conversions: list(
        z.strictObject({
          name: word,
          quantity: word,
          unit: word,
          formula: z.strictObject({
            counts: number,
            reference: number,
            passes: number,
            curve: z.union([
              z.strictObject({ kind: z.literal('line'), low: number, high: number, from: number, to: number }),
              z.strictObject({
                kind: z.enum(['beta', 'light', 'platinum']),
                fixed: number,
                rail: number,
                ohms: number,
                constant: number,
              }),
            ]),
          }),
        }),
      ),
    }),
  ),
});

const Refused = z
  .strictObject({
    type: word,
    title: word,
    status: z.int(),
    detail: word,
    problems: PROBLEMS,
  })
  .meta(told('refusal'));

/** What each route answers where it can; `problem` where it cannot. */
export const ANSWERS = {
  verify: Verified,
  mend: Mended,
  wiring: Wired,
  parts: Listed,
  drawing: Drawn,
  settings: Settings,
  problem: Refused,
};
