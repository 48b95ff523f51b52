import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { LiveDrill } from '@rough-bight/core/teach';
import { EventEmitter, once } from 'node:events';
import { get } from 'node:http';
import type { ClientRequest, IncomingMessage, Server } from 'node:http';
import { performance } from 'node:perf_hooks';
import request from 'supertest';
import { Classroom } from '../src/class/classroom.js';
import { newPassphrase } from '../src/class/passphrase.js';
import { Rate } from '../src/class/rate.js';
import type { Room } from '../src/class/room.js';
import { WORDS } from '../src/class/words.js';
import { openEmbedded } from '../src/db/database.js';
import type { Store } from '../src/db/database.js';
import { seed } from '../src/db/seed.js';
import { createApp } from '../src/web/create.js';

jest.setTimeout(120_000);
let store: Store;
let app: NestExpressApplication;
const classroom = new Classroom();
let room: Room;
beforeAll(async () => {
  process.env['ROUGH_BIGHT_LOG'] = 'silent';
  store = await openEmbedded(null);
  await seed(store);
  app = await createApp(store, classroom);
  await app.listen(0, '127.0.0.1');
  room = await classroom.open(store, { addresses: ['127.0.0.1'], port: 0 });
});
afterAll(async () => {
  await classroom.close();
  await app.close();
  await store.close();
});

const teacher = () => request(app.getHttpServer() as Server);
const at = (): string => room.addresses[0]!;
const host = (): string => at().replace('http://', '');
/** A phone: it names its page as a browser does. */
const phone = (cookie = '') => {
  const of = request(at());
  const with_ = <T extends request.Test>(r: T): T => {
    void r.set('Origin', at()).set('Content-Type', 'application/json');
    if (cookie !== '') void r.set('Cookie', cookie);
    return r;
  };
  return { get: (path: string) => with_(of.get(path)), post: (path: string) => with_(of.post(path)) };
};
const cookieOf = (r: request.Response): string => (r.headers['set-cookie'] as unknown as string[])[0]!;
async function joined(name: string): Promise<string> {
  const r = await phone().post('/api/join').send({ code: room.code, passphrase: room.passphrase, name }).expect(200);
  return cookieOf(r).split(';')[0]!;
}
const drill = (truth = 240): LiveDrill => ({
  camp: 'sallow-ait',
  rig: 'hammock-fly',
  name: 'Hammock fly',
  kind: 'pull',
  seed: 5,
  facts: { line: 'ridgeline', span: 6, sag: 0.2, hung: 1.5 },
  truths: null,
  asked: {
    form: 'number',
    limit: { name: 'pull', quantity: 'force', min: 1, max: 20_000 },
    whole: false,
    truth,
  },
  shown: { picture: { width: 640, height: 200, strokes: [] }, upright: 3, hand: null },
  after: { width: 640, height: 200, strokes: [] },
});
const ask = (truth?: number) =>
  teacher()
    .post('/api/class/ask')
    .send({ drill: drill(truth) })
    .expect(200);
/** Listens as a page does; what it hears comes as it is sent. */
async function listening(cookie: string): Promise<{ readonly heard: EventEmitter; readonly stop: () => void }> {
  const heard = new EventEmitter();
  const asked: ClientRequest = get(`${at()}/api/join/events`, { headers: { cookie, host: host() } });
  const [response] = (await once(asked, 'response')) as [IncomingMessage];
  response.on('data', (chunk: Buffer) => heard.emit('data', chunk.toString()));
  response.on('error', () => undefined);
  return { heard, stop: () => asked.destroy() };
}

describe('off unless asked for', () => {
  test('without --class there is none, and it is said how to open one', async () => {
    const other = await createApp(store);
    await other.listen(0, '127.0.0.1');
    try {
      const http = request(other.getHttpServer() as Server);
      expect((await http.get('/api/class').expect(200)).body).toEqual({ on: false });
      const { body } = await http.post('/api/class/ask').send({ drill: drill() }).expect(404);
      expect((body as { message: string }).message).toContain('npm start -- --class');
    } finally {
      await other.close();
    }
  });
  test('no word or code is the same each time, and words are all different', () => {
    expect(new Set(WORDS).size).toBe(256);
    const many = Array.from({ length: 200 }, newPassphrase);
    expect(new Set(many).size).toBe(200);
    for (const p of many) expect(p.split(' ').every((w) => WORDS.includes(w))).toBe(true);
  });
});

describe('who may come in', () => {
  test('whoever knows code and words; the cookie is no script’s and no other site’s', async () => {
    const r = await phone()
      .post('/api/join')
      .send({ code: room.code, passphrase: ` ${room.passphrase.toUpperCase()} `, name: 'Reed' })
      .expect(200);
    const cookie = cookieOf(r);
    expect(cookie).toMatch(/HttpOnly/i);
    expect(cookie).toMatch(/SameSite=Strict/i);
    expect(cookie.split(';')[0]!.length).toBeGreaterThan(40);
    expect((r.body as { name: string }).name).toBe('Reed');
    // a learner of the camp from now on
    const camp = (await teacher().get('/api/camps/sallow-ait').expect(200)).body as { learners: { name: string }[] };
    expect(camp.learners.map((l) => l.name)).toContain('Reed');
  });
  test('a known name is the learner it was', async () => {
    await joined('ALDER');
    const camp = (await teacher().get('/api/camps/sallow-ait').expect(200)).body as {
      learners: { id: string; name: string }[];
    };
    expect(camp.learners.filter((l) => l.name.toLowerCase() === 'alder')).toHaveLength(1);
    expect(room.view().learners.map((l) => l.id)).toContain('alder');
  });
  test('a wrong passphrase a thousand times lets nobody in, is soon not even looked at, and others come in meanwhile', async () => {
    const own = new Classroom();
    const other = await own.open(store, { addresses: ['127.0.0.1'], port: 0 });
    try {
      const base = other.addresses[0]!;
      const statuses = new Map<number, number>();
      const tries = Array.from({ length: 1000 }, (_, i) => i);
      while (tries.length > 0) {
        const some = tries.splice(0, 50);
        const answers = await Promise.all(
          some.map((i) =>
            request(base)
              .post('/api/join')
              .set('Origin', base)
              .send({ code: other.code, passphrase: `acorn acorn acorn ${WORDS[i % 256]}x`, name: `n${i}` }),
          ),
        );
        for (const a of answers) {
          statuses.set(a.status, (statuses.get(a.status) ?? 0) + 1);
          expect(a.headers['set-cookie']).toBeUndefined();
        }
      }
      expect(statuses.get(403)).toBe(5);
      expect(statuses.get(429)).toBe(995);
      // even the right one waits, from there
      const late = await request(base)
        .post('/api/join')
        .set('Origin', base)
        .send({ code: other.code, passphrase: other.passphrase, name: 'Late' })
        .expect(429);
      expect((late.body as { message: string }).message).toMatch(/Wait \d+ s/);
      // from another address it does not
      await expect(
        other.join({ code: other.code, passphrase: other.passphrase, name: 'Elsewhere' }, '192.0.2.7'),
      ).resolves.toBeTruthy();
    } finally {
      await own.close();
    }
  });
  test('a forged cookie, none, and one of a class that is over are refused', async () => {
    const own = await joined('Forger');
    for (const cookie of [
      '',
      'rb_class=',
      `rb_class=${'A'.repeat(43)}`,
      `${own}x`,
      own.slice(0, -1),
      `other=${own.slice(9)}`,
    ])
      await phone(cookie).get('/api/join/state').expect(403);
    await phone(own).get('/api/join/state').expect(200);
    await phone(own).post('/api/join/leave').expect(200);
    await phone(own).get('/api/join/state').expect(403);
  });
  test('two cannot be here by one name', async () => {
    const cookie = await joined('Twin');
    const { stop } = await listening(cookie);
    await phone().post('/api/join').send({ code: room.code, passphrase: room.passphrase, name: 'twin' }).expect(409);
    stop();
  });
});

describe('what a learner cannot reach', () => {
  test('the instructor’s requests are not served there at all, with a cookie or without', async () => {
    const cookie = await joined('Curious');
    for (const path of [
      '/api/class',
      '/api/class/events',
      '/api/camps',
      '/api/camps/sallow-ait',
      '/api/camps/sallow-ait/log',
      '/api/people',
      '/api/health',
      '/api/docs',
    ])
      for (const who of [cookie, '']) expect([path, (await phone(who).get(path)).status]).toEqual([path, 404]);
    for (const path of [
      '/api/class/ask',
      '/api/class/show',
      '/api/class/close',
      '/api/class/rigs',
      '/api/camps/sallow-ait/log',
    ])
      expect([path, (await phone(cookie).post(path).send({})).status]).toEqual([path, 404]);
    expect((await phone(cookie).get('/../package.json')).status).toBe(404);
  });
  test('another Host, another page’s Origin, and a change that names no page are refused', async () => {
    const cookie = await joined('Foreign');
    const state = (headers: Readonly<Record<string, string>>) =>
      request(at()).get('/api/join/state').set('Cookie', cookie).set(headers);
    expect((await state({ Host: 'rebound.example' })).status).toBe(403);
    expect((await state({ Origin: 'http://evil.example' })).status).toBe(403);
    expect((await state({ Origin: 'null' })).status).toBe(403);
    expect((await state({})).status).toBe(200);
    const join = (headers: Readonly<Record<string, string>>) =>
      request(at()).post('/api/join').set(headers).send({ code: room.code, passphrase: room.passphrase, name: 'x' });
    expect((await join({})).status).toBe(403);
    expect((await join({ Origin: 'http://evil.example' })).status).toBe(403);
    // and this machine's own part answers no class
    await teacher().get('/api/camps').set('Host', host().replace('127.0.0.1', '192.0.2.2')).expect(403);
    await teacher().post('/api/join').send({}).expect(404);
  });
  test('a body that is not well-formed, or too large, is refused as it is everywhere', async () => {
    const cookie = await joined('Garbled');
    const post = (body: string) => phone(cookie).post('/api/join/guess').send(body);
    expect((await post('{"round":')).status).toBe(400);
    expect((await post(JSON.stringify({ round: 1, said: 'a\u0000b', sure: 0.5 }))).status).toBe(422);
    expect((await post(JSON.stringify({ round: 1, said: 'x'.repeat(30_000), sure: 0.5 }))).status).toBe(413);
    expect((await post(JSON.stringify({ round: 1, said: 5, sure: 0.5, role: 'teacher' }))).status).toBe(422);
  });
  test('the truth is in nothing that is sent before it is shown', async () => {
    const cookie = await joined('Peeker');
    await ask(777.25);
    const state = await phone(cookie).get('/api/join/state').expect(200);
    expect(JSON.stringify(state.body)).not.toContain('777.25');
    expect(JSON.stringify(state.body)).not.toMatch(/"truth":(?!null)|"truths"|"seed"|"after"/);
    await phone(cookie).post('/api/join/guess').send({ round: room.view().round, said: 500, sure: 0.7 }).expect(200);
    await teacher().post('/api/class/show').expect(200);
    expect(JSON.stringify((await phone(cookie).get('/api/join/state')).body)).toContain('777.25');
  });
  test('a card is served only while it is shared, as a page without scripts', async () => {
    const cookie = await joined('Reader');
    await phone(cookie).get('/api/join/rigs/mess-roof').expect(404);
    await teacher()
      .post('/api/class/rigs')
      .send({ id: 'mess-roof', name: 'Mess roof', html: '<p>card</p>' })
      .expect(200);
    const r = await phone(cookie).get('/api/join/rigs/mess-roof').expect(200);
    expect(r.text).toBe('<p>card</p>');
    expect(r.headers['content-security-policy']).toMatch(/default-src 'none'.*sandbox/);
    await phone('').get('/api/join/rigs/mess-roof').expect(403);
    await teacher().delete('/api/class/rigs/mess-roof').expect(200);
    await phone(cookie).get('/api/join/rigs/mess-roof').expect(404);
  });
});

describe('a round', () => {
  test('guesses come in, are seen before the truth without their names among learners, and are kept in the log once', async () => {
    const names = ['One', 'Two', 'Three'];
    const cookies = await Promise.all(names.map(joined));
    await ask(240);
    const { round } = room.view();
    const guess = (cookie: string, said: unknown, of = round) =>
      phone(cookie).post('/api/join/guess').send({ round: of, said, sure: 0.9 });
    await guess(cookies[0]!, 250).expect(200);
    await guess(cookies[1]!, 900).expect(200);
    // thought better of
    await guess(cookies[0]!, 260).expect(200);
    // no answer to this question
    await guess(cookies[2]!, 'hitch').expect(422);
    await guess(cookies[2]!, [1, 2]).expect(422);
    await guess(cookies[2]!, 1e5).expect(422);
    await guess(cookies[2]!, 240, round - 1).expect(409);
    const { body } = await teacher().get('/api/class').expect(200);
    const view = body as ReturnType<Room['view']>;
    expect(view.guesses.map((g) => g.said).sort()).toEqual([260, 900]);
    expect(view.learners.filter((l) => l.said)).toHaveLength(2);
    const before = ((await teacher().get('/api/camps/sallow-ait/log')).body as unknown[]).length;
    await teacher().post('/api/class/show').expect(200);
    await teacher().post('/api/class/show').expect(409);
    const log = (await teacher().get('/api/camps/sallow-ait/log')).body as {
      by: string;
      what: { kind: string; near: boolean; error: number };
    }[];
    expect(log).toHaveLength(before + 2);
    const [a, b] = log.slice(-2).sort((x, y) => x.what.error - y.what.error);
    expect([a!.what.near, b!.what.near]).toEqual([true, false]);
    expect(a!.what.error).toBeCloseTo(Math.log(260 / 240), 9);
    // too late
    await guess(cookies[2]!, 240).expect(409);
    const shown = (await phone(cookies[2]!).get('/api/join/state')).body as { truth: { all: number[] }; mine: unknown };
    expect(shown.truth.all.sort()).toEqual([260, 900]);
    expect(shown.mine).toBeNull();
  });
  test('more than a hand asks is held back', async () => {
    const cookie = await joined('Hasty');
    const answers: number[] = [];
    for (let k = 0; k < 60; k++) answers.push((await phone(cookie).get('/api/join/state')).status);
    expect(answers.filter((s) => s === 200)).toHaveLength(40);
    expect(answers.filter((s) => s === 429)).toHaveLength(20);
  });
  test('forty phones answer at once, one of them leaves in mid-answer, and all others are told what is true', async () => {
    const own = new Classroom();
    const forty = await own.open(store, { addresses: ['127.0.0.1'], port: 0 });
    const base = forty.addresses[0]!;
    const post = (path: string, cookie: string, body: object) =>
      request(base).post(path).set('Origin', base).set('Cookie', cookie).send(body);
    try {
      // each from an address of its own, as phones are
      const tokens = await Promise.all(
        Array.from({ length: 40 }, (_, k) =>
          forty.join({ code: forty.code, passphrase: forty.passphrase, name: `Phone ${k}` }, `192.0.2.${k}`),
        ),
      );
      const cookies = tokens.map((t) => `rb_class=${t}`);
      // all at once, and each is written down
      const { body } = await teacher().get('/api/camps/sallow-ait').expect(200);
      const known = (body as { learners: { name: string }[] }).learners.map((l) => l.name);
      for (let k = 0; k < 40; k++) expect(known).toContain(`Phone ${k}`);
      const ears = await Promise.all(
        cookies.map(async (cookie) => {
          const asked = get(`${base}/api/join/events`, { headers: { cookie } });
          const [response] = (await once(asked, 'response')) as [IncomingMessage];
          let text = '';
          response.on('data', (chunk: Buffer) => (text += chunk.toString()));
          response.on('error', () => undefined);
          return { heard: () => text, stop: () => asked.destroy() };
        }),
      );
      await forty.ask(drill(300));
      expect(forty.view().learners.filter((l) => l.here)).toHaveLength(40);
      const { round } = forty.view();
      const took: number[] = [];
      await Promise.all(
        cookies.map(async (cookie, k) => {
          if (k === 7) {
            // its page goes while its answer is on its way
            ears[7]!.stop();
            const sent = post('/api/join/guess', cookie, { round, said: 100, sure: 0.5 });
            sent.abort();
            return;
          }
          const since = performance.now();
          await post('/api/join/guess', cookie, { round, said: 100 + 10 * k, sure: 0.7 }).expect(200);
          took.push(performance.now() - since);
        }),
      );
      took.sort((a, b) => a - b);
      console.log(`forty at once: middle ${Math.round(took[20]!)} ms, slowest ${Math.round(took.at(-1)!)} ms`);
      await forty.show();
      await new Promise((done) => setTimeout(done, 300));
      expect(forty.view().guesses.length).toBeGreaterThanOrEqual(39);
      expect(forty.view().learners.filter((l) => l.here)).toHaveLength(39);
      ears.forEach((e, k) => {
        if (k !== 7) expect(e.heard()).toContain('"phase":"shown"');
        e.stop();
      });
    } finally {
      await own.close();
    }
  });
  test('closed, everybody is out and the address answers no more', async () => {
    const own = new Classroom();
    const shut = await own.open(store, { addresses: ['127.0.0.1'], port: 0 });
    const base = shut.addresses[0]!;
    const token = await shut.join({ code: shut.code, passphrase: shut.passphrase, name: 'Last' }, 'x');
    await request(base).get('/api/join/state').set('Cookie', `rb_class=${token}`).expect(200);
    await own.close();
    expect(shut.sessions.of(token)).toBeNull();
    await expect(request(base).get('/')).rejects.toThrow();
  });
});

describe('a rate', () => {
  test('so many within so long, by whoever it is, and no more memory than it needs', () => {
    let now = 0;
    const rate = new Rate(3, 10, () => now);
    for (let k = 0; k < 3; k++) {
      expect(rate.wait('a')).toBe(0);
      rate.count('a');
      now += 1000;
    }
    expect(rate.wait('a')).toBe(7);
    expect(rate.wait('b')).toBe(0);
    now = 10_001;
    expect(rate.wait('a')).toBe(0);
    for (let k = 0; k < 20_000; k++) rate.count(`x${k}`);
    expect((rate as unknown as { seen: Map<string, unknown> }).seen.size).toBeLessThanOrEqual(5000);
  });
});
