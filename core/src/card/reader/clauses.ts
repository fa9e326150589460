/** A sentence -> its values, each with what is said around it. */
import type { PlacedValue } from './values.ts';

/** What parts two statements of a sentence. */
const BOUNDARY =
  /,\s*(?:and|but|or|while)?\s*|\s+with\s+(?=(?:an?|the)\s)|\s+(?:and|but|while|whereas)\s+|\s[|/]\s|\s*[•·]\s*/gi;
/** Words behind a value that say more of it. */
const GOES_ON =
  /^\s*(?:\(|\[|at|during|while|when|in|on|for|of|with|per|from|between|if|typ|max|min|supply|power|pull)/i;

/** One value of a sentence with what is said around it. */
export interface Clause {
  readonly value: PlacedValue;
  /** What stands before the value and behind it, up to the values beside it. */
  readonly left: string;
  readonly right: string;
  /** What the sentence began with, where `left` does not hold it. */
  readonly subject: string;
}

/** What leads from a value to one that says when it holds: "±0.3 °C (20 to 60 °C)", "3 mA at 3.3 V". */
const TO_CONDITION =
  /^\s*,?\s*(?:[([]\s*(?:at\s+|for\s+|from\s+)?|(?:at|for|between|over|when|@|in the range(?: of)?)\s+)(?:[A-Za-z_]{1,12}\s*=?\s*)?$/i;

function isCondition(sentence: string, all: readonly PlacedValue[], at: number): boolean {
  const [before, value, after] = [all[at - 1], all[at], all[at + 1]];
  if (!value) return false;
  if (before && TO_CONDITION.test(sentence.slice(before.to, value.from))) return true;
  if (all.length > 1 && /\b[A-Z][A-Za-z_]{0,8}\s*=\s*$/.test(sentence.slice(0, value.from))) return true;
  // "Humidity accuracy (20 to 80 %RH): ±2.5 %RH"
  const inBrackets = /\([^()]*$/.test(sentence.slice(0, value.from)) && /^[^()]*\)/.test(sentence.slice(value.to));
  return inBrackets && after !== undefined && /^[^()]*\)[\s:=.…_]*$/.test(sentence.slice(value.to, after.from));
}

/** @example clausesIn('In standby it draws 2 µA, when active 3 mA.', '.') are two, the second with the subject "In standby it draws" */
export function clausesIn(sentence: string, all: readonly PlacedValue[]): Clause[] {
  let start = 0;
  const values = all.filter((_, i) => !isCondition(sentence, all, i));
  return values.map((value, k) => {
    const next = values[k + 1];
    const between = sentence.slice(value.to, next?.from ?? sentence.length);
    const cuts = [...between.matchAll(BOUNDARY)];
    const last = cuts.at(-1);
    const goesOn = GOES_ON.test(between);
    const end = !next
      ? sentence.length
      : last
        ? value.to + (goesOn || cuts.length > 1 || last.index > 0 ? last.index : 0)
        : goesOn
          ? next.from
          : value.to;
    // "… is not tolerant: the most on RX is 3.6 V" begins anew behind its colon; "Supply: 5 V" does not.
    const left = sentence.slice(start, value.from).replace(/^.*:\s+(?=(?:\S+\s+){3,}$)/s, '');
    const right = sentence.slice(value.to, end);
    start = last && next ? value.to + last.index + last[0].length : end;
    return { value, left, right, subject: k === 0 ? '' : sentence.slice(0, values[0]?.from ?? 0) };
  });
}
