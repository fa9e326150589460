/** Running text and lists -> drafts: every value of a passage with what is said around it. Never sure. */
import { QUANTITIES } from '../quantities.ts';
import { clausesIn, type Clause } from './clauses.ts';
import { classify, isNoneOf, quantityFor, type Classified } from './classify.ts';
import { doubtThat } from './doubt.ts';
import { draftOf, type Reading } from './draft-of.ts';
import { boxOfNumbers, type Passage } from './passages.ts';
import type { Draft } from './proposal.ts';
import { BODY_WORDS, sizeIn } from './sizes.ts';
import { isMeasureSlot, slotOf } from './slots.ts';
import { NEVER_TOLD, TELLINGS, type Telling } from './told-words.ts';
import { evenText, valuesIn, type PlacedValue } from './values.ts';
import { ABSOLUTE, NEVER } from './vocabulary.ts';

/** Where a sentence ends: not behind a shortened word, and not inside a number. */
const SENTENCE_END =
  /(?<!\b(?:max|min|typ|nom|approx|ca|no|nr|fig|temp|e\.g|i\.e|incl|resp|vs|rev))[.!?]\s+(?=[A-Z•])|;\s+|\s[•·]\s/;
function unitFits(telling: Telling, value: PlacedValue): boolean {
  if (isMeasureSlot(telling.slot) && slotOf(telling.slot).units.length === 0) return true;
  return value.unit !== null && slotOf(telling.slot).units.includes(value.unit);
}

interface Meant extends Classified {
  readonly bare?: 'min' | 'max';
}

function meantBy({ value, left, right, subject }: Clause, section: string, reading: Reading): Meant | null {
  // What is said right at the value counts first, then what the sentence began with.
  for (const before of subject === '' ? [left] : [left, `${subject} ${left}`]) {
    const around = `${before}▮${right}`;
    if (NEVER_TOLD.test(around) || NEVER.test(around) || isNoneOf(reading.cls, before, value.unit)) return null;
    // What a part stands says nothing of what it takes.
    if (value.unit === 'A' && ABSOLUTE.test(section)) return null;
    const telling = TELLINGS.find(
      (one) =>
        unitFits(one, value) && isRightForm(one, value) && one.says.test(around) && one.not?.test(around) !== true,
    );
    const named = classify(
      { name: before.replace(/[\s:=]+$/, ''), symbol: '', conditions: right, section, unit: value.unit },
      reading,
    );
    // A name of a level or a rating says more than a verb.
    if (named && (!telling || /^(?:logic|rail|port)\./.test(named.slot) || ABSOLUTE.test(section))) return named;
    if (!telling) continue;
    if (!isMeasureSlot(telling.slot) || slotOf(telling.slot).units.length > 0) {
      const needsQuantity = isMeasureSlot(telling.slot);
      return {
        slot: telling.slot,
        ...(telling.bare ? { bare: telling.bare } : {}),
        ...(needsQuantity && named?.quantity ? { quantity: named.quantity } : {}),
      };
    }
    // Of two quantities in a sentence the nearer one is meant.
    const of =
      value.unit === null
        ? null
        : quantityFor(value.unit, [left, right, subject].find(speaksOf(value.unit)) ?? '', section, reading);
    if (of) return { slot: telling.slot, ...of };
  }
  return null;
}

const speaksOf =
  (unit: string) =>
  (text: string): boolean =>
    QUANTITIES.some((kind) => (kind.unit === unit || (unit === '%' && kind.unit === '%RH')) && kind.words.test(text));

/** A range has two ends, a band has none. */
function isRightForm({ slot }: Telling, { min, max, symmetric }: PlacedValue): boolean {
  if (!isMeasureSlot(slot) || slotOf(slot).units.length > 0) return true;
  if (slot === 'measure.range') return !symmetric && max !== undefined;
  return !(min !== undefined && max !== undefined && !symmetric);
}

/** What is said of one bound where words say the contrary of what stands: "never more than", "beyond". */
function withBare(value: PlacedValue, bare: 'min' | 'max' | undefined): PlacedValue {
  const { min, typ, max } = value;
  if (!bare) return value;
  const size = typ ?? (min === undefined || max === undefined ? (min ?? max) : undefined);
  if (size === undefined) return value;
  const { min: _min, typ: _typ, max: _max, ...others } = value;
  return { ...others, [bare]: size };
}

/** Every figure that a passage tells. */
export function toldDrafts(passage: Passage, section: string, reading: Reading): Draft[] {
  const drafts: Draft[] = [];
  let taken = 0;
  const text = evenText(passage.text);
  for (const sentence of text.split(SENTENCE_END)) {
    const size = BODY_WORDS.test(sentence) ? sizeIn(sentence, null) : null;
    if (size?.hasUnit) {
      const said = sentence.slice(size.from, size.to);
      const { box } = boxOfNumbers(passage, said, taken);
      drafts.push({
        slot: 'body.size',
        unit: 'm',
        size: size.size,
        conditions: '',
        name: 'size',
        said: sentence,
        box,
        doubts: [doubtThat('runningText')],
        weak: true,
      });
    }
    const values = valuesIn(sentence, reading.mark).filter(
      ({ from, to }) => !size || to <= size.from || from >= size.to,
    );
    for (const clause of clausesIn(sentence, values)) {
      const said = sentence.slice(clause.value.from, clause.value.to);
      const { box, next } = boxOfNumbers(passage, said, taken);
      taken = next;
      const meant = meantBy(clause, section, reading);
      if (!meant) continue;
      const value = withBare(clause.value, meant.bare);
      const conditions = clause.right.replace(/^[\s,()]+|[\s,().]+$/g, '');
      const name = clause.left.replace(/^[\s,.:•*-]+|[\s:=]+$/g, '').slice(-80);
      const draft = draftOf(
        meant,
        { ...value, doubts: value.doubt ? [value.doubt] : [] },
        { name, conditions, said: sentence.trim().slice(0, 300), box },
        reading,
        /per year|\/\s?(?:yr|year|a)\b|annual/i.test(clause.right),
      );
      if (draft) drafts.push({ ...draft, doubts: [...draft.doubts, doubtThat('runningText')], weak: true });
    }
  }
  return drafts;
}
