/** The description of the routes, held to what they are: each is asked, and every answer is read by the schema that is given for it. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { expect, test, type APIRequestContext } from '@playwright/test';
import { Ajv2020 } from 'ajv/dist/2020.js';

interface Described {
  readonly summary: string;
  readonly parameters?: readonly { readonly name: string; readonly schema: { readonly enum: readonly string[] } }[];
  readonly responses: Readonly<
    Record<string, { readonly content: Readonly<Record<string, { readonly schema: object }>> }>
  >;
}
interface Description {
  readonly openapi: string;
  readonly paths: Readonly<Record<string, { readonly get?: Described; readonly post?: Described }>>;
}

const PLANS = ['cupboard-first-draft', 'cupboard-verified', 'rain-barrel', 'stairwell'];
const plan = (name: string) => readFileSync(new URL(`../../catalogue/plans/${name}.json`, import.meta.url), 'utf8');
/** Whatever stands before the paths: references are followed within it. */
const HERE = 'http://here';
const headers = { 'content-type': 'application/json' };

async function described(request: APIRequestContext) {
  const description = (await (await request.get('/api/v1/openapi')).json()) as Description;
  const ajv = new Ajv2020({ strict: false, validateFormats: false, allErrors: true });
  for (const of of ['card', 'plan']) {
    const schema = (await (await request.get(`/api/v1/schema/${of}`)).json()) as object;
    ajv.addSchema({ ...schema, $id: `${HERE}/api/v1/schema/${of}` });
  }
  ajv.addSchema(description, `${HERE}/api/v1/openapi`);
  /** What is wrong with a value by the schema at a place of the description. */
  const wrong = (place: readonly string[], value: unknown): string => {
    const pointer = place.map((step) => step.replaceAll('~', '~0').replaceAll('/', '~1')).map(encodeURIComponent);
    const reads = ajv.getSchema(`${HERE}/api/v1/openapi#/${pointer.join('/')}`);
    if (!reads) throw new Error(`no schema at ${place.join(' > ')}`);
    return reads(value) ? '' : ajv.errorsText(reads.errors).slice(0, 600);
  };
  return { description, wrong };
}

test('every route is described, and nothing else', async ({ request }) => {
  const { description } = await described(request);
  const root = new URL('../../web/src/routes/', import.meta.url);
  const routes = readdirSync(root, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('+server.ts'))
    .map((file) => `/${file.replace(/\/\+server\.ts$/, '').replaceAll(/\[(\w+)\]/g, '{$1}')}`);
  expect(existsSync(root)).toBe(true);
  expect(Object.keys(description.paths).sort()).toEqual(routes.sort());
  expect(description.openapi).toBe('3.1.0');
});

test('what is posted is answered as described, in every form, for every plan that ships', async ({ request }) => {
  test.slow();
  const { description, wrong } = await described(request);
  let asked = 0;
  for (const [path, { post }] of Object.entries(description.paths)) {
    if (!post) continue;
    const forms = post.parameters?.find(({ name }) => name === 'as')?.schema.enum ?? ['json'];
    const types = Object.keys(post.responses['200']?.content ?? {});
    const place = ['paths', path, 'post', 'responses'];
    for (const name of PLANS) {
      for (const form of forms) {
        const answer = await request.post(`${path}?as=${form}`, { headers, data: plan(name) });
        const type = answer.headers()['content-type']?.split(';')[0] ?? '';
        expect([200, 422], `${path} ${name}`).toContain(answer.status());
        const body: unknown = type.endsWith('json') ? await answer.json() : await answer.text();
        if (answer.status() === 200) expect(types, `${path} as ${form}`).toContain(type);
        expect(
          wrong([...place, String(answer.status()), 'content', type, 'schema'], body),
          `${path} ${name} as ${form}`,
        ).toBe('');
        asked += 1;
      }
    }
    const bad = await request.post(path, { headers, data: '{"format":"no plan"}' });
    expect(wrong([...place, '400', 'content', 'application/problem+json', 'schema'], await bad.json())).toBe('');
    const text = await request.post(path, { headers: { 'content-type': 'text/plain' }, data: 'no plan' });
    expect(wrong([...place, '415', 'content', 'application/problem+json', 'schema'], await text.json())).toBe('');
    const form = await request.post(`${path}?as=song`, { headers, data: plan('stairwell') });
    expect([form.status(), form.headers()['content-type']]).toEqual([400, 'application/problem+json']);
  }
  expect(asked).toBe(PLANS.length * 13);
});

test('the plans that ship are what the description asks for, and a bent one is not', async ({ request }) => {
  const { wrong } = await described(request);
  const place = ['paths', '/api/v1/verify', 'post', 'requestBody', 'content', 'application/json', 'schema'];
  for (const name of PLANS) expect(wrong(place, JSON.parse(plan(name))), name).toBe('');
  const bent = plan('stairwell').replace('"lifeYears": ', '"lifeYears": -');
  expect(bent).not.toBe(plan('stairwell'));
  expect(wrong(place, JSON.parse(bent))).not.toBe('');
});

test('what is got is what is described', async ({ request }) => {
  const { description, wrong } = await described(request);
  for (const [path, { get }] of Object.entries(description.paths)) {
    if (!get) continue;
    for (const of of get.parameters?.[0]?.schema.enum ?? ['']) {
      const answer = await request.get(path.replace('{of}', of));
      expect(answer.status(), path).toBe(200);
      const type = answer.headers()['content-type']?.split(';')[0] ?? '';
      const body: unknown = type.endsWith('json') ? await answer.json() : await answer.text();
      expect(wrong(['paths', path, 'get', 'responses', '200', 'content', type, 'schema'], body), path).toBe('');
    }
  }
});
