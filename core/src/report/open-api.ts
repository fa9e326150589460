/** The routes for programs as OpenAPI 3.1 describes such things. */
import { z } from 'zod';
import { ANSWERS } from './answers.ts';

const PREFIX = '/api/v1';
type Route = Exclude<keyof typeof ANSWERS, 'problem'>;

interface Told {
  readonly says: string;
  /** Other forms of the answer, by the word that asks for them. */
  readonly forms?: Readonly<Record<string, string>>;
}

const ROUTES: Readonly<Record<Route, Told>> = {
  verify: { says: 'What every check says of a plan, the remedies of each finding, and the wiring read back.' },
  mend: { says: 'What completes a plan: the changes, how it then stands, and the file.' },
  wiring: {
    says: 'The wiring plan of a laid-out build, step by step.',
    forms: { csv: 'text/csv', svg: 'image/svg+xml' },
  },
  parts: { says: 'What to buy for a plan, of whom and for how much.', forms: { csv: 'text/csv' } },
  drawing: { says: 'The whole build, line by line or as one picture.', forms: { svg: 'image/svg+xml' } },
};

const named = (name: string) => ({ $ref: `#/components/schemas/${name}` });
const JSON_TYPE = 'application/json';

const refusal = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: named('problem') } },
});
const REFUSALS = {
  400: refusal('The body is no plan file: every problem with its place. Or the form that is asked for is none.'),
  413: refusal('The body is too large.'),
  415: refusal('The body is not JSON.'),
  422: refusal('Nothing is laid out, or the plan is not worked out in the time and memory that one request may take.'),
  429: {
    ...refusal('Too many plans are waiting.'),
    headers: { 'Retry-After': { description: 'seconds', required: true, schema: { type: 'integer', minimum: 1 } } },
  },
};

function post(route: Route) {
  const { says, forms = {} } = ROUTES[route];
  const asked = ['json', ...Object.keys(forms)];
  const content = Object.fromEntries([
    [JSON_TYPE, { schema: named(route) }],
    ...Object.values(forms).map((type) => [type, { schema: { type: 'string' } }]),
  ]) as object;
  return {
    operationId: route,
    summary: says,
    ...(asked.length > 1
      ? { parameters: [{ name: 'as', in: 'query', schema: { type: 'string', enum: asked, default: 'json' } }] }
      : {}),
    requestBody: {
      required: true,
      content: { [JSON_TYPE]: { schema: { $ref: `${PREFIX}/schema/plan` } } },
    },
    responses: { 200: { description: says, content }, ...REFUSALS },
  };
}

const get = (operationId: string, summary: string, content: object, more: object = {}) => ({
  get: { operationId, summary, ...more, responses: { 200: { description: summary, content } } },
});
const text = { 'text/plain': { schema: { type: 'string' } } };

/** @returns the description; schemas of plan and card are where `…/schema/plan` and `…/schema/card` give them */
export function openApi(): object {
  const schemas = Object.fromEntries(
    Object.entries(ANSWERS).map(([name, schema]) => {
      const { $schema: _, ...rest } = z.toJSONSchema(schema);
      return [name, rest];
    }),
  );
  return {
    openapi: '3.1.0',
    info: {
      title: 'Idle Breadboard',
      version: '1',
      description: 'Plans of sensor builds: judged, completed, laid out. Nothing is kept between two requests.',
      license: { name: 'MIT', identifier: 'MIT' },
    },
    servers: [{ url: '/' }],
    paths: {
      ...Object.fromEntries(
        (Object.keys(ROUTES) as Route[]).map((route) => [`${PREFIX}/${route}`, { post: post(route) }]),
      ),
      [`${PREFIX}/catalogue`]: get('catalogue', 'The cards that ship.', {
        [JSON_TYPE]: {
          schema: {
            type: 'object',
            properties: { cards: { type: 'array', items: { $ref: `${PREFIX}/schema/card` } } },
            required: ['cards'],
          },
        },
      }),
      [`${PREFIX}/schema/{of}`]: get(
        'schema',
        'The JSON Schema of a file.',
        { 'application/schema+json': { schema: { type: 'object' } } },
        {
          parameters: [{ name: 'of', in: 'path', required: true, schema: { type: 'string', enum: ['card', 'plan'] } }],
        },
      ),
      [`${PREFIX}/openapi`]: get('openapi', 'This description.', { [JSON_TYPE]: { schema: { type: 'object' } } }),
      '/healthz': get('health', 'Whether the server answers.', text),
      '/readyz': get('ready', 'Whether it takes another plan.', text),
    },
    components: { schemas },
  };
}
