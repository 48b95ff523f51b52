import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import 'reflect-metadata';
import type { NestExpressApplication } from '@nestjs/platform-express';
import fc from 'fast-check';
import type { Server } from 'node:http';
import request from 'supertest';
import type { RidgeRig } from '@rough-bight/core/rig';
import { openEmbedded } from '../src/db/database.js';
import type { Store } from '../src/db/database.js';
import { readDemo, seed } from '../src/db/seed.js';
import { createApp } from '../src/web/create.js';

jest.setTimeout(60_000);

let store: Store;
let app: NestExpressApplication;
let http: Server;
const demo = readDemo();
const rig = demo.rigs[0]!.rig;
const body = (document: unknown, version = 1): object => ({ name: 'Landing gable', note: '', document, version });

beforeAll(async () => {
  process.env['ROUGH_BIGHT_LOG'] = 'silent';
  store = await openEmbedded(null);
  await seed(store);
  app = await createApp(store);
  await app.listen(0, '127.0.0.1');
  http = app.getHttpServer() as Server;
});
afterAll(async () => {
  await app.close();
  await store.close();
});

const stored = async (id = 'landing-gable'): Promise<{ version: number; document: RidgeRig; name: string }> =>
  (await request(http).get(`/api/rigs/${id}`).expect(200)).body as {
    version: number;
    document: RidgeRig;
    name: string;
  };

describe('reading', () => {
  test('health is 200 once ready', async () => {
    const { body: health } = await request(http).get('/api/health').expect(200);
    expect(health).toMatchObject({ status: 'ok' });
  });

  test('the demo camp has its kit and rigs, in order; seeding twice changes nothing', async () => {
    expect(await seed(store)).toBe(false);
    const { body: camp } = await request(http).get('/api/camps/sallow-ait').expect(200);
    expect(camp.kit.map((k: { id: string }) => k.id)).toEqual(demo.kit.map((k) => k.id));
    expect(camp.rigs.map((r: { name: string }) => r.name)).toEqual(demo.rigs.map((r) => r.name));
    // whose paces they are is said, so that another’s never stand in
    expect(camp.rigs[0].document).toMatchObject(rig);
    expect(camp.rigs[0].document.span.by).toMatchObject({ id: 'me', pace: demo.person.body.pace });
  });

  test('what is not there is a problem with a way back', async () => {
    for (const path of ['/api/camps/none', '/api/rigs/none', '/api/rigs/none/revisions', '/api/nothing'])
      expect((await request(http).get(path).expect(404)).body).toMatchObject({ code: 'not-found', fields: [] });
  });

  test('the API describes itself', async () => {
    const { body: doc } = await request(http).get('/api/docs-json').expect(200);
    expect(Object.keys(doc.paths)).toEqual(
      expect.arrayContaining(['/api/rigs/{id}', '/api/camps/{id}', '/api/people/{id}']),
    );
    const { document } = doc.components.schemas.SaveRigDto.properties;
    expect(document.properties.span.properties.tape).toMatchObject({
      minimum: 0.5,
      maximum: 60,
      description: 'span m',
    });
  });
});

describe('saving a rig', () => {
  test('rigs are listed in the order a person sets, and not where the list has changed meanwhile', async () => {
    const listed = async (): Promise<string[]> => {
      const { body } = await request(http).get('/api/camps/sallow-ait').expect(200);
      return body.rigs.map((r: { id: string }) => r.id);
    };
    const before = await listed();
    const order = [...before.slice(3), ...before.slice(0, 3)];
    await request(http).put('/api/camps/sallow-ait/rigs-order').send({ ids: order }).expect(204);
    expect(await listed()).toEqual(order);
    const { body } = await request(http)
      .put('/api/camps/sallow-ait/rigs-order')
      .send({ ids: order.with(0, order[1]!) })
      .expect(409);
    expect(body.message).toMatch(/The list has changed since/);
    await request(http)
      .put('/api/camps/sallow-ait/rigs-order')
      .send({ ids: [1] })
      .expect(422);
    expect(await listed()).toEqual(order);
    await request(http).put('/api/camps/sallow-ait/rigs-order').send({ ids: before }).expect(204);
    expect(await listed()).toEqual(before);
  });

  test('a save raises the version, is there again, and leaves a revision', async () => {
    const before = await stored();
    const next = { ...before.document, groundRise: 0.2 };
    const { body: saved } = await request(http)
      .put('/api/rigs/landing-gable')
      .send(body(next, before.version))
      .expect(200);
    expect(saved).toMatchObject({ version: before.version + 1, document: next });
    const { body: revisions } = await request(http).get('/api/rigs/landing-gable/revisions').expect(200);
    expect(revisions.map((r: { version: number }) => r.version)).toEqual([before.version + 1, before.version]);
  });

  test('a version is called something, is had as it was, and stays when older saves are let go', async () => {
    const first = await stored();
    const at = `/api/rigs/landing-gable/revisions/${first.version}`;
    await request(http).put(at).send({ called: 'before the storm' }).expect(204);
    await request(http)
      .put('/api/rigs/landing-gable')
      .send(body({ ...first.document, groundRise: 0.15 }, first.version))
      .expect(200);
    const { body: was } = await request(http).get(at).expect(200);
    expect(was).toMatchObject({ version: first.version, called: 'before the storm', document: first.document });
    const { body: listed } = await request(http).get('/api/rigs/landing-gable/revisions').expect(200);
    expect(listed[0]).toMatchObject({ version: first.version + 1, called: '' });
    expect(listed[1]).toMatchObject({ version: first.version, called: 'before the storm' });
    await request(http).get('/api/rigs/landing-gable/revisions/9999').expect(404);
    await request(http).put('/api/rigs/landing-gable/revisions/9999').send({ called: 'x' }).expect(404);
    await request(http)
      .put(at)
      .send({ called: 'x'.repeat(81) })
      .expect(422);
    // many saves later
    let version = first.version + 1;
    for (let k = 0; k < 305; k++)
      ({
        body: { version },
      } = await request(http)
        .put('/api/rigs/landing-gable')
        .send(body({ ...first.document, groundRise: k % 2 === 0 ? 0.1 : 0.2 }, version))
        .expect(200));
    const { body: kept } = await request(http).get('/api/rigs/landing-gable/revisions').expect(200);
    expect(kept).toHaveLength(301);
    expect(kept.at(-1)).toMatchObject({ version: first.version, called: 'before the storm' });
    await request(http).put('/api/rigs/landing-gable').send(body(first.document, version)).expect(200);
  });

  test('what was left at home is kept with the rig', async () => {
    const before = await stored();
    const next = { ...before.document, home: ['manila', 'bungee'] };
    await request(http).put('/api/rigs/landing-gable').send(body(next, before.version)).expect(200);
    expect((await stored()).document.home).toEqual(['manila', 'bungee']);
    await request(http)
      .put('/api/rigs/landing-gable')
      .send(body(before.document, before.version + 1))
      .expect(200);
    expect((await stored()).document).not.toHaveProperty('home');
  });

  test('a save made from an older version is told so, and changes nothing', async () => {
    const now = await stored();
    const { body: problem } = await request(http)
      .put('/api/rigs/landing-gable')
      .send(body({ ...rig, sway: 0.3 }, now.version - 1))
      .expect(409);
    expect(problem).toMatchObject({ code: 'conflict', current: { version: now.version, name: now.name } });
    expect(await stored()).toEqual(now);
  });

  test('of many saves made at once from one version, one is stored', async () => {
    const now = await stored();
    const answers = await Promise.all(
      [0, 1, 2, 3, 4].map((i) =>
        request(http)
          .put('/api/rigs/landing-gable')
          .send(body({ ...rig, sway: i / 100 }, now.version)),
      ),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409, 409, 409, 409]);
    expect((await stored()).version).toBe(now.version + 1);
  });

  test.each<[string, (r: RidgeRig) => unknown, RegExp]>([
    ['document.span.tape', (r) => ({ ...r, span: { ...r.span, tape: -1 } }), /span must be a number from 0\.5 to 60 m/],
    ['document.span.tape', (r) => ({ ...r, span: { ...r.span, tape: '6' } }), /span must be a number/],
    ['document.home', (r) => ({ ...r, home: 'manila' }), /must be a list/],
    ['document.home.0', (r) => ({ ...r, home: [7] }), /left at home’s id must be text/],
    ['document.home', (r) => ({ ...r, home: Array.from({ length: 201 }, (_, i) => `c${i}`) }), /At most 200 things/],
    ['document.span.how', (r) => ({ ...r, span: { ...r.span, how: 'guess' } }), /one of tape, paces/],
    ['document.trunks', (r) => ({ ...r, trunks: [r.trunks[0]] }), /list of two/],
    ['document.trunks.1.girth', (r) => ({ ...r, trunks: [r.trunks[0], { ...r.trunks[1], girth: null }] }), /girth/],
    [
      'document.trunks.0.wood',
      (r) => ({ ...r, trunks: [{ ...r.trunks[0], wood: 'balsa' }, r.trunks[1]] }),
      /wood must be one of/,
    ],
    ['document.ends.0.wraps', (r) => ({ ...r, ends: [{ ...r.ends[0], wraps: 1.5 }, r.ends[1]] }), /whole number/],
    ['document.tensioning', (r) => ({ ...r, tensioning: 7 }), /object/],
    ['document.hung.0.at', (r) => ({ ...r, hung: [{ ...r.hung[0]!, at: 'x' }] }), /place on the line/],
    ['document.hung.0.at', (r) => ({ ...r, hung: [{ ...r.hung[0]!, at: 30 }] }), /off a line of/],
    ['document.hung.0.wetMass', (r) => ({ ...r, hung: [{ ...r.hung[0]!, wetMass: 0 }] }), /cannot weigh less wet/],
    [
      'document.hung',
      (r) => ({ ...r, hung: Array.from({ length: 13 }, (_, i) => ({ ...r.hung[0]!, id: String(i) })) }),
      /At most 12/,
    ],
    ['document.cord', (r) => ({ ...r, cord: 'not-mine' }), /no longer in the kit/],
    ['document.wind.beaufort', (r) => ({ ...r, wind: { ...r.wind, beaufort: 13 } }), /wind/],
    ['document.extra', (r) => ({ ...r, extra: 1 }), /no such field/],
    ['document.hung', (r) => ({ ...r, hung: [1, 2].map((at) => ({ ...r.hung[0]!, at })) }), /id of its own/],
    ['document.format', (r) => ({ ...r, format: 'other@9' }), /format must be/],
  ])('%s is refused by name', async (field, broken, message) => {
    const before = await stored();
    const { body: problem } = await request(http)
      .put('/api/rigs/landing-gable')
      .send(body(broken(rig), before.version))
      .expect(422);
    expect(problem.code).toBe('invalid');
    expect(problem.fields.map((f: { field: string }) => f.field)).toContain(field);
    expect(problem.fields.find((f: { field: string }) => f.field === field).message).toMatch(message);
    expect(await stored()).toEqual(before);
  });

  test('nothing that is sent can crash it or be half stored', async () => {
    const before = await stored();
    await fc.assert(
      fc.asyncProperty(
        fc.oneof(
          fc.jsonValue(),
          fc.record({ name: fc.string(), note: fc.string(), version: fc.integer(), document: fc.jsonValue() }),
        ),
        async (sent) => {
          const answer = await request(http)
            .put('/api/rigs/landing-gable')
            .set('content-type', 'application/json')
            .send(JSON.stringify(sent));
          expect(answer.status).toBeGreaterThanOrEqual(400);
          expect(answer.status).toBeLessThan(500);
          expect(answer.body).toHaveProperty('message');
        },
      ),
      { numRuns: 80, seed: 6 },
    );
    for (const raw of ['', '{', '[[[[', '{"__proto__":{"a":1}}', `"${'x'.repeat(300_000)}"`]) {
      const answer = await request(http)
        .put('/api/rigs/landing-gable')
        .set('content-type', 'application/json')
        .send(raw);
      expect([400, 413, 422]).toContain(answer.status);
    }
    expect(await stored()).toEqual(before);
    await request(http).get('/api/health').expect(200);
  });

  test.each<[string, string, string]>([
    ['a zero character', JSON.stringify({ name: 'a\u0000b' }), 'name'],
    ['half of a character', '{"name":"a\\ud800b"}', 'name'],
    ['a broken name of a field', '{"document":{"a\\u0000":1}}', 'document'],
    ['lists a hundred thousand deep', `{"document":${'['.repeat(1e5)}${']'.repeat(1e5)}}`, 'document.0.0.0.0.0.0.0'],
  ])('%s anywhere in a body is refused by field', async (_, sent, field) => {
    for (const [method, path] of [
      ['put', '/api/rigs/landing-gable'],
      ['post', '/api/camps/sallow-ait/rig-files'],
      ['put', '/api/people/me'],
      ['post', '/api/nets/solve'],
    ] as const) {
      const answer = await request(http)[method](path).set('content-type', 'application/json').send(sent).expect(422);
      expect(answer.body).toMatchObject({ code: 'invalid', fields: [{ field }] });
    }
  });
  test('a character that no id has, in an address, is refused as such', async () => {
    for (const path of ['/api/rigs/a%00b', '/api/camps/%00', '/api/camps/sallow-ait/kit/%0a', '/api/rigs/%ED%A0%80'])
      expect((await request(http).get(path).expect(422)).body).toMatchObject({ fields: [{ field: 'address' }] });
  });

  test('rigs are made and taken down', async () => {
    const { body: made } = await request(http)
      .post('/api/camps/sallow-ait/rigs')
      .send({ name: 'Copy', note: '', document: rig })
      .expect(201);
    expect(made).toMatchObject({ version: 1, campId: 'sallow-ait', document: rig });
    await request(http).delete(`/api/rigs/${made.id}`).expect(204);
    await request(http).get(`/api/rigs/${made.id}`).expect(404);
    await request(http).post('/api/camps/none/rigs').send({ name: 'Copy', note: '', document: rig }).expect(404);
    await request(http).post('/api/camps/sallow-ait/rigs').send({ name: '', note: '', document: rig }).expect(422);
  });
});

describe('kit and measures', () => {
  test('a hank is added, changed and taken out; one in use stays, naming where', async () => {
    const hank = { name: 'spare', cord: 'sisal-3', length: 8, sun: 'new', wear: 'sound' };
    const { body: made } = await request(http).post('/api/camps/sallow-ait/kit').send(hank).expect(201);
    const { body: changed } = await request(http)
      .put(`/api/camps/sallow-ait/kit/${made.id}`)
      .send({ ...hank, length: 7.5 })
      .expect(200);
    expect(changed).toEqual({ ...hank, id: made.id, length: 7.5 });
    await request(http)
      .put(`/api/camps/sallow-ait/kit/${made.id}`)
      .send({ ...hank, length: 0 })
      .expect(422);
    const own = {
      fibre: 'polypropylene',
      thickness: 0.006,
      width: 0,
      rating: 'working',
      rated: 400,
      perMetre: 0,
      hung: null,
    };
    const { body: mine } = await request(http)
      .put(`/api/camps/sallow-ait/kit/${made.id}`)
      .send({ ...hank, cord: 'own', own })
      .expect(200);
    expect(mine).toEqual({ ...hank, cord: 'own', own, id: made.id });
    const { body: unfit } = await request(http)
      .put(`/api/camps/sallow-ait/kit/${made.id}`)
      .send({ ...hank, cord: 'own', own: { ...own, rated: 0 } })
      .expect(422);
    expect(unfit.fields[0]).toMatchObject({ field: 'own.rated' });
    await request(http).delete(`/api/camps/sallow-ait/kit/${made.id}`).expect(204);
    const { body: problem } = await request(http).delete('/api/camps/sallow-ait/kit/green-550').expect(409);
    expect(problem.message).toMatch(/“Landing gable”/);
  });

  test('measures and margins are checked field by field and versioned', async () => {
    const { body: me } = await request(http).get('/api/people/me').expect(200);
    const { name, body: measures, units, required: margins, version } = me;
    const person = { name, body: measures, units, required: margins, calibrations: {}, version };
    const { body: next } = await request(http)
      .put('/api/people/me')
      .send({ ...person, body: { ...person.body, pace: 0.8 } })
      .expect(200);
    expect(next).toMatchObject({ version: me.version + 1, body: { pace: 0.8 } });
    await request(http).put('/api/people/me').send(person).expect(409);
    const wrong = await request(http)
      .put('/api/people/me')
      .send({ ...person, version: next.version, body: { ...person.body, pace: 9 } })
      .expect(422);
    expect(wrong.body.fields[0]).toMatchObject({ field: 'body.pace' });
    for (const required of [null, {}, { ...person.required, factor: { ridge: 0 } }, { ...person.required, extra: {} }])
      await request(http)
        .put('/api/people/me')
        .send({ ...person, version: next.version, required })
        .expect(422);
  });
});

describe('who may ask', () => {
  test.each([['evil.example'], ['127.0.0.1.evil.example'], ['10.0.0.5:80'], ['']])(
    'Host %s is refused',
    async (host) => {
      const answer = await request(http).get('/api/people/me').set('Host', host);
      expect([400, 403]).toContain(answer.status);
    },
  );
  test.each([['http://evil.example'], ['null'], ['https://127.0.0.1']])('Origin %s is refused', async (origin) => {
    expect((await request(http).put('/api/people/me').set('Origin', origin).send({}).expect(403)).body.code).toBe(
      'forbidden',
    );
  });
  test('its own pages are answered, under a strict policy', async () => {
    const { port } = http.address() as { port: number };
    const answer = await request(http)
      .get('/api/people/me')
      .set('Host', `localhost:${port}`)
      .set('Origin', `http://localhost:${port}`)
      .expect(200);
    const csp = answer.headers['content-security-policy']!;
    expect(csp).toContain("default-src 'none'");
    // the solver of cord plans is compiled; nothing else is made of text
    expect(csp.replace("'wasm-unsafe-eval'", '')).not.toContain('unsafe');
    expect(csp).not.toContain('upgrade-insecure-requests');
    expect(answer.headers['x-powered-by']).toBeUndefined();
  });
});
