/** What an interface knows of data in words. */
export { counted, list } from '../say/english/grammar.ts';
export { placeNames, readPlace } from '../say/read-place.ts';
export { formatSpan, ruleOf, say, sayDeep, sayError, sayProblems, sayUnread } from '../say/say.ts';
export { saysEntry, saysExpected, saysPut, saysReading, saysSetting } from '../say/value.ts';
