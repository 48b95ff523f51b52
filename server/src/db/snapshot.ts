import {
  closeSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { PGlite } from '@electric-sql/pglite';

const KEPT = 6;
const NAME = /^camp-.*\.tar\.gz$/;

export function snapshotFolder(data: string): string {
  return join(data, 'snapshots');
}

/** Snapshots on disk, newest first. */
export function listSnapshots(data: string): string[] {
  try {
    return readdirSync(snapshotFolder(data))
      .filter((n) => NAME.test(n))
      .sort()
      .reverse();
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return [];
    throw error;
  }
}

/** Opens a snapshot in memory and counts its rigs; throws when it is not whole. */
export async function verifySnapshot(file: string): Promise<number> {
  const bytes = new Uint8Array(readFileSync(file));
  gunzipSync(bytes); // checks length and checksum of what was packed
  const copy = await PGlite.create({ loadDataDir: new Blob([bytes]) });
  try {
    const { rows } = await copy.query<{ count: number }>('select count(*)::int as count from rigs');
    return rows[0]!.count;
  } finally {
    await copy.close();
  }
}

/**
 * Writes a verified, fsynced snapshot and drops the oldest. The embedded database never syncs to disk
 * itself, so after a power cut these are what is sure.
 * @returns the file's path
 */
export async function takeSnapshot(db: PGlite, data: string): Promise<string> {
  const folder = snapshotFolder(data);
  mkdirSync(folder, { recursive: true });
  const name = `camp-${new Date().toISOString().replaceAll(':', '-')}.tar.gz`;
  const temporary = join(folder, `${name}.part`);
  const bytes = new Uint8Array(await (await db.dumpDataDir('gzip')).arrayBuffer());
  const handle = openSync(temporary, 'w');
  try {
    writeSync(handle, bytes);
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
  await verifySnapshot(temporary);
  renameSync(temporary, join(folder, name));
  for (const old of listSnapshots(data).slice(KEPT)) rmSync(join(folder, old), { force: true });
  return join(folder, name);
}
