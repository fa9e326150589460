import { z } from 'zod';
import { Card } from '../card/card.ts';
import { PlanFile } from './plan-file.ts';

/** The JSON Schema (2020-12) of a file, generated from the schema that reads it. */
export function jsonSchema(of: 'card' | 'plan'): object {
  const schema = of === 'card' ? Card : PlanFile;
  // Cards differ by kind in one thing each: what they share is written once.
  return { type: 'object', ...z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', reused: 'ref' }) };
}
