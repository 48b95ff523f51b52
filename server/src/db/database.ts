import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { drizzle as overPg } from 'drizzle-orm/node-postgres';
import { migrate as migratePg } from 'drizzle-orm/node-postgres/migrator';
import { drizzle as overPglite } from 'drizzle-orm/pglite';
import { migrate as migratePglite } from 'drizzle-orm/pglite/migrator';
import pg from 'pg';
import { bringUpRows, migrationsWanted } from './bring-up.js';
import { lockData } from './lock.js';
import * as schema from './schema.js';
import { listSnapshots, takeSnapshot } from './snapshot.js';

export type Db = PgDatabase<PgQueryResultHKT, typeof schema>;

/** An open database and how to let go of it. */
export interface Store {
  readonly db: Db;
  readonly kind: 'embedded' | 'server';
  /** What opening it changed, a sentence each. */
  readonly opened: readonly string[];
  /** Says that rows changed, so that a snapshot is due. */
  readonly touched: () => void;
  readonly close: () => Promise<void>;
}

/** Injection token of the open store. */
export const STORE = Symbol('store');

const here = dirname(fileURLToPath(import.meta.url));
const migrationsFolder = join(here, '../../migrations');
const SNAPSHOT_EVERY = 10 * 60_000;

/** An embedded database in a folder of its own, or in memory when `folder` is null (tests). */
export async function openEmbedded(folder: string | null): Promise<Store> {
  const release = folder === null ? null : await lockData(folder);
  let opening: PGlite | undefined;
  try {
    const pglite = await PGlite.create(folder === null ? {} : { dataDir: join(folder, 'pg') });
    opening = pglite;
    const db = overPglite(pglite, { schema });
    const opened = await broughtUp(
      db as unknown as Db,
      () => migratePglite(db, { migrationsFolder }),
      async () => (folder === null ? null : takeSnapshot(pglite, folder)),
    );
    let due = folder !== null && listSnapshots(folder).length === 0;
    let working: Promise<unknown> = Promise.resolve();
    const snapshot = (): Promise<unknown> => {
      if (!due || folder === null) return working;
      due = false;
      working = takeSnapshot(pglite, folder).catch((error: unknown) => {
        due = true;
        console.error(`A snapshot could not be written: ${String(error)}`);
      });
      return working;
    };
    const timer = folder === null ? null : setInterval(() => void snapshot(), SNAPSHOT_EVERY);
    timer?.unref();
    return {
      db: db as unknown as Db,
      kind: 'embedded',
      opened,
      touched: () => {
        due = true;
      },
      close: async () => {
        if (timer !== null) clearInterval(timer);
        await snapshot();
        await pglite.close();
        await release?.();
      },
    };
  } catch (error) {
    await opening?.close();
    await release?.();
    throw error;
  }
}

/**
 * Brings tables and documents up to this program's version.
 * @param snapshot keeps what is there before anything of it is changed; null where that is not ours to do
 * @returns what was done, a sentence each
 * @throws NewerData
 */
async function broughtUp(
  db: Db,
  migrate: () => Promise<unknown>,
  snapshot: () => Promise<string | null>,
): Promise<string[]> {
  const out: string[] = [];
  const keep = async (): Promise<void> => {
    if (out.length > 0) return;
    const file = await snapshot();
    out.push(
      file === null
        ? 'This data was of an older version.'
        : `This data was of an older version; it is kept as it was in ${file}.`,
    );
  };
  const { wanted, fresh } = await migrationsWanted(db, migrationsFolder);
  if (wanted > 0 && !fresh) await keep();
  await migrate();
  out.push(...(await bringUpRows(db, keep)));
  return out;
}

/** A PostgreSQL server, same schema, same migrations. */
export async function openServer(url: string): Promise<Store> {
  const pool = new pg.Pool({ connectionString: url, max: 10 });
  const db = overPg(pool, { schema });
  const opened = await broughtUp(
    db as unknown as Db,
    () => migratePg(db, { migrationsFolder }),
    () => Promise.resolve(null),
  );
  return { db: db as unknown as Db, kind: 'server', opened, touched: () => undefined, close: () => pool.end() };
}

/** What the environment asks for: DATABASE_URL, or the embedded database in `folder`. */
export function openStore(folder: string): Promise<Store> {
  const url = process.env['DATABASE_URL'];
  return url === undefined || url === '' ? openEmbedded(folder) : openServer(url);
}
