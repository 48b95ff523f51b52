import { describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { served } from './served.js';

const { http } = served();
const CAMP = '/api/camps/sallow-ait';
interface Thing {
  readonly id: string;
  readonly name: string;
}
type Whole = Record<string, readonly Thing[]>;
const whole = async (): Promise<Whole> => (await request(http()).get(CAMP).expect(200)).body as Whole;

/** One of each kind that can be new, as it is sent: the first of the demo, under a name of its own. */
const KINDS = ['kit', 'roofs', 'pegs', 'beds', 'straps', 'rigs', 'places'] as const;
async function draftOf(kind: (typeof KINDS)[number]): Promise<object> {
  const first = (await whole())[kind]![0] as Thing & { readonly document?: unknown; readonly note?: string };
  if (kind === 'rigs' || kind === 'places')
    return { name: `Another of the ${kind}`, note: '', document: first.document };
  return { ...first, id: undefined, name: `Another of the ${kind}` };
}

describe('something new that is asked for twice under one key', () => {
  test.each(KINDS)('of the %s is made once, under that id, and stays as it is now', async (kind) => {
    const draft = await draftOf(kind);
    const before = (await whole())[kind]!.length;
    const id = randomUUID();
    const ask = (body: object) => request(http()).post(`${CAMP}/${kind}`).set('Idempotency-Key', id).send(body);
    const [a, b] = await Promise.all([ask(draft), ask(draft)]);
    expect([a.status, b.status]).toEqual([201, 201]);
    expect((a.body as Thing).id).toBe(id);
    expect(b.body).toEqual(a.body);
    // asked for again with something else in it, much later
    const late = await ask({ ...draft, name: 'Sent late' });
    expect((late.body as Thing).name).toBe(`Another of the ${kind}`);
    const now = (await whole())[kind]!;
    expect(now).toHaveLength(before + 1);
    expect(now.at(-1)).toMatchObject({ id, name: `Another of the ${kind}` });
  });

  test('a rig has one save of it', async () => {
    const draft = await draftOf('rigs');
    const id = randomUUID();
    for (let i = 0; i < 3; i++)
      await request(http()).post(`${CAMP}/rigs`).set('Idempotency-Key', id).send(draft).expect(201);
    expect((await request(http()).get(`/api/rigs/${id}/revisions`)).body).toHaveLength(1);
  });

  test('under what is no key is refused, and nothing is made', async () => {
    const before = (await whole())['kit']!.length;
    const { body } = await request(http())
      .post(`${CAMP}/kit`)
      .set('Idempotency-Key', '../../etc')
      .send(await draftOf('kit'))
      .expect(422);
    expect((body as { message: string }).message).toMatch(/Idempotency-Key takes a UUID/);
    expect((await whole())['kit']).toHaveLength(before);
  });

  test('without one each is another', async () => {
    const draft = await draftOf('pegs');
    const ask = async (): Promise<string> =>
      ((await request(http()).post(`${CAMP}/pegs`).send(draft).expect(201)).body as Thing).id;
    expect(await ask()).not.toBe(await ask());
  });
});
