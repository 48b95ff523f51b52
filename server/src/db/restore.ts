import { existsSync, readFileSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { lockData } from './lock.js';
import { verifySnapshot } from './snapshot.js';

/**
 * Puts a snapshot in place of the data. The snapshot is checked first, and what was there is set aside.
 * @returns where what was there is now
 * @throws when the data is in use or the snapshot is not whole; then nothing has changed
 */
export async function restoreSnapshot(folder: string, snapshot: string): Promise<string> {
  const release = await lockData(folder);
  try {
    await verifySnapshot(snapshot);
    const live = join(folder, 'pg');
    const aside = join(folder, `pg-before-${new Date().toISOString().replaceAll(':', '-')}`);
    if (existsSync(live)) renameSync(live, aside);
    const db = await PGlite.create({ dataDir: live, loadDataDir: new Blob([new Uint8Array(readFileSync(snapshot))]) });
    await db.close();
    return aside;
  } finally {
    await release();
  }
}
