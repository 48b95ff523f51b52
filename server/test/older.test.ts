import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliDecompressSync } from 'node:zlib';
import { PGlite } from '@electric-sql/pglite';
import { misfits } from '@rough-bight/core/document';
import { RIDGE_FORMAT, rigDocument } from '@rough-bight/core/rig';
import { placeDocument } from '@rough-bight/core/ground';
import { NewerData } from '../src/db/bring-up.js';
import { openEmbedded } from '../src/db/database.js';
import { placeRevisions, places, rigRevisions, rigs } from '../src/db/schema.js';
import { seed } from '../src/db/seed.js';
import { listSnapshots, snapshotFolder } from '../src/db/snapshot.js';

jest.setTimeout(120_000);

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'rough-bight-'));
});
afterEach(() => {
  rmSync(folder, { recursive: true, force: true });
});

const packed = join(import.meta.dirname, 'data');
/** Puts a data folder that an older program left in place: its database, packed. */
async function unpack(name: string): Promise<void> {
  const tar = brotliDecompressSync(readFileSync(join(packed, name)));
  const old = await PGlite.create({ dataDir: join(folder, 'pg'), loadDataDir: new Blob([new Uint8Array(tar)]) });
  await old.close();
}

describe('a data folder that an older program left', () => {
  test.each(readdirSync(packed))('%s opens with everything in it, kept as it was first', async (name) => {
    await unpack(name);
    const store = await openEmbedded(folder);
    try {
      expect(store.opened[0]).toMatch(/older version; it is kept as it was in .*camp-.*\.tar\.gz\.$/);
      for (const [rows, described] of [
        [await store.db.select().from(rigs), rigDocument],
        [await store.db.select().from(rigRevisions), rigDocument],
        [await store.db.select().from(places), placeDocument],
        [await store.db.select().from(placeRevisions), placeDocument],
      ] as const) {
        expect(rows.length).toBeGreaterThan(0);
        for (const { name: called, document, note } of rows) {
          expect([called, misfits(described, document)]).toEqual([called, []]);
          expect(note.length).toBeLessThanOrEqual(400);
        }
      }
    } finally {
      await store.close();
    }
    const again = await openEmbedded(folder);
    expect(again.opened).toEqual([]);
    await again.close();
  });

  test('ridge-1: its roofs on bare lines are things hung, and the notes say so; the snapshot holds them as they were', async () => {
    await unpack('ridge-1.tar.br');
    const store = await openEmbedded(folder);
    const all = await store.db.select().from(rigs);
    expect(store.opened[1]).toBe(`14 rigs and 15 earlier saves were brought up to ${RIDGE_FORMAT}.`);
    await store.close();
    const bare = all.find((r) => r.name === 'Bare line with a roof')!;
    expect(bare.document.hung.map((h) => [h.mass, h.wetMass, h.area, h.at])).toEqual([
      [0.4, 0.4, 0, 2.2],
      [0.45, 0.85, 2.25, 1.2],
      [0.45, 0.85, 2.25, 4.4],
    ]);
    expect(bare.note).toMatch(/^Two hitches, no guys\.\nThe roof on its bare line is told as two things hung now/);
    const full = all.find((r) => r.name === 'Full line')!;
    expect(full.document.hung).toHaveLength(10);
    expect(full.note).toMatch(/^x{200,}…\nThe roof on its bare line/);
    const file = join(snapshotFolder(folder), listSnapshots(folder).at(-1)!);
    const kept = await PGlite.create({ loadDataDir: new Blob([new Uint8Array(readFileSync(file))]) });
    const { rows } = await kept.query<{ document: { format: string; roof: object } }>(
      `select document from rigs where name = 'Bare line with a roof'`,
    );
    await kept.close();
    expect(rows[0]!.document).toMatchObject({ format: 'rough-bight/ridge@1', roof: { on: true, mass: 0.9 } });
  });

  test('ridge-2: a side held by a cord on a peg is a side stay on one, in the rig and in its saves', async () => {
    await unpack('ridge-2.tar.br');
    const store = await openEmbedded(folder);
    const [rig] = (await store.db.select().from(rigs)).filter((r) => r.id === 'river-bed-under-the-fly');
    await store.close();
    expect(rig!.document).toMatchObject({
      format: RIDGE_FORMAT,
      designRule: 'share',
      bed: { sideStay: { side: 'right', out: 1.4, haul: 25, anchor: { kind: 'peg', pegs: 'cut', inLine: 1 } } },
    });
  });
});

describe('data that a newer program wrote is refused by name, and left alone', () => {
  const tampered = async (sql: string): Promise<void> => {
    const store = await openEmbedded(folder);
    await seed(store);
    await store.close();
    const raw = await PGlite.create({ dataDir: join(folder, 'pg') });
    await raw.exec(sql);
    await raw.close();
  };
  test('a document of a version to come', async () => {
    await tampered(
      `update rigs set document = jsonb_set(document, '{format}', '"rough-bight/ridge@9"') where id = 'landing-gable';
       update rigs set document = jsonb_set(document, '{format}', '"rough-bight/ridge@1"') where id = 'mess-roof'`,
    );
    await expect(openEmbedded(folder)).rejects.toThrow(NewerData);
    await expect(openEmbedded(folder)).rejects.toThrow(/the rig “Landing gable” is rough-bight\/ridge@9/);
    const raw = await PGlite.create({ dataDir: join(folder, 'pg') });
    const { rows } = await raw.query(`select id from rigs where document->>'format' = 'rough-bight/ridge@1'`);
    await raw.close();
    expect(rows).toEqual([{ id: 'mess-roof' }]);
  });
  test('a change of the tables to come', async () => {
    await tampered(`insert into drizzle.__drizzle_migrations (hash, created_at) values ('x', 9000000000000)`);
    await expect(openEmbedded(folder)).rejects.toThrow(/tables have 1 change that this one does not know/);
  });
});
