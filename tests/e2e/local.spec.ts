import { request as ask } from 'node:http';
import { connect } from 'node:net';
import { networkInterfaces } from 'node:os';
import { expect, test } from '@playwright/test';

const paths = ['/api/local/machine', '/api/local/programs'] as const;

interface Answer {
  readonly status: number;
  readonly body: string;
  readonly headers: Readonly<Record<string, unknown>>;
}

/** Asks as a program can: with whatever headers it likes. */
const askRaw = (
  port: number,
  path: string,
  change: { readonly method?: string; readonly headers?: Record<string, string>; readonly body?: string } = {},
): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const sent = ask(
      {
        host: '127.0.0.1',
        port,
        path,
        method: change.method ?? 'GET',
        setHost: false,
        headers: { host: `127.0.0.1:${port}`, 'sec-fetch-site': 'same-origin', ...change.headers },
      },
      (answer) => {
        let body = '';
        answer.on('data', (part) => {
          body += part;
        });
        answer.on('end', () => resolve({ status: answer.statusCode ?? 0, body, headers: answer.headers }));
      },
    );
    sent.on('error', reject);
    sent.end(change.body);
  });

test('lets a page of ours read this computer, and tells nothing of whose it is', async ({ page, baseURL }) => {
  await page.goto('/');
  for (const path of paths) {
    const text = await page.evaluate(async (at) => {
      const answer = await fetch(at);
      return answer.ok ? answer.text() : `refused ${answer.status}`;
    }, path);
    expect(text).toMatch(/^\{/);
    for (const secret of [process.env.HOME, process.cwd(), process.env.PATH, baseURL])
      if (secret) expect(text).not.toContain(secret);
    expect(text).not.toMatch(/--\w|next start|server\.js/);
  }
});

test('refuses everybody else alike: 404, nothing in it, nothing to be kept', async ({ baseURL }) => {
  const port = Number(new URL(baseURL ?? '').port);
  const [path] = paths;
  const good = await askRaw(port, path);
  expect(good.status).toBe(200);
  expect([good.headers['cache-control'], good.headers['access-control-allow-origin']]).toEqual(['no-store', undefined]);
  const refused = await Promise.all([
    askRaw(port, path, { headers: { 'sec-fetch-site': 'cross-site' } }),
    askRaw(port, path, { headers: { 'sec-fetch-site': 'none' } }),
    askRaw(port, path, { headers: { origin: 'http://kiln.test' } }),
    askRaw(port, path, { headers: { host: 'kiln.test' } }),
    askRaw(port, path, { headers: { host: `kiln.test:${port}` } }),
    askRaw(port, path, { headers: { host: `0.0.0.0:${port}` } }),
    askRaw(port, `${path}?all=1`),
    askRaw(port, path, { headers: { 'content-length': '2' }, body: 'hi' }),
    ...['POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'].map((method) => askRaw(port, path, { method })),
    askRaw(port, path, { method: 'HEAD' }),
  ]);
  expect(refused.map(({ status, body }) => `${status} ${body}`)).toEqual(refused.map(() => '404 '));
  for (const { headers } of refused) expect(headers['access-control-allow-origin']).toBeUndefined();
});

test('is not there on the machine’s other addresses', async ({ baseURL }) => {
  const port = Number(new URL(baseURL ?? '').port);
  const others = Object.values(networkInterfaces())
    .flatMap((addresses) => addresses ?? [])
    .filter(({ internal, family }) => !internal && family === 'IPv4')
    .map(({ address }) => address);
  for (const host of [...others, '127.0.0.2']) {
    const outcome = await new Promise<string>((resolve) => {
      const socket = connect({ host, port, timeout: 3000 });
      socket.on('connect', () => resolve('connected'));
      socket.on('timeout', () => resolve('silent'));
      socket.on('error', (error) => resolve(Reflect.get(error, 'code')));
    });
    expect([host, outcome]).toEqual([host, 'ECONNREFUSED']);
  }
});

test('answers a flood from what it has', async ({ baseURL }) => {
  const port = Number(new URL(baseURL ?? '').port);
  const answers = await Promise.all(Array.from({ length: 300 }, (_, i) => askRaw(port, paths[i % 2] as string)));
  expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([200]));
  // All who ask about programs at once get the same look.
  const looks = new Set(
    answers.filter((_, i) => i % 2 === 1).map(({ body }) => JSON.stringify(JSON.parse(body).rows.length)),
  );
  expect(looks.size).toBeLessThanOrEqual(3);
});
