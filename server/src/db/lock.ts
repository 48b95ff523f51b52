import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import lockfile from 'proper-lockfile';

/** The data folder is open in another process. */
export class DataInUse extends Error {
  override readonly name = 'DataInUse';
}

interface Owner {
  readonly pid: number;
  readonly since: string;
}

function alive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

function readOwner(file: string): Owner | null {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as Owner;
  } catch {
    return null; // no owner was ever written, or it was cut short: the lock itself still decides
  }
}

/**
 * Takes the data folder for this process alone: two processes on one embedded database lose rows.
 * A lock left by a process that is gone is taken over at once.
 * @returns what gives it back
 * @throws DataInUse naming the other process
 */
export async function lockData(folder: string): Promise<() => Promise<void>> {
  mkdirSync(folder, { recursive: true });
  const ownerFile = join(folder, 'owner.json');
  const lockPath = join(folder, 'in-use.lock');
  const owner = readOwner(ownerFile);
  if (existsSync(lockPath) && owner !== null && !alive(owner.pid)) rmSync(lockPath, { recursive: true, force: true });
  let release: () => Promise<void>;
  try {
    release = await lockfile.lock(folder, { lockfilePath: lockPath, stale: 15_000, update: 5_000 });
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ELOCKED') throw error;
    const who = owner === null ? 'another process' : `process ${owner.pid}, running since ${owner.since}`;
    throw new DataInUse(
      `The data in ${folder} is in use by ${who}. Stop that one first, or set ROUGH_BIGHT_DATA to another folder.`,
    );
  }
  writeFileSync(ownerFile, JSON.stringify({ pid: process.pid, since: new Date().toISOString() } satisfies Owner));
  return async () => {
    rmSync(ownerFile, { force: true });
    await release();
  };
}
