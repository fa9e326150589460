import { z } from 'zod';
import { Card } from '../card/card.ts';
import { PlanFile } from './plan-file.ts';

/** The JSON Schema (2020-12) of a file, generated from the schema that reads it. */
export function jsonSchema(of: 'card' | 'plan'): object {
  return z.toJSONSchema(of === 'card' ? Card : PlanFile, { io: 'input', unrepresentable: 'any' });
}
