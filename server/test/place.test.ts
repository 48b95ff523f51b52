import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import request from 'supertest';
import { byBody, calibrate } from '@rough-bight/core/ground';
import type { Place } from '@rough-bight/core/ground';
import { readDemo } from '../src/db/seed.js';
import { served } from './served.js';

const { http } = served();
const demo = readDemo().places[0]!;

interface Stored {
  readonly id: string;
  readonly version: number;
  readonly document: Place;
}
const stored = async (id = 'the-landing'): Promise<Stored> =>
  (await request(http()).get(`/api/places/${id}`).expect(200)).body as Stored;
const body = (document: unknown, version?: number): object => ({
  name: demo.name,
  note: demo.note,
  document,
  ...(version === undefined ? {} : { version }),
});

describe('places', () => {
  test('the demo place comes with the camp, whole', async () => {
    const { body: camp } = await request(http()).get('/api/camps/sallow-ait').expect(200);
    expect(camp.places).toHaveLength(1);
    expect(camp.places[0]).toMatchObject({ id: 'the-landing', name: demo.name, version: 1 });
    // whose paces they are is said
    const { measures, ...drawn } = demo.place;
    const { document } = await stored();
    expect(document).toMatchObject(drawn);
    expect(document.measures.map(({ by: _, ...m }) => m)).toEqual(measures);
    expect(document.measures.every((m) => (m.by === 'me') === byBody(m.how))).toBe(true);
  });

  test('a save raises the version and leaves a revision; one from an older version is told so', async () => {
    const before = await stored();
    const next = { ...before.document, soil: 'gravel' };
    const { body: saved } = await request(http())
      .put('/api/places/the-landing')
      .send(body(next, before.version))
      .expect(200);
    expect(saved).toMatchObject({ version: before.version + 1, document: next });
    const { body: problem } = await request(http())
      .put('/api/places/the-landing')
      .send(body(demo.place, before.version))
      .expect(409);
    expect(problem).toMatchObject({ code: 'conflict', current: { version: saved.version } });
    expect(problem.message).toMatch(/^This place was changed/);
    const { body: revisions } = await request(http()).get('/api/places/the-landing/revisions').expect(200);
    expect(revisions.map((r: { version: number }) => r.version)).toEqual([saved.version, before.version]);
  });

  test('one can be begun and removed', async () => {
    const { body: made } = await request(http())
      .post('/api/camps/sallow-ait/places')
      .send(body(demo.place))
      .expect(201);
    expect((await stored(made.id)).document).toEqual(demo.place);
    await request(http()).delete(`/api/places/${made.id}`).expect(204);
    await request(http()).get(`/api/places/${made.id}`).expect(404);
    await request(http()).put(`/api/places/${made.id}`).send(body(demo.place, 1)).expect(404);
    await request(http()).post('/api/camps/none/places').send(body(demo.place)).expect(404);
  });

  const first = demo.place.things[0]!;
  test.each<[string, unknown, RegExp]>([
    ['document.format', { ...demo.place, format: 'other@1' }, /place@1/],
    ['document.things.0.girth', { ...demo.place, things: [{ ...first, girth: -1 }] }, /number from 0\.05/],
    ['document.things.0.kind', { ...demo.place, things: [{ ...first, kind: 'tower' }] }, /one of tree/],
    ['document.things.0.extra', { ...demo.place, things: [{ ...first, extra: 1 }] }, /no such field/],
    ['document.things.0.at.1', { ...demo.place, things: [{ ...first, at: [0, 9e9] }] }, /from -500 to 500 m/],
    ['document.things.0.at', { ...demo.place, things: [{ ...first, at: [0] }] }, /list of two/],
    ['document.things.1.id', { ...demo.place, things: [first, first] }, /share the id/],
    ['document.measures.0.from', { ...demo.place, things: [] }, /gone/],
    ['document.wind.beaufort', { ...demo.place, wind: { ...demo.place.wind, beaufort: 2.5 } }, /whole/],
    ['document.wish.weights.length', { ...demo.place, wish: { ...demo.place.wish, weights: {} } }, /missing/],
    ['document.slope.toward', { ...demo.place, slope: { fall: 0, toward: 7 } }, /bearing/],
    ['document.soil', { ...demo.place, soil: 'lava' }, /one of soft-clay/],
    ['document.origin.latitude', { ...demo.place, origin: { latitude: 91, longitude: 0 } }, /latitude/],
  ])('%s is refused by name, and nothing is changed', async (field, document, message) => {
    const before = await stored();
    const { body: problem } = await request(http())
      .put('/api/places/the-landing')
      .send(body(document, before.version))
      .expect(422);
    expect(problem.fields[0].field).toBe(field);
    expect(problem.fields[0].message).toMatch(message);
    expect(await stored()).toEqual(before);
  });

  test('no rubbish in a document makes the server fail', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...Object.keys(demo.place)),
        fc.jsonValue({ maxDepth: 2 }),
        async (key, rubbish) => {
          const { version } = await stored();
          const answer = await request(http())
            .put('/api/places/the-landing')
            .send(body({ ...demo.place, [key]: rubbish }, version));
          expect([200, 422]).toContain(answer.status);
        },
      ),
      { numRuns: 60, seed: 4 },
    );
  });

  test('it is given as GeoJSON', async () => {
    const answer = await request(http()).get('/api/places/the-landing/geojson').expect(200);
    expect(answer.headers['content-type']).toMatch(/^application\/geo\+json/);
    const file = JSON.parse(answer.text) as { type: string; features: unknown[] };
    expect(file.type).toBe('FeatureCollection');
    expect(file.features).toHaveLength((await stored()).document.things.length);
  });
});

describe('weather stand-ins', () => {
  test('the station and the forecast answer, say that they are simulated, and a storm is in the next 72 hours', async () => {
    const { body: now } = await request(http()).get('/api/weather/now').expect(200);
    expect(now).toMatchObject({ simulated: true, reading: { wind: expect.any(Number), from: expect.any(Number) } });
    const { body: ahead } = await request(http()).get('/api/weather/ahead?hours=72').expect(200);
    expect(ahead.simulated).toBe(true);
    expect(ahead.readings).toHaveLength(72);
    expect(Math.max(...ahead.readings.map((r: { wind: number }) => r.wind))).toBeGreaterThan(13);
    await request(http()).get('/api/weather/ahead').expect(200);
  });
  test.each(['0', '73', 'x', '1.5'])('%s hours ahead are refused', async (hours) => {
    const { body: problem } = await request(http()).get(`/api/weather/ahead?hours=${hours}`).expect(422);
    expect(problem.fields[0]).toMatchObject({ field: 'hours' });
  });
});

describe('calibrations', () => {
  test('the server takes the mean of the repeats for the unit, whatever the body says', async () => {
    const { body: me } = await request(http()).get('/api/people/me').expect(200);
    const person = { ...me, id: undefined };
    const repeats = [
      { taped: 20, count: 25 },
      { taped: 20, count: 26 },
    ];
    const { body: next } = await request(http())
      .put('/api/people/me')
      .send({ ...person, body: { ...person.body, pace: 1.1 }, calibrations: { pace: repeats } })
      .expect(200);
    expect(next.body.pace).toBeCloseTo(40 / 51, 12);
    expect(next.body.paceSpread).toBeCloseTo(calibrate(repeats, 0.03).share, 12);
    expect(next.calibrations).toEqual({ pace: repeats });
  });
  test.each<[unknown, string, RegExp]>([
    [{ stride: [] }, 'calibrations.stride', /no such field/],
    [{ pace: [{ taped: 20, count: 0 }] }, 'calibrations.pace.0.count', /from 0\.001/],
    [{ pace: [{ taped: 20, count: 200 }] }, 'calibrations.pace.0', /Check the count/],
    [{ pace: 'twice' }, 'calibrations.pace', /list/],
    [[], 'calibrations', /table/],
  ])('%j is refused at %s', async (calibrations, field, message) => {
    const { body: me } = await request(http()).get('/api/people/me').expect(200);
    const person = { ...me, id: undefined };
    const { body: problem } = await request(http())
      .put('/api/people/me')
      .send({ ...person, calibrations })
      .expect(422);
    expect(problem.fields[0].field).toBe(field);
    expect(problem.fields[0].message).toMatch(message);
  });
});
