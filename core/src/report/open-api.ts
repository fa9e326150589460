/** The routes for programs as OpenAPI 3.1 describes such things. */
import { z } from 'zod';
import { routes } from '../say/routes.ts';
import { say } from '../say/say.ts';
import { ANSWERS } from './answers.ts';

const PREFIX = '/api/v1';
type Route = Exclude<keyof typeof ANSWERS, 'problem'>;

interface Told {
  readonly says: string;
  /** Other forms of the answer, by the word that asks for them. */
  readonly forms?: Readonly<Record<string, string>>;
}

const ROUTES: Readonly<Record<Route, Told>> = {
  verify: { says: say(routes('verify')) },
  mend: { says: say(routes('mend')) },
  wiring: {
    says: say(routes('wiring')),
    forms: { csv: 'text/csv', svg: 'image/svg+xml' },
  },
  parts: { says: say(routes('parts')), forms: { csv: 'text/csv' } },
  drawing: { says: say(routes('drawing')), forms: { svg: 'image/svg+xml' } },
  settings: {
    says: say(routes('settings')),
    forms: { c: 'text/x-c', python: 'text/x-python', overlay: 'text/x-devicetree-source' },
  },
};

const named = (name: string) => ({ $ref: `#/components/schemas/${name}` });
const JSON_TYPE = 'application/json';

const refusal = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: named('problem') } },
});
const REFUSALS = {
  400: refusal(say(routes('noPlan'))),
  413: refusal(say(routes('tooLarge'))),
  415: refusal(say(routes('noJson'))),
  422: refusal(say(routes('notWorkedOut'))),
  429: {
    ...refusal(say(routes('tooMany'))),
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
      title: say(routes('title')),
      version: '1',
      description: say(routes('about')),
      license: { name: 'MIT', identifier: 'MIT' },
    },
    servers: [{ url: '/' }],
    paths: {
      ...Object.fromEntries(
        (Object.keys(ROUTES) as Route[]).map((route) => [`${PREFIX}/${route}`, { post: post(route) }]),
      ),
      [`${PREFIX}/catalogue`]: get('catalogue', say(routes('catalogue')), {
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
        say(routes('schema')),
        { 'application/schema+json': { schema: { type: 'object' } } },
        {
          parameters: [{ name: 'of', in: 'path', required: true, schema: { type: 'string', enum: ['card', 'plan'] } }],
        },
      ),
      [`${PREFIX}/openapi`]: get('openapi', say(routes('description')), {
        [JSON_TYPE]: { schema: { type: 'object' } },
      }),
      '/healthz': get('health', say(routes('health')), text),
      '/readyz': get('ready', say(routes('ready')), text),
    },
    components: { schemas },
  };
}
