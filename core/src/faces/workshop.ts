/** What an interface knows of entering a part of one's own. */
export type { Answer } from '../workshop/answers.ts';
export { besidesAt, withSource } from '../workshop/besides.ts';
export { blankRow } from '../workshop/blank-row.ts';
export { cardOf, treeOf } from '../workshop/build.ts';
export { readCarrierNames } from '../workshop/carrier-names.ts';
export { choicesAt } from '../workshop/choices.ts';
export { classToldBy } from '../card/reader/class-told.ts';
export { classFor } from '../workshop/class-for.ts';
export { CLASS_IDS, type ClassId } from '../card/part-class.ts';
export {
  type Draft,
  beginDraft,
  cardFrom,
  openDraft,
  standingOf,
  withConfirmed,
  withNone,
  withPrint,
} from '../workshop/draft.ts';
export { whyWaiting, withSheet } from '../workshop/from-sheet.ts';
export type { SheetFigure } from '../workshop/lay-figure.ts';
export { judge } from '../workshop/judge.ts';
export { lackingIn } from '../workshop/lacking.ts';
export { type Assumed, lookUpNext } from '../workshop/look-up-next.ts';
export { type Measurement, measurementsFor, withReading } from '../workshop/measurements.ts';
export { movedPin } from '../workshop/move-pin.ts';
export { pinTableText } from '../workshop/pin-table/on-page.ts';
export { readPinTable } from '../workshop/pin-table/read.ts';
export { type PrintedHeader, proposeParts } from '../workshop/propose.ts';
export { type Question, moreOf, questionsOf } from '../workshop/questions.ts';
export { type SeenPin, seenFromAbove } from '../workshop/seen-from-above.ts';
export { GROUPS, classTitle, columnTitle, groupOf, groupTitle, hintOf, titleOf } from '../workshop/titles.ts';
export type { ColumnId } from '../workshop/facts.ts';
export type { Table } from '../workshop/facts/kind.ts';
export type { Form } from '../workshop/form.ts';
