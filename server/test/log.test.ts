import { describe, expect, test } from '@jest/globals';
import type { LogEntry } from '@rough-bight/core/log';
import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { served } from './served.js';

const { http } = served();
const PATH = '/api/camps/sallow-ait/log';
const entry = (n: number): LogEntry => ({
  id: randomUUID(),
  at: new Date(Date.UTC(2026, 4, 1, 18, 0, n)).toISOString(),
  by: 'me',
  rig: 'landing-gable',
  what:
    n % 2 === 0 ? { kind: 'note', words: `note ${n}` } : { kind: 'timed', code: 'guy', took: 60 + n, expected: 240 },
});

describe('the log of a camp', () => {
  test('a hundred entries arrive once each and in their order, however often and in whatever pieces they are sent', async () => {
    const before = (await request(http()).get(PATH)).body as readonly LogEntry[];
    const all = Array.from({ length: 100 }, (_, i) => entry(i));
    const send = (entries: readonly LogEntry[]) => request(http()).post(PATH).send({ entries }).expect(200);
    expect((await send(all.slice(0, 40))).body).toEqual({ added: 40 });
    // the answer was lost: all of it again, and more
    expect((await send(all.slice(0, 70))).body).toEqual({ added: 30 });
    const [a, b] = await Promise.all([send(all), send(all)]);
    expect((a.body as { added: number }).added + (b.body as { added: number }).added).toBe(30);
    const { body } = await request(http()).get(PATH).expect(200);
    expect(body).toEqual([...before, ...all]);
  });

  test('what cannot be so is refused whole, with the place and what is allowed', async () => {
    const before = (await request(http()).get(PATH)).body as unknown;
    const bad = { ...entry(1), what: { kind: 'timed', code: 'guy', took: -3, expected: 240 } };
    const { body } = await request(http())
      .post(PATH)
      .send({ entries: [entry(2), bad] })
      .expect(422);
    expect(JSON.stringify(body)).toMatch(/time that it took/);
    expect((await request(http()).get(PATH)).body).toEqual(before);
    await request(http()).post('/api/camps/nowhere/log').send({ entries: [] }).expect(404);
  });
});
