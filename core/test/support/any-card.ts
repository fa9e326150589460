/** Cards drawn from the schema alone: whatever may be said, with names and numbers as awkward as it lets them be. */
import { z } from 'zod';
import { CardShape } from '../../src/card/card-shape.ts';
import { entryKey } from '../../src/card/path.ts';

interface Schema {
  readonly type?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly not?: unknown;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly additionalProperties?: Schema | boolean;
  readonly propertyNames?: Schema;
  readonly items?: Schema;
  readonly prefixItems?: readonly Schema[];
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly exclusiveMinimum?: number;
  readonly pattern?: string;
  readonly maxLength?: number;
  readonly $ref?: string;
  readonly $defs?: Readonly<Record<string, Schema>>;
}

const CARD_SCHEMA = z.toJSONSchema(CardShape, { io: 'input', unrepresentable: 'any' }) as Schema;

const AWKWARD = [
  'a',
  'B',
  '7',
  ' ',
  ',',
  ';',
  '=',
  '|',
  ':',
  '"',
  '(',
  ')',
  '/',
  '–',
  '-',
  '.',
  'µ',
  '°',
  '3V3',
  'to',
  'VCC',
];

type Random = () => number;

const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;

function textOf(random: Random, { pattern, maxLength = 12 }: Schema): string {
  if (pattern === undefined) {
    const text = Array.from({ length: 1 + Math.floor(random() * 6) }, () => pick(random, AWKWARD)).join('');
    return text.trim().slice(0, maxLength).trim() || 'x';
  }
  // The few patterns that cards have; one that is new here fails the card, and so says that it is missing.
  const tries = [
    `${pick(random, ['sda', 'p', 'x-1', '0'])}${Math.floor(random() * 50)}`,
    'EUR',
    'irq',
    'adc0.3',
    'adc1',
    'pwm4',
  ];
  const form = new RegExp(pattern);
  return tries.find((text) => form.test(text)) ?? '';
}

function numberOf(random: Random, { type, minimum, maximum, exclusiveMinimum }: Schema): number {
  const from = Math.max(minimum ?? -1e6, exclusiveMinimum ?? -1e6);
  const to = maximum ?? 1e6;
  if (type === 'integer') {
    const least = exclusiveMinimum === undefined ? Math.ceil(from) : Math.floor(from) + 1;
    return least + Math.floor(random() * (Math.min(to, least + 1e5) - least));
  }
  const sizes = [1e-12, 3.3e-7, 4.7e-3, 0.1, 1 / 3, 2.2, 1e3, 9.99e5];
  const value = pick(random, sizes) * (1 + random());
  return Math.min(to, Math.max(from + (exclusiveMinimum === undefined ? 0 : 1e-13), random() < 0.2 ? -value : value));
}

/** A figure's bounds stand in their order, and one is there. */
function inOrder(value: Record<string, unknown>): Record<string, unknown> {
  if (!('unit' in value && 'source' in value)) return value;
  const bounds = ['min', 'typ', 'max'].filter((bound) => bound in value);
  const sorted = bounds.map((bound) => Number(value[bound])).sort((a, b) => a - b);
  const stated = Object.fromEntries(bounds.map((bound, i) => [bound, sorted[i]]));
  return { ...value, ...(bounds.length === 0 ? { typ: 2.5 } : stated) };
}

function draw(random: Random, schema: Schema, name: string): unknown {
  const { $ref, $defs } = schema;
  if ($ref !== undefined) return draw(random, CARD_SCHEMA.$defs?.[$ref.split('/').at(-1) ?? ''] ?? {}, name);
  void $defs;
  if ('const' in schema) return schema.const;
  if (schema.enum) return pick(random, schema.enum);
  const either = schema.anyOf ?? schema.oneOf;
  if (either) return draw(random, pick(random, either), name);
  if (schema.prefixItems) return schema.prefixItems.map((item) => draw(random, item, name));
  switch (schema.type) {
    case 'string':
      return textOf(random, schema);
    case 'number':
    case 'integer':
      return numberOf(random, schema);
    case 'boolean':
      return random() < 0.5;
    case 'array': {
      const least = schema.minItems ?? 0;
      const count = least + Math.floor(random() * Math.min(3, (schema.maxItems ?? 9) - least + 1));
      const all = Array.from({ length: count }, () => draw(random, schema.items ?? {}, name));
      const keyed = all.filter(
        (item, i) => all.findIndex((other) => entryKey(name, other) === entryKey(name, item)) === i,
      );
      return typeof all[0] === 'object' && !Array.isArray(all[0]) ? keyed : all;
    }
    case 'object':
      return objectOf(random, schema, name);
    default:
      return null;
  }
}

function objectOf(random: Random, schema: Schema, name: string): unknown {
  const { properties = {}, required = [], additionalProperties, propertyNames } = schema;
  if (typeof additionalProperties === 'object' && Object.keys(properties).length === 0) {
    if (name === 'sources') return { sheet: { kind: 'datasheet', title: 'a sheet' } };
    const count = 1 + Math.floor(random() * 2);
    return Object.fromEntries(
      Array.from({ length: count }, () => [
        textOf(random, propertyNames ?? {}),
        draw(random, additionalProperties, name),
      ]),
    );
  }
  const there = Object.entries(properties).filter(([key, of]) => !of.not && (required.includes(key) || random() < 0.5));
  return inOrder(
    Object.fromEntries(there.map(([key, of]) => [key, key === 'source' ? 'sheet' : draw(random, of, key)])),
  );
}

/** @returns a card of the schema's shape; names in it lead nowhere */
export const anyCard = (random: Random): CardShape => draw(random, CARD_SCHEMA, '') as CardShape;

/** Every place at which the schema lets something be said, "*" for each entry of a list or of names. */
export function schemaPlaces(schema: Schema = CARD_SCHEMA, place = ''): string[] {
  if (schema.$ref !== undefined)
    return schemaPlaces(CARD_SCHEMA.$defs?.[schema.$ref.split('/').at(-1) ?? ''] ?? {}, place);
  const either = schema.anyOf ?? schema.oneOf;
  if (either) return [...new Set(either.flatMap((one) => schemaPlaces(one, place)))];
  const under = (step: string) => (place === '' ? step : `${place}/${step}`);
  if (schema.properties)
    return Object.entries(schema.properties).flatMap(([key, of]) => (of.not ? [] : schemaPlaces(of, under(key))));
  if (schema.items?.type === 'object' || schema.items?.anyOf || schema.items?.$ref)
    return schemaPlaces(schema.items, under('*'));
  return [place];
}
