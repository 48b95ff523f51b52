import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import 'reflect-metadata';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { Server } from 'node:http';
import request from 'supertest';
import type { NetResult } from '@rough-bight/core/net';
import { openEmbedded } from '../src/db/database.js';
import type { Store } from '../src/db/database.js';
import { NetService } from '../src/net/net.service.js';
import { createApp } from '../src/web/create.js';

jest.setTimeout(120_000);

let store: Store;
let app: NestExpressApplication;
let http: Server;

beforeAll(async () => {
  // the thread runs what is built
  execFileSync('node', ['-e', "import('./scripts/build.mjs').then((m) => m.build(['core', 'server']))"], {
    cwd: join(import.meta.dirname, '../..'),
  });
  process.env['ROUGH_BIGHT_LOG'] = 'silent';
  store = await openEmbedded(null);
  app = await createApp(store);
  await app.listen(0, '127.0.0.1');
  http = app.getHttpServer() as Server;
});
afterAll(async () => {
  await app.close();
  await store.close();
});

const hung = {
  format: 'rough-bight/net@1',
  nodes: [
    { id: 'a', at: [0, 0, 0], fixed: true },
    { id: 'b', at: [0, 0, -1], load: [0, 0, -10] },
  ],
  lines: [{ id: 'l', from: 'a', to: 'b', restLength: 1, axialStiffness: 1000 }],
};
/** Long work: a heavy chain with a shaken start, close to the size limit. */
const heavy = {
  format: 'rough-bight/net@1',
  nodes: Array.from({ length: 900 }, (_, i) => ({
    id: `${i}`,
    at: [(i * 7) % 31, (i * 11) % 37, (i * 13) % 29],
    load: [0, 0, -1],
    fixed: i === 0 || i === 899,
  })),
  lines: Array.from({ length: 899 }, (_, i) => ({
    id: `${i}`,
    from: `${i}`,
    to: `${i + 1}`,
    restLength: 3,
    axialStiffness: 1e9,
  })),
};

describe('solving a net in a thread', () => {
  test('answers with the result, as the command line does', async () => {
    const { body } = await request(http).post('/api/nets/solve').send(hung).expect(200);
    const result = body as NetResult;
    expect(result.converged).toBe(true);
    expect(result.lines['l']!.tension).toBeCloseTo(10, 8);
    expect(result.nodes['a']!.reaction[2]).toBeCloseTo(10, 8);
  });

  test('names the id and the field that cannot be used', async () => {
    const { body } = await request(http)
      .post('/api/nets/solve')
      .send({ ...hung, lines: [{ ...hung.lines[0], restLength: -1 }] })
      .expect(422);
    expect(body).toMatchObject({
      code: 'invalid',
      message: 'line "l": restLength: -1; must be from 1e-9 to 10000000, m',
      fields: [{ field: 'line "l": restLength' }],
    });
  });

  test('the server goes on answering while a net is worked on, and work nobody waits for is stopped', async () => {
    const service = app.get(NetService);
    const stop = new AbortController();
    const long = service.solve(heavy, stop.signal);
    const ended = expect(long).rejects.toThrow('Stopped');
    await request(http).get('/api/health').expect(200);
    stop.abort();
    await ended;
    // the next one gets a fresh thread
    expect((await service.solve(hung, new AbortController().signal)).converged).toBe(true);
  });
});
