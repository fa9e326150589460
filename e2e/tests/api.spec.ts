import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';

const plan = (name: string) => readFileSync(new URL(`../../catalogue/plans/${name}.json`, import.meta.url), 'utf8');
const json = { 'content-type': 'application/json' };

test('POST /api/v1/verify answers with the report', async ({ request }) => {
  const open = await request.post('/api/v1/verify', { headers: json, data: plan('cupboard-first-draft') });
  expect(open.status()).toBe(200);
  const report = (await open.json()) as {
    status: string;
    fingerprint: string;
    findings: { check: string; remedies: unknown[] }[];
  };
  expect(report.status).toBe('open');
  expect(report.findings.find(({ check }) => check === 'bus/address-collision')?.remedies.length).toBeGreaterThan(0);
  const good = await request.post('/api/v1/verify', { headers: json, data: plan('cupboard-verified') });
  expect(((await good.json()) as { status: string }).status).toBe('verified');
});

test('a bad body gets 400 with every problem and its path', async ({ request }) => {
  const bad = plan('cupboard-verified')
    .replace('"min": 3.234', '"min": 33')
    .replace('"lifeYears": 2', '"lifeYears": -2');
  const answer = await request.post('/api/v1/verify', { headers: json, data: bad });
  expect(answer.status()).toBe(400);
  expect(answer.headers()['content-type']).toBe('application/problem+json');
  const body = (await answer.json()) as {
    title: string;
    status: number;
    problems: { path: string; message: string }[];
  };
  expect(body).toMatchObject({ title: 'Bad Request', status: 400 });
  expect(body.problems.map(({ path }) => path)).toEqual(expect.arrayContaining(['/plan/lifeYears']));
  expect(body.problems.length).toBeGreaterThan(1);
  expect((await request.post('/api/v1/verify', { headers: json, data: '{"cut' })).status()).toBe(400);
});

test('a wrong type gets 415, too large 413, another method 405', async ({ request }) => {
  const type = await request.post('/api/v1/verify', { headers: { 'content-type': 'text/plain' }, data: 'x' });
  expect([type.status(), type.headers()['content-type']]).toEqual([415, 'application/problem+json']);
  const large = await request.post('/api/v1/verify', { headers: json, data: `"${'x'.repeat(8_100_000)}"` });
  expect([large.status(), large.headers()['content-type']]).toEqual([413, 'application/problem+json']);
  expect((await request.get('/api/v1/verify')).status()).toBe(405);
});

test('schemas and health', async ({ request }) => {
  for (const of of ['card', 'plan']) {
    const answer = await request.get(`/api/v1/schema/${of}`);
    expect(answer.status()).toBe(200);
    expect(await answer.json()).toHaveProperty('type', 'object');
  }
  expect((await request.get('/api/v1/schema/spoon')).status()).toBe(404);
  const health = await request.get('/healthz');
  expect([health.status(), await health.text()]).toEqual([200, 'ok\n']);
});

test('mend, wiring, parts and drawing answer in each of their forms', async ({ request }) => {
  const post = (path: string, name: string) => request.post(`/api/v1/${path}`, { headers: json, data: plan(name) });
  const mended = (await (await post('mend', 'cupboard-first-draft')).json()) as {
    status: string;
    changes: unknown[];
    left: unknown[];
    file: object;
  };
  expect(mended.status).toMatch(/^(verified|unread)$/);
  expect(mended.changes.length).toBeGreaterThan(0);
  expect(mended.left).toEqual([]);
  // What it gives is a file that is read, and is as it says.
  const again = await request.post('/api/v1/verify', { headers: json, data: JSON.stringify(mended.file) });
  expect(((await again.json()) as { status: string }).status).toBe(mended.status);
  for (const [path, type] of [
    ['wiring', 'application/json'],
    ['wiring?as=csv', 'text/csv; charset=utf-8'],
    ['wiring?as=svg', 'image/svg+xml'],
    ['parts', 'application/json'],
    ['parts?as=csv', 'text/csv; charset=utf-8'],
    ['drawing', 'application/json'],
    ['drawing?as=svg', 'image/svg+xml'],
    ['settings', 'application/json'],
    ['settings?as=c', 'text/x-c; charset=utf-8'],
    ['settings?as=python', 'text/x-python; charset=utf-8'],
    ['settings?as=overlay', 'text/x-devicetree-source; charset=utf-8'],
  ] as const) {
    const answer = await post(path, 'cupboard-verified');
    expect([path, answer.status(), answer.headers()['content-type']]).toEqual([path, 200, type]);
    expect((await answer.text()).length).toBeGreaterThan(100);
  }
  expect((await post('parts?as=spoons', 'cupboard-verified')).status()).toBe(400);
});
