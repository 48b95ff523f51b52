import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import request from 'supertest';
import type { RigFile } from '@rough-bight/core/formats';
import type { Gear, RidgeRig } from '@rough-bight/core/rig';
import { readDemo } from '../src/db/seed.js';
import { served } from './served.js';

const { http } = served();
const demo = readDemo();

interface CampBody extends Gear {
  readonly kit: readonly { readonly id: string }[];
}
const camp = async (): Promise<CampBody> =>
  (await request(http()).get('/api/camps/sallow-ait').expect(200)).body as CampBody;
const rigId = 'gravel-spit-gable';

describe('beds and straps of the kit', () => {
  test('come with the demo camp, are kept, and stay while a rig hangs on them', async () => {
    const { beds, straps } = await camp();
    expect(beds).toEqual(demo.beds);
    expect(straps).toEqual(demo.straps);
    const { body: added } = await request(http())
      .post('/api/camps/sallow-ait/beds')
      .send({ ...demo.beds[0], name: 'second river bed', limit: 130 })
      .expect(201);
    expect((await camp()).beds.find((b) => b.id === added.id)).toMatchObject({ limit: 130 });
    await request(http()).delete(`/api/camps/sallow-ait/beds/${added.id}`).expect(204);
    const { body } = await request(http()).delete('/api/camps/sallow-ait/beds/river-bed').expect(409);
    expect(body.message).toMatch(/^This bed is in “River bed under the fly”/);
    const { body: held } = await request(http()).delete('/api/camps/sallow-ait/straps/long-straps').expect(409);
    expect(held.message).toMatch(/^These straps are in/);
  });
  test.each([
    ['beds', { ridgeLength: 1 }, 'ridgeLength', /0\.6 to 0\.97 of its cloth/],
    ['beds', { people: 3 }, 'people', /1 to 2/],
    ['beds', { connector: 'glue' }, 'connector', /must be one of hook/],
    ['straps', { count: 40 }, 'count', /40 loops reach 4\.90 m along a strap of 3\.60 m/],
    ['straps', { webbing: 'tape' }, 'webbing', /must be one of polyester-25/],
  ] as const)('one of the %s that cannot be is named: %j', async (list, part, field, message) => {
    const { body } = await request(http())
      .post(`/api/camps/sallow-ait/${list}`)
      .send({ ...demo[list][0], ...part })
      .expect(422);
    expect(body.fields[0].field).toBe(field);
    expect(body.message).toMatch(message);
  });
  test('a bed that two are to lie in is refused at its field, and the rig stays as it was', async () => {
    const { body: stored } = await request(http()).get('/api/rigs/bed-on-one-alder').expect(200);
    const document = stored.document as RidgeRig;
    const { body } = await request(http())
      .put('/api/rigs/bed-on-one-alder')
      .send({
        name: stored.name,
        note: stored.note,
        version: stored.version,
        document: { ...document, bed: { ...document.bed, people: 2 } },
      })
      .expect(422);
    expect(body.fields[0].field).toBe('document.bed.people');
    expect(body.message).toMatch(/is made for one\. Two double the pull/);
    const { body: after } = await request(http()).get('/api/rigs/bed-on-one-alder').expect(200);
    expect(after.document).toEqual(document);
  });
  test('a rig file brings its bed and straps along to a camp that has neither', async () => {
    const { text } = await request(http()).get('/api/rigs/bed-on-one-alder/file').expect(200);
    const file = JSON.parse(text) as RigFile;
    const other = {
      ...file,
      rig: { ...file.rig, bed: { ...file.rig.bed!, bed: 'loan' } },
      kit: { ...file.kit, beds: [{ ...file.kit.beds[0]!, id: 'loan', name: 'bed on loan' }] },
    };
    const { body } = await request(http()).post('/api/camps/sallow-ait/rig-files').send(other).expect(201);
    const taken = (await camp()).beds.find((b) => b.name === 'bed on loan');
    expect((body.document as RidgeRig).bed!.bed).toBe(taken!.id);
  });
});

describe('roofs and pegs of the kit', () => {
  test('come with the demo camp', async () => {
    const { roofs, pegs } = await camp();
    expect(roofs).toEqual(demo.roofs);
    expect(pegs).toEqual(demo.pegs);
  });
  test('can be added, changed and removed', async () => {
    const { body: added } = await request(http())
      .post('/api/camps/sallow-ait/roofs')
      .send({ ...demo.roofs[0], name: 'spare square' })
      .expect(201);
    expect(added.id).not.toBe(demo.roofs[0]!.id);
    await request(http())
      .put(`/api/camps/sallow-ait/roofs/${added.id}`)
      .send({ ...added, mass: 0.6 })
      .expect(200);
    expect((await camp()).roofs.find((r) => r.id === added.id)!.mass).toBe(0.6);
    await request(http()).delete(`/api/camps/sallow-ait/roofs/${added.id}`).expect(204);
    await request(http()).delete(`/api/camps/sallow-ait/roofs/${added.id}`).expect(404);
    const { body: pegs } = await request(http())
      .post('/api/camps/sallow-ait/pegs')
      .send({ name: 'long steel', shape: 'long', count: 6 })
      .expect(201);
    await request(http()).delete(`/api/camps/sallow-ait/pegs/${pegs.id}`).expect(204);
  });
  test.each([
    [{ length: 40 }, 'length', /1 to 12/],
    [{ cloth: 'lead' }, 'cloth', /must be one of nylon/],
    [{ hollow: 0.45 }, 'hollow', /at most 12 % of the shorter side, 0\.36 m/],
    [{ tieOuts: [{ id: 'x', at: [9, 0], hold: 'loop' }] }, 'tieOuts.0.at.0', /-6 to 6/],
  ])('a roof that cannot be is named: %j', async (part, field, message) => {
    const { body } = await request(http())
      .post('/api/camps/sallow-ait/roofs')
      .send({ ...demo.roofs[0], ...part })
      .expect(422);
    expect(body.fields[0].field).toBe(field);
    expect(body.message).toMatch(message);
  });
  test('what a rig uses stays, and the rig is named', async () => {
    for (const [path, id] of [
      ['roofs', 'square'],
      ['pegs', 'cut'],
      ['kit', 'tarred'],
    ] as const) {
      const { body } = await request(http()).delete(`/api/camps/sallow-ait/${path}/${id}`).expect(409);
      expect(body.message).toContain('“Gravel-spit gable”');
    }
  });
  test('to a camp that is not there nothing is added', async () => {
    await request(http()).post('/api/camps/nowhere/roofs').send(demo.roofs[0]).expect(404);
  });
});

describe('pitched rigs', () => {
  const stored = async (): Promise<{ name: string; note: string; version: number; document: RidgeRig }> =>
    (await request(http()).get(`/api/rigs/${rigId}`).expect(200)).body as never;
  test('are stored whole, and a pitch that does not fit is named by field', async () => {
    const { name, note, version, document } = await stored();
    const put = (pitch: unknown) =>
      request(http())
        .put(`/api/rigs/${rigId}`)
        .send({ name, note, version, document: { ...document, pitch } });
    const { body: bad } = await put({ ...document.pitch, spread: -3 }).expect(422);
    expect(bad.message).toMatch(/^The spread along the ridge must be a number from 0 to 600 N/);
    expect(bad.fields[0].field).toBe('document.pitch.spread');
    const { body: gone } = await put({ ...document.pitch, roof: 'none' }).expect(422);
    expect(gone.fields[0].field).toBe('document.pitch.roof');
    const { body: saved } = await put({ ...document.pitch, spread: 55 }).expect(200);
    expect(saved.document.pitch.spread).toBe(55);
  });
  test('go out as a file and come back the same, with nothing doubled in the kit', async () => {
    const { text } = await request(http()).get(`/api/rigs/${rigId}/file`).expect(200);
    const before = await camp();
    const { body: taken } = await request(http())
      .post('/api/camps/sallow-ait/rig-files')
      .send(JSON.parse(text) as object)
      .expect(201);
    expect(taken.document).toEqual((JSON.parse(text) as RigFile).rig);
    const after = await camp();
    expect([after.kit.length, after.roofs.length, after.pegs.length]).toEqual([
      before.kit.length,
      before.roofs.length,
      before.pegs.length,
    ]);
    const again = await request(http()).get(`/api/rigs/${taken.id}/file`).expect(200);
    expect(again.text).toBe(text);
  });
  test('bring the kit that is missing, under another id where theirs is taken', async () => {
    const file = JSON.parse(
      readFileSync(join(process.cwd(), 'examples/rigs/gravel-spit-gable.rig.json'), 'utf8'),
    ) as RigFile;
    const roof = { ...file.kit.roofs[0]!, name: 'another square', length: 3.2 };
    const pegs = { ...file.kit.pegs[0]!, id: 'theirs', count: 3 };
    const other = {
      ...file,
      rig: {
        ...file.rig,
        pitch: {
          ...file.rig.pitch!,
          guy: { ...file.rig.pitch!.guy, anchor: { ...file.rig.pitch!.guy.anchor, pegs: 'theirs' } },
        },
      },
      kit: { ...file.kit, roofs: [roof], pegs: [pegs] },
    };
    const { body: taken } = await request(http()).post('/api/camps/sallow-ait/rig-files').send(other).expect(201);
    const now = await camp();
    const own = now.roofs.find((r) => r.name === 'another square')!;
    expect(own.id).not.toBe(roof.id);
    expect(taken.document.pitch.roof).toBe(own.id);
    expect(now.pegs.find((p) => p.id === 'theirs')!.count).toBe(3);
  });
  test('a file that cannot be is named by field and leaves nothing behind', async () => {
    const file = JSON.parse(readFileSync(join(process.cwd(), 'examples/rigs/mess-roof.rig.json'), 'utf8')) as RigFile;
    const before = await camp();
    const { body } = await request(http())
      .post('/api/camps/sallow-ait/rig-files')
      .send({ ...file, rig: { ...file.rig, sway: 9 } })
      .expect(422);
    expect(body.fields[0].field).toBe('rig.sway');
    expect(await camp()).toEqual(before);
  });
});
