/** The cards and plans that ship with the app. */
import { Card, libraryOf, readPlanValue, type Library, type PlanDocument } from '@idle-breadboard/core';

const files = import.meta.glob<unknown>('../../../catalogue/cards/*.json', { eager: true, import: 'default' });
const plans = import.meta.glob<unknown>('../../../catalogue/plans/*.json', { eager: true, import: 'default' });

export const catalogue: Library = libraryOf(Object.values(files).map((file) => Card.parse(file)));

/** Demo plans in the order of their file names. */
export function demoPlans(): PlanDocument[] {
  return Object.keys(plans)
    .sort()
    .flatMap((path) => {
      const read = readPlanValue(plans[path]);
      return read.ok ? [read.value] : [];
    });
}
