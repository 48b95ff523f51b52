import { describe, expect, test } from '@jest/globals';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import request from 'supertest';
import { served } from './served.js';

const { http } = served();
const asBytes = (r: request.Test): request.Test =>
  r.buffer(true).parse((res, done) => {
    const parts: Buffer[] = [];
    res.on('data', (d: Buffer) => parts.push(d));
    res.on('end', () => done(null, Buffer.concat(parts)));
  });
const fileOf = async (id: string): Promise<Buffer> =>
  (await asBytes(request(http()).get(`/api/camps/${id}/file`)).expect(200)).body as Buffer;
const takeIn = (bytes: Buffer | Uint8Array): request.Test =>
  request(http()).post('/api/camps/files').set('content-type', 'application/zip').send(Buffer.from(bytes));
const texts = (bytes: Buffer): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(unzipSync(bytes)).map(([path, data]) => [path, JSON.parse(strFromU8(data)) as unknown]),
  );
/** The same without what another camp calls otherwise. */
const withoutIds = (files: Record<string, unknown>): string =>
  JSON.stringify(files)
    .replaceAll(/"(id|place)":"[^"]*"/g, '"$1":""')
    // as many stand tonight, whatever they are called
    .replaceAll(/"tonight":\[([^\]]*)\]/g, (_, ids: string) => `"tonight":${ids.split(',').length}`);

describe('camps of one’s own', () => {
  test('made, named anew, put away, brought back; deleted only when away', async () => {
    const made = (
      await request(http()).post('/api/camps').send({ name: 'Otter weir', about: 'Two nights.' }).expect(201)
    ).body as { id: string };
    const path = `/api/camps/${made.id}`;
    expect((await request(http()).get(path).expect(200)).body).toMatchObject({
      name: 'Otter weir',
      away: false,
      rigs: [],
      kit: [],
      verdicts: [],
    });
    await request(http()).delete(path).expect(409);
    await request(http()).put(path).send({ name: 'Otter weir, spring', about: '', away: true }).expect(200);
    const listed = (await request(http()).get('/api/camps')).body as { id: string; name: string; away: boolean }[];
    expect(listed.find((c) => c.id === made.id)).toMatchObject({ name: 'Otter weir, spring', away: true });
    await request(http()).put(path).send({ name: '', about: '', away: true }).expect(422);
    await request(http()).delete(path).expect(204);
    await request(http()).get(path).expect(404);
  });
  test('a copy has everything, on its own ground', async () => {
    const copy = (await request(http()).post('/api/camps/sallow-ait/copies').expect(201)).body as {
      id: string;
      name: string;
    };
    expect(copy.name).toBe('Sallow Ait, again');
    const [a, b] = [await fileOf('sallow-ait'), await fileOf(copy.id)].map(texts) as [
      Record<string, unknown>,
      Record<string, unknown>,
    ];
    const plain = (files: Record<string, unknown>): string =>
      withoutIds(files).replaceAll('Sallow Ait, again', 'Sallow Ait');
    expect(plain(b)).toBe(plain(a));
    const whole = (await request(http()).get(`/api/camps/${copy.id}`)).body as {
      places: { id: string }[];
      tonight: string[];
      rigs: { id: string; document: { site?: { place: string } } }[];
    };
    // what stands tonight are the copy's own rigs
    const own = new Set(whole.rigs.map((r) => r.id));
    expect(whole.tonight.length).toBe(4);
    for (const id of whole.tonight) expect(own).toContain(id);
    // rigs stand on the copied place, not on the one it was copied from
    const stands = whole.rigs.flatMap((r) => (r.document.site === undefined ? [] : [r.document.site.place]));
    expect(stands.length).toBeGreaterThan(0);
    expect(new Set(stands)).toEqual(new Set(whole.places.map((p) => p.id)));
    expect(stands).not.toContain('the-landing');
  });
  test('out as one file and in again is exact, both ways', async () => {
    const out = await fileOf('sallow-ait');
    expect(Buffer.compare(out, await fileOf('sallow-ait'))).toBe(0);
    expect((texts(out)['manifest.json'] as { format: string }).format).toBe('rough-bight/camp@2');
    const taken = (await takeIn(out).expect(201)).body as { id: string };
    const again = await fileOf(taken.id);
    expect(withoutIds(texts(again))).toBe(withoutIds(texts(out)));
    // where every id is free the bytes are the same
    await request(http()).put(`/api/camps/${taken.id}`).send({ name: 'Sallow Ait', about: '', away: true });
    await request(http()).delete(`/api/camps/${taken.id}`).expect(204);
    const back = (await takeIn(again).expect(201)).body as { id: string };
    expect(Buffer.compare(await fileOf(back.id), again)).toBe(0);
  });
  test('a file that is none says which part and why, and nothing is stored', async () => {
    const before = ((await request(http()).get('/api/camps')).body as unknown[]).length;
    const refused = async (bytes: Buffer | Uint8Array, said: RegExp): Promise<void> => {
      const { body } = await takeIn(bytes).expect(422);
      expect((body as { message: string }).message).toMatch(said);
    };
    await refused(Buffer.from('hello'), /not a zip\. Choose a file that ends in \.camp\.zip/);
    const files = unzipSync(await fileOf('sallow-ait'));
    const without = { ...files };
    delete without['kit.json'];
    await refused(zipSync(without), /kit\.json.*is missing/);
    const path = Object.keys(files).find((p) => p.startsWith('rigs/'))!;
    const bent = strFromU8(files[path]!).replace(/"beaufort": \d+/, '"beaufort": 40');
    await refused(zipSync({ ...files, [path]: strToU8(bent) }), /beaufort/);
    expect(((await request(http()).get('/api/camps')).body as unknown[]).length).toBe(before);
  });
});

describe('what a rig comes to', () => {
  test('is kept with it, the last one only, and goes with it', async () => {
    const verdict = { holds: true, sentence: ['Holds. ', { value: 1.2, as: 'length' }], detail: [] };
    const put = (of: string): request.Test =>
      request(http()).put('/api/rigs/landing-gable/verdict').send({ of, verdict });
    await put('a').expect(200);
    await put('b').expect(200);
    const { verdicts } = (await request(http()).get('/api/camps/sallow-ait')).body as {
      verdicts: { rigId: string; of: string; madeAt: string; verdict: unknown }[];
    };
    const own = verdicts.filter((v) => v.rigId === 'landing-gable');
    expect(own).toHaveLength(1);
    expect(own[0]).toMatchObject({ of: 'b', verdict });
    expect(Date.now() - Date.parse(own[0]!.madeAt)).toBeLessThan(60_000);
    await request(http()).put('/api/rigs/nowhere/verdict').send({ of: 'a', verdict }).expect(404);
    await request(http()).put('/api/rigs/landing-gable/verdict').send({ of: '', verdict }).expect(422);
  });
});
