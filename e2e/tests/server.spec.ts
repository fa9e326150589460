/** The server under load and at its end: heavy work is beside it, bounded in time and number, and stops with whoever asked. */
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { request, type IncomingMessage } from 'node:http';
import { connect } from 'node:net';
import { expect, test } from '@playwright/test';

interface Plan {
  plan: { parts: { id: string; card: string }[] };
}
const draft = readFileSync(new URL('../../catalogue/plans/cupboard-first-draft.json', import.meta.url), 'utf8');
/** A plan that takes far longer than a request may. */
function heavy(): string {
  const file = JSON.parse(draft) as Plan;
  const part = file.plan.parts.find(({ card }) => card.includes('sedge')) ?? file.plan.parts[0];
  const more = Array.from({ length: 200 }, (_, i) => ({ ...part, id: `x${i}` })) as Plan['plan']['parts'];
  file.plan.parts = [...file.plan.parts, ...more];
  return JSON.stringify(file);
}

class Server {
  private constructor(
    readonly process: ChildProcess,
    readonly port: number,
  ) {}

  static async start(seconds: number): Promise<Server> {
    const server = spawn(process.execPath, ['../web/server.mjs'], {
      env: {
        ...process.env,
        // Any that is free.
        PORT: '0',
        HOST: '127.0.0.1',
        BODY_SIZE_LIMIT: 'Infinity',
        IDLE_JOB_SECONDS: String(seconds),
      },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    const [said] = (await once(server.stdout, 'data')) as [Buffer];
    return new Server(server, Number(/localhost:(\d+)/.exec(String(said))?.[1]));
  }

  ask(
    method: string,
    path: string,
    body?: string,
  ): Promise<{ status: number; headers: IncomingMessage['headers']; text: string }> {
    return new Promise((answer, fail) => {
      const asked = request(
        { port: this.port, method, path, headers: body === undefined ? {} : { 'content-type': 'application/json' } },
        (response) => {
          let text = '';
          response.on('data', (chunk) => (text += String(chunk)));
          response.on('end', () => answer({ status: response.statusCode ?? 0, headers: response.headers, text }));
        },
      );
      asked.on('error', fail);
      asked.end(body);
    });
  }

  async end(): Promise<number | null> {
    const ended = once(this.process, 'exit') as Promise<[number | null]>;
    this.process.kill('SIGTERM');
    return (await ended)[0];
  }
}

test('what takes too long is refused in its time, and the server answers all the while', async () => {
  const server = await Server.start(4);
  const order: string[] = [];
  const long = server.ask('POST', '/api/v1/verify', heavy()).then((answer) => {
    order.push('job');
    return answer;
  });
  const health = await server.ask('GET', '/healthz');
  order.push('health');
  expect(health.text).toBe('ok\n');
  const answer = await long;
  expect(order).toEqual(['health', 'job']);
  expect(answer.status).toBe(422);
  expect(answer.text).toContain('not worked out within 4 s');
  // The thread that it had is free for others.
  expect((await server.ask('POST', '/api/v1/drawing', draft)).status).toBe(200);
  expect(await server.end()).toBe(0);
});

test('more than can be waited for is sent away with a time to come back; who hangs up is not worked for', async () => {
  const server = await Server.start(60);
  const gone = Array.from({ length: 3 }, () => {
    const asked = request({
      port: server.port,
      method: 'POST',
      path: '/api/v1/verify',
      headers: { 'content-type': 'application/json' },
    });
    asked.on('error', () => undefined);
    asked.end(heavy());
    return asked;
  });
  await new Promise((done) => setTimeout(done, 1500));
  for (const asked of gone) asked.destroy();
  // Each of them would have taken a minute.
  expect((await server.ask('POST', '/api/v1/drawing', draft)).status).toBe(200);
  const all = await Promise.all(Array.from({ length: 60 }, () => server.ask('POST', '/api/v1/drawing', draft)));
  const away = all.filter(({ status }) => status === 429);
  expect(away.length).toBeGreaterThan(0);
  expect(all.filter(({ status }) => status === 200).length + away.length).toBe(60);
  for (const { headers } of away) expect(Number(headers['retry-after'])).toBeGreaterThan(0);
  expect(await server.end()).toBe(0);
});

test('what is under way when the end is asked for is finished', async () => {
  const server = await Server.start(60);
  // The first job waits for the program to be read by its thread.
  const answer = server.ask('POST', '/api/v1/verify', draft);
  await new Promise((done) => setTimeout(done, 300));
  const code = server.end();
  expect((await answer).status).toBe(200);
  expect(await code).toBe(0);
});

test('a sender that is too slow is dropped', async () => {
  const server = await Server.start(4);
  const socket = connect(server.port, '127.0.0.1');
  socket.on('error', () => undefined);
  socket.write('POST /api/v1/verify HTTP/1.1\r\nhost: x\r\n');
  let said = '';
  socket.on('data', (chunk) => (said += String(chunk)));
  await once(socket, 'close');
  expect(said).toContain('408');
  expect(await server.end()).toBe(0);
});

test('a body that is too large gets its 413, also in pieces of unknown length', async () => {
  const server = await Server.start(4);
  const answer = await new Promise<IncomingMessage>((done, fail) => {
    const asked = request(
      {
        port: server.port,
        method: 'POST',
        path: '/api/v1/verify',
        headers: { 'content-type': 'application/json', 'transfer-encoding': 'chunked' },
      },
      done,
    );
    asked.on('error', fail);
    for (let i = 0; i < 9; i++) asked.write('x'.repeat(1_000_000));
    asked.end();
  });
  expect(answer.statusCode).toBe(413);
  expect(await server.end()).toBe(0);
});

test('every answer is marked, and the page may not be framed', async () => {
  const server = await Server.start(4);
  const page = await server.ask('GET', '/');
  for (const { headers } of [
    page,
    await server.ask('GET', '/healthz'),
    await server.ask('GET', '/service-worker.js'),
  ]) {
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['referrer-policy']).toBe('no-referrer');
    expect(headers['cross-origin-opener-policy']).toBe('same-origin');
    expect(headers['permissions-policy']).toContain('camera=()');
  }
  const policy = String(page.headers['content-security-policy']);
  expect(policy).toContain("frame-ancestors 'none'");
  expect(policy).toMatch(/style-src-elem 'self'(?! 'unsafe-inline')/);
  expect((await server.ask('GET', '/readyz')).text).toBe('ready\n');
  expect(await server.end()).toBe(0);
});
