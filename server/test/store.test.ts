import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { openEmbedded } from '../src/db/database.js';
import { DataInUse, lockData } from '../src/db/lock.js';
import { restoreSnapshot } from '../src/db/restore.js';
import { rigs } from '../src/db/schema.js';
import { readDemo, seed } from '../src/db/seed.js';
import { listSnapshots, snapshotFolder, verifySnapshot } from '../src/db/snapshot.js';

const demoRigs = readDemo().rigs.length;

jest.setTimeout(120_000);

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'rough-bight-'));
});
afterEach(() => {
  rmSync(folder, { recursive: true, force: true });
});

describe('the data folder', () => {
  test('is one process’s alone, and the refusal names it', async () => {
    const release = await lockData(folder);
    await expect(lockData(folder)).rejects.toThrow(DataInUse);
    await expect(lockData(folder)).rejects.toThrow(new RegExp(`process ${process.pid}, running since`));
    await release();
    await (
      await lockData(folder)
    )();
  });

  test('a lock left by a process that is gone is taken over', async () => {
    mkdirSync(join(folder, 'in-use.lock'));
    writeFileSync(join(folder, 'owner.json'), JSON.stringify({ pid: 2 ** 22 + 12345, since: 'long ago' }));
    await (
      await lockData(folder)
    )();
    expect(existsSync(join(folder, 'owner.json'))).toBe(false);
  });
});

test('rows survive closing; a snapshot is written, whole, and brings a lost rig back', async () => {
  const store = await openEmbedded(folder);
  expect(await seed(store)).toBe(true);
  await store.close();
  const [snapshot] = listSnapshots(folder);
  expect(await verifySnapshot(join(snapshotFolder(folder), snapshot!))).toBe(demoRigs);

  const again = await openEmbedded(folder);
  expect(await seed(again)).toBe(false);
  await again.db.delete(rigs).where(eq(rigs.id, 'landing-gable'));
  await again.close();

  const kept = await restoreSnapshot(folder, join(snapshotFolder(folder), snapshot!));
  const restored = await openEmbedded(folder);
  expect((await restored.db.select().from(rigs)).map((r) => r.id).sort()).toContain('landing-gable');
  await restored.close();
  expect(existsSync(kept)).toBe(true); // what was there is set aside, not lost
});

test('a snapshot cut short is refused and the data stays', async () => {
  const store = await openEmbedded(folder);
  await seed(store);
  await store.close();
  const file = join(snapshotFolder(folder), listSnapshots(folder)[0]!);
  const half = join(folder, 'half.tar.gz');
  writeFileSync(half, readFileSync(file).subarray(0, 5000));
  await expect(restoreSnapshot(folder, half)).rejects.toThrow();
  const after = await openEmbedded(folder);
  expect(await after.db.select().from(rigs)).toHaveLength(demoRigs);
  await after.close();
});
