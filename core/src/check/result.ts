import type { FigureId } from '../card/figures.ts';
import type { Message, Sum, Text } from '../quantity/message.ts';
import { HAZARDS } from '../card/kinds.ts';
import type { Circuit } from '../circuit/model.ts';
import { netOf, type Collection } from '../circuit/watched.ts';
import type { Source } from '../card/figure.ts';
import { areNumbers, unworkable } from './unworkable.ts';
import { ASSUMED, EVIDENCE, weakest } from '../card/evidence.ts';

export const SEVERITIES = ['danger', 'fault', 'caution', 'note'] as const;
export type Severity = (typeof SEVERITIES)[number];

export type StationId =
  'need' | 'compare' | 'control' | 'levels' | 'bus' | 'pins' | 'power' | 'wiring' | 'parts' | 'bring-up';

/** One step of a sum, with the numbers in it. */
export interface Step {
  readonly name: Text;
  readonly sum: Sum;
  readonly value?: number;
  readonly unit?: string;
}

/** A figure of a card that a result rests on, by where it came from. */
interface Rest {
  readonly card: string;
  readonly source: Source;
}

/** A source of figures; or the plan itself, or a published standard, where no figure of a card comes in; or a length that nobody has said. */
export const GROUNDS = [...EVIDENCE, 'plan', 'standard', 'assumed'] as const;
export type Grounds = (typeof GROUNDS)[number];

/** What a check says about one thing: a pass when `severity` is null, else a finding. */
export interface Result {
  /** Stable name of this result: the check and its subjects. */
  readonly key: string;
  readonly check: string;
  readonly station: StationId;
  readonly severity: Severity | null;
  /** Ids of the plan: "part", "part.member", "bus", "bus.line". */
  readonly subjects: readonly string[];
  readonly aspect: Aspect | null;
  readonly measured: number | null;
  readonly limit: number | null;
  readonly unit: string;
  /** Positive when the rule holds. */
  readonly margin: number | null;
  readonly message: Message;
  /** What it means for the person; empty where the message says all. */
  readonly meaning: Text;
  readonly workings: readonly Step[];
  readonly rests: readonly Rest[];
  /** The weakest source of its figures; where it rests on none, what it follows from. */
  readonly evidence: Grounds;
  readonly assumed: boolean;
  /** False where meeting the limit exactly is as good as it gets, so that the margin says nothing about tightness. */
  readonly ranked: boolean;
}

/**
 * What a check looks at: a part and how it is wired, so that it tells as much of that part alone; a bus and all that are on it; or
 * the plan as a whole.
 */
type Scope = 'part' | 'bus' | 'plan';

/** What at bring-up answers a proof, when it shows what it should. */
export type AnsweredBy = 'voltage' | 'current' | 'rest' | 'edge' | 'scan';

/** Which of the things that one check proves of the same subjects. */
export const ASPECTS = [
  'analog',
  'asleep',
  'base',
  'before',
  'both ends',
  'cell',
  'channel',
  'channels',
  'clock',
  'cold',
  'contact',
  'converter',
  'diode',
  'direction',
  'frequency',
  'heat',
  'in use',
  'inrush',
  'leads',
  'mode',
  'parasite',
  'peripheral',
  'pull-up',
  'reserved',
  'ringing',
  'rise',
  'round',
  'select',
  'short',
  'sides',
  'socket',
  'step-up',
  'style',
  'sun',
  'supply',
  'together',
  ...HAZARDS,
] as const;
type Aspect = (typeof ASPECTS)[number];

export interface CheckMeta {
  /** "station/rule" */
  readonly id: string;
  readonly scope: Scope;
  /** Set where a rule of the house is broken and nothing physical. */
  readonly houseRule?: true;
  readonly answeredBy?: AnsweredBy;
  readonly station: StationId;
  /** Set where the limit is a published standard’s, so that a result without a card’s figure rests on that. */
  readonly standard?: true;
  /** Figures of cards that it rests on at first hand: held by a test to what its results name. */
  readonly reads: readonly FigureId[];
  /** The severity of a broken rule; some checks grade further. */
  readonly breaks: Severity;
}

/** A piece of a check that is judged, and judged again, by itself. */
interface Piece {
  /** The list whose things it judges one by one; null where it looks at the circuit as a whole. */
  readonly of: Collection | null;
  readonly judge: (circuit: Circuit, id: string) => readonly Result[];
}

export interface Check {
  readonly meta: CheckMeta;
  readonly run: (circuit: Circuit) => Result[];
  /** The same in pieces; left out where it has but one. */
  readonly pieces?: readonly Piece[];
}

interface Draft {
  readonly subjects: readonly string[];
  readonly aspect?: Aspect;
  /** The subjects that the name of the result is made of, where others come and go with the figures. */
  readonly keyed?: readonly string[];
  readonly severity: Severity | null;
  readonly measured?: number | null;
  readonly limit?: number | null;
  readonly unit?: string;
  readonly margin?: number | null;
  readonly message: Message;
  readonly meaning?: Text;
  readonly ranked?: boolean;
  readonly workings?: readonly Step[];
  /** Set where it rests on a length that was taken because nobody has said it. */
  readonly assumed?: boolean;
  /** Figures it rests on: card id and source key. */
  readonly rests?: readonly (readonly [card: string, source: string | undefined] | null | undefined)[];
}

/** A margin of nothing but the rounding of its figures is none. */
function settled(margin: number, measured?: number | null, limit?: number | null): number {
  const size = Math.max(Math.abs(measured ?? 0), Math.abs(limit ?? 0));
  return Math.abs(margin) < size * 1e-12 ? 0 : margin;
}

/** A draft whose figures are no numbers is a finding: nothing of that kind is met. */
function worked(circuit: Circuit, meta: CheckMeta, draft: Draft): Draft {
  const { measured, limit, margin, workings = [], subjects } = draft;
  if (areNumbers(measured, limit, margin) && !workings.some(({ value }) => Number.isNaN(value))) return draft;
  return {
    ...draft,
    measured: null,
    limit: null,
    margin: null,
    workings: [],
    meaning: '',
    severity: draft.severity ?? meta.breaks,
    message: unworkable('noNumber', {
      things: subjects.map((id) => circuit.parts.get(id)?.label ?? netOf(circuit, id)?.label ?? id),
    }),
  };
}

/**
 * Makes a result: the evidence is the weakest source among what it rests on. Every result is made here, so that none passes
 * with a figure that is no number.
 */
export function result(circuit: Circuit, meta: CheckMeta, given: Draft): Result {
  const draft = worked(circuit, meta, given);
  const rests: Rest[] = [];
  for (const rest of draft.rests ?? []) {
    const source = rest?.[1] && circuit.cards.get(rest[0])?.sources[rest[1]];
    if (rest && source && !rests.some((known) => known.source === source)) rests.push({ card: rest[0], source });
  }
  const own = weakest(rests.map(({ source }) => source.kind));
  const evidence: Grounds = draft.assumed ? 'assumed' : rests.length > 0 ? own : meta.standard ? 'standard' : 'plan';
  return {
    key: `${meta.id}|${[...(draft.keyed ?? draft.subjects), ...(draft.aspect ? [draft.aspect] : [])].join('|')}`,
    check: meta.id,
    station: meta.station,
    severity: draft.severity,
    subjects: draft.subjects,
    aspect: draft.aspect ?? null,
    measured: draft.measured ?? null,
    limit: draft.limit ?? null,
    unit: draft.unit ?? '',
    margin:
      draft.margin === undefined || draft.margin === null ? null : settled(draft.margin, draft.measured, draft.limit),
    message: draft.message,
    meaning: draft.meaning ?? '',
    workings: draft.workings ?? [],
    rests,
    evidence,
    assumed: draft.assumed === true || (rests.length > 0 && ASSUMED.has(own)),
    ranked: draft.ranked ?? true,
  };
}

/** Whether it keeps a plan from being verified. */
export const isBlocking = ({ severity }: Pick<Result, 'severity'>): boolean =>
  severity === 'danger' || severity === 'fault';
