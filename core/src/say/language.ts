/** What a language is: words for every message of every topic. */
import type {
  BusAddress,
  Datum,
  Duration,
  Message,
  Noted,
  Operation,
  Price,
  Quantity,
  Share,
} from '../quantity/message.ts';

type Figure = Quantity | Duration | Price | BusAddress | Share | Operation | Noted | Message;

/** A datum as the words see it: figures, sums and other messages are text by then. */
type Said<D extends Datum> = D extends Figure
  ? string
  : D extends readonly (infer Item extends Datum)[]
    ? readonly Said<Item>[]
    : D;

type SaidData<Data> = { readonly [Name in keyof Data]: Data[Name] extends Datum ? Said<Data[Name]> : never };

/** Words for each message of a topic: a text, or what makes one of the data. */
type Words<Says> = {
  readonly [Id in keyof Says]: Says[Id] extends null ? string : (data: SaidData<Says[Id]>) => string;
};

/** What a rule is called, how it goes, and where it comes from. */
export interface RuleWords {
  /** A word or two, where a row has no room for the title. */
  readonly short: string;
  readonly title: string;
  /** The rule in one sentence, with its formula. */
  readonly rule: string;
  /** The published source, or "common practice". */
  readonly source: string;
}

export interface Topic<Says = Record<string, never>> {
  /** For a topic that is a check. */
  readonly rule?: RuleWords;
  readonly says: Words<Says>;
}

/** The words of one topic. */
export const topic = <Says>(words: Topic<Says>): Topic<Says> => words;

/** The words of a check. */
export const check = <Says>(words: Required<Topic<Says>>): Required<Topic<Says>> => words;

/** A check whose sentences are those of its file. */
export const ruleOnly = (rule: RuleWords): Required<Topic> => ({ rule, says: {} });

type AnyWords = Readonly<Record<string, string | ((data: never) => string)>>;

export type Language = Readonly<Record<string, { readonly rule?: RuleWords; readonly says: AnyWords }>>;
