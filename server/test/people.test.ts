import { describe, expect, test } from '@jest/globals';
import type { Place } from '@rough-bight/core/ground';
import type { RidgeRig } from '@rough-bight/core/rig';
import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { takingIn } from '../src/person/strangers.js';
import { served } from './served.js';

const { http: server } = served();
const http = () => request(server());

interface Somebody {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly body: Record<string, number>;
}
const all = async (): Promise<Somebody[]> => (await http().get('/api/people').expect(200)).body as Somebody[];

describe('people', () => {
  test('the instructor and the assistant are there, in the order they came, each with their own pace', async () => {
    const people = await all();
    expect(people.map((p) => p.name)).toEqual(['Instructor', 'Assistant']);
    expect(people[0]!.body['pace']).not.toBe(people[1]!.body['pace']);
    expect(Object.keys(people[0]!).sort()).toEqual([
      'body',
      'calibrations',
      'id',
      'name',
      'required',
      'units',
      'version',
    ]);
  });
  test('one is added, changed, deleted and put back; the last one stays', async () => {
    const [first, second] = await all();
    const like = { ...first!, id: undefined, version: undefined };
    const { body: made } = await http()
      .post('/api/people')
      .send({ ...like, name: 'Helper' })
      .expect(201);
    expect(made).toMatchObject({ body: first!.body, name: 'Helper', version: 1 });
    const { body: changed } = await http()
      .put(`/api/people/${made.id}`)
      .send({ ...like, name: 'Helping hand', version: 1 })
      .expect(200);
    expect(changed).toMatchObject({ id: made.id, name: 'Helping hand', version: 2 });
    // another's measures are untouched
    expect(await all()).toEqual([first, second, changed]);
    await http().delete(`/api/people/${made.id}`).expect(204);
    await http().get(`/api/people/${made.id}`).expect(404);
    await http().post(`/api/people/${made.id}/back`).expect(201);
    expect((await all()).map((p) => p.name)).toEqual(['Instructor', 'Assistant', 'Helping hand']);
    for (const id of [made.id, second!.id]) await http().delete(`/api/people/${id}`).expect(204);
    const { body: problem } = await http().delete(`/api/people/${first!.id}`).expect(409);
    expect(problem.message).toMatch(/last one here.*Add another first/);
    for (const id of [second!.id, made.id]) await http().post(`/api/people/${id}/back`).expect(201);
    await http()
      .post('/api/people')
      .send({ ...like, name: '' })
      .expect(422);
    await http().post('/api/people/nobody/back').expect(404);
  });
  test('a rig’s file is in the paces of whoever paced it and the margins of whoever asks', async () => {
    const [first, second] = await all();
    const file = async (as: string) =>
      JSON.parse((await http().get(`/api/rigs/landing-gable/file?as=${as}`).expect(200)).text) as {
        rig: RidgeRig;
        settings: { body: Record<string, number> };
      };
    const theirs = await file(second!.id);
    expect(theirs.rig.span.by).toMatchObject({ id: first!.id, pace: first!.body['pace'] });
    expect(theirs.settings.body).toMatchObject({ pace: first!.body['pace'], reach: second!.body['reach'] });
    expect((await file(first!.id)).settings.body).toEqual(first!.body);
    // taken in again it is still theirs
    const { body: again } = await http().post('/api/camps/sallow-ait/rig-files').send(theirs).expect(201);
    expect(again.document.span.by).toEqual(theirs.rig.span.by);
  });
  test('from another house, “me” is somebody else', async () => {
    const { text } = await http().get('/api/rigs/landing-gable/file').expect(200);
    const file = JSON.parse(text);
    file.rig.span.by = { id: 'me', name: 'Somebody else', pace: 0.9, paceSpread: 0.03 };
    const { body: taken } = await http().post('/api/camps/sallow-ait/rig-files').send(file).expect(201);
    expect(taken.document.span.by).toMatchObject({ name: 'Somebody else', pace: 0.9 });
    expect(taken.document.span.by.id).not.toBe('me');
    // and where nobody is named it is whoever made the file
    delete file.rig.span.by;
    file.settings.body.pace = 0.66;
    const { body: unnamed } = await http().post('/api/camps/sallow-ait/rig-files').send(file).expect(201);
    expect(unnamed.document.span.by).toMatchObject({ name: 'the file’s maker', pace: 0.66 });
  });
  test('within one file a stranger is one and the same in rigs and places', async () => {
    const people = (await all()) as never[];
    const own = takingIn(people, { id: randomUUID(), name: 'maker', body: people[0]!['body'], calibrations: {} });
    const { body: rig } = await http().get('/api/rigs/landing-gable').expect(200);
    const { body: place } = await http().get('/api/places/the-landing').expect(200);
    const by = { id: 'me', name: 'Stranger', pace: 0.71, paceSpread: 0.02 };
    const tied = own.rig({ ...(rig.document as RidgeRig), span: { ...rig.document.span, by } });
    const [measurer] = (place.document as Place).measurers!;
    const drawn = own.place({
      ...(place.document as Place),
      measurers: [{ ...measurer!, name: 'Stranger', body: { ...measurer!.body, pace: 0.71 } }],
    });
    expect(tied.span.by!.id).not.toBe('me');
    expect(drawn.measurers!.map((m) => m.id)).toEqual([tied.span.by!.id]);
    expect(new Set(drawn.measures.flatMap((m) => m.by ?? []))).toEqual(new Set([tied.span.by!.id]));
    // whoever is known stays
    expect(own.place(place.document as Place)).toEqual(place.document);
  });
});

describe('what was deleted', () => {
  test('a rig comes back in its place, with every save of it', async () => {
    const rigs = async () =>
      ((await http().get('/api/camps/sallow-ait').expect(200)).body.rigs as { id: string }[]).map((r) => r.id);
    const before = await rigs();
    const saves = (await http().get('/api/rigs/mess-roof/revisions').expect(200)).body;
    await http().delete('/api/rigs/mess-roof').expect(204);
    await http().get('/api/rigs/mess-roof').expect(404);
    await http().get('/api/rigs/mess-roof/revisions').expect(404);
    await http().delete('/api/rigs/mess-roof').expect(404);
    expect(await rigs()).toEqual(before.filter((id) => id !== 'mess-roof'));
    await http().post('/api/rigs/mess-roof/back').expect(201);
    expect(await rigs()).toEqual(before);
    expect((await http().get('/api/rigs/mess-roof/revisions').expect(200)).body).toEqual(saves);
    await http().post('/api/rigs/mess-roof/back').expect(404);
  });
  test('a rig whose cord is gone meanwhile is not put back before the cord is', async () => {
    const camp = '/api/camps/sallow-ait';
    const hank = { name: 'only hank', cord: 'sisal-3', length: 20, sun: 'new', wear: 'sound' };
    const { body: cord } = await http().post(`${camp}/kit`).send(hank).expect(201);
    const { body: rig } = await http().get('/api/rigs/landing-gable').expect(200);
    const bare = { ...(rig.document as RidgeRig), pitch: undefined, bed: undefined };
    const { body: made } = await http()
      .post(`${camp}/rigs`)
      .send({ name: 'On it', note: '', document: { ...bare, cord: cord.id } })
      .expect(201);
    await http().delete(`${camp}/kit/${cord.id}`).expect(409);
    await http().delete(`/api/rigs/${made.id}`).expect(204);
    // what is gone uses nothing
    await http().delete(`${camp}/kit/${cord.id}`).expect(204);
    await http().post(`/api/rigs/${made.id}/back`).expect(422);
    const { body: back } = await http().post(`${camp}/kit/${cord.id}/back`).expect(201);
    expect(back).toEqual(cord);
    await http().post(`/api/rigs/${made.id}/back`).expect(201);
  });
  test('a place and a roof come back as they were', async () => {
    const { body: before } = await http().get('/api/camps/sallow-ait').expect(200);
    const { body: roof } = await http()
      .post('/api/camps/sallow-ait/roofs')
      .send({ ...before.roofs[0], id: undefined, name: 'spare' })
      .expect(201);
    for (const address of [`/api/camps/sallow-ait/roofs/${roof.id}`]) {
      await http().delete(address).expect(204);
      await http().put(address).send(before.roofs[0]).expect(404);
      await http().post(`${address}/back`).expect(201);
    }
    const { body: after } = await http().get('/api/camps/sallow-ait').expect(200);
    expect(after.roofs).toEqual([...before.roofs, roof]);
    const { body: made } = await http()
      .post('/api/camps/sallow-ait/places')
      .send({ name: 'Again', note: '', document: before.places[0].document })
      .expect(201);
    await http().delete(`/api/places/${made.id}`).expect(204);
    await http().get(`/api/places/${made.id}`).expect(404);
    await http().post(`/api/places/${made.id}/back`).expect(201);
    expect((await http().get(`/api/places/${made.id}`).expect(200)).body.document).toEqual(before.places[0].document);
  });
});
