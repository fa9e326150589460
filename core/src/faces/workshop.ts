/** What an interface knows of entering a part of one's own. */
export { cardOf } from '../workshop/build.ts';
export { CLASS_IDS } from '../workshop/classes.ts';
export { judge } from '../workshop/judge.ts';
export { proposeParts } from '../workshop/propose.ts';
export { classTitle } from '../workshop/titles.ts';
