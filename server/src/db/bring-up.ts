import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { UnknownVersion, bringUp } from '@rough-bight/core/document';
import type { Versions } from '@rough-bight/core/document';
import { PLACE_VERSIONS, RIG_VERSIONS, noteWith } from '@rough-bight/core/formats';
import { eq, sql } from 'drizzle-orm';
import type { Db } from './database.js';
import { placeRevisions, places, rigRevisions, rigs } from './schema.js';

/** Data that a newer program wrote: this one would not understand it, and leaves it alone. */
export class NewerData extends Error {
  override readonly name = 'NewerData';
  constructor(what: string) {
    super(
      `This data was written by a newer Rough Bight: ${what}. Start that one, or set ROUGH_BIGHT_DATA to another folder. Nothing was changed.`,
    );
  }
}

interface Journal {
  readonly entries: readonly { readonly tag: string; readonly when: number }[];
}

/**
 * How many of this program's migrations the database still wants; all of them where it is new.
 * @throws NewerData
 */
export async function migrationsWanted(
  db: Db,
  folder: string,
): Promise<{ readonly wanted: number; readonly fresh: boolean }> {
  const { entries } = JSON.parse(readFileSync(join(folder, 'meta/_journal.json'), 'utf8')) as Journal;
  const known = await db.execute(sql`select to_regclass('drizzle.__drizzle_migrations')::text as at`);
  if (rowsOf<{ at: string | null }>(known)[0]!.at === null) return { wanted: entries.length, fresh: true };
  const done = rowsOf<{ created_at: string | number }>(
    await db.execute(sql`select created_at from drizzle.__drizzle_migrations`),
  ).map((r) => Number(r.created_at));
  const last = Math.max(0, ...entries.map((e) => e.when));
  const newer = done.filter((at) => at > last).length;
  if (newer > 0)
    throw new NewerData(`its tables have ${newer} ${newer === 1 ? 'change' : 'changes'} that this one does not know`);
  return { wanted: entries.filter((e) => !done.includes(e.when)).length, fresh: done.length === 0 };
}

const rowsOf = <T>(answer: unknown): readonly T[] => (answer as { readonly rows: readonly T[] }).rows;

/** Tables of documents, and the chain that each is brought up by. Their columns are alike. */
const KINDS = [
  { one: 'rig', versions: RIG_VERSIONS, rows: rigs, revisions: rigRevisions },
  {
    one: 'place',
    versions: PLACE_VERSIONS,
    rows: places as unknown as typeof rigs,
    revisions: placeRevisions as unknown as typeof rigRevisions,
  },
] as const;

/** A document of the database brought up, with what could not be kept said in its note. */
function brought(
  versions: Versions,
  what: string,
  { note, document }: { readonly note: string; readonly document: unknown },
): { readonly note: string; readonly document: never } {
  try {
    const { document: now, lost } = bringUp(versions, document);
    return { note: lost.length === 0 ? note : noteWith(note, lost), document: now as never };
  } catch (error) {
    if (!(error instanceof UnknownVersion)) throw error;
    throw new NewerData(`${what} is ${typeof error.format === 'string' ? error.format.slice(0, 60) : 'of no version'}`);
  }
}

/**
 * Brings every stored document of an older version up to this one, in one transaction: rigs, places, and every save of them.
 * @param before called once before anything is changed, where something will be
 * @returns what was done, a sentence for each kind
 * @throws NewerData, and then nothing has changed
 */
export async function bringUpRows(db: Db, before: () => Promise<void>): Promise<string[]> {
  const older = await Promise.all(
    KINDS.map(async ({ rows, revisions, versions }) => {
      const of = <T extends typeof rigs | typeof rigRevisions>(table: T) =>
        sql`${table.document}->>'format' is distinct from ${versions.now}`;
      return {
        rows: await db.select().from(rows).where(of(rows)),
        revisions: await db.select().from(revisions).where(of(revisions)),
      };
    }),
  );
  if (older.every((o) => o.rows.length === 0 && o.revisions.length === 0)) return [];
  // whatever cannot be brought up is found before anything is written
  const next = older.map((o, i) => {
    const { one, versions } = KINDS[i]!;
    const up = <R extends { readonly name: string; readonly note: string; readonly document: unknown }>(r: R) => ({
      row: r,
      ...brought(versions, `the ${one} “${r.name}”`, r),
    });
    return { rows: o.rows.map(up), revisions: o.revisions.map(up) };
  });
  await before();
  await db.transaction(async (tx) => {
    for (const [i, { rows, revisions }] of next.entries()) {
      const kind = KINDS[i]!;
      for (const { row, note, document } of rows)
        await tx.update(kind.rows).set({ note, document }).where(eq(kind.rows.id, row.id));
      for (const { row, note, document } of revisions)
        await tx.update(kind.revisions).set({ note, document }).where(eq(kind.revisions.id, row.id));
    }
  });
  return next.flatMap(({ rows, revisions }, i) => {
    const { one, versions } = KINDS[i]!;
    if (rows.length === 0 && revisions.length === 0) return [];
    return [
      `${rows.length} ${one}${rows.length === 1 ? '' : 's'} and ${revisions.length} earlier ${revisions.length === 1 ? 'save' : 'saves'} were brought up to ${versions.now}.`,
    ];
  });
}
