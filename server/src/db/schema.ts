import type { Binding, KitCord, OwnCord } from '@rough-bight/core/cordage';
import type { Calibrations, Place } from '@rough-bight/core/ground';
import type { LogEntry } from '@rough-bight/core/log';
import type { BodyMeasures, UnitChoice } from '@rough-bight/core/quantity';
import type { Gear, GearList, RidgeRig } from '@rough-bight/core/rig';
import type { Required } from '@rough-bight/core/strength';
import type { Learner } from '@rough-bight/core/teach';
import { sql } from 'drizzle-orm';
import {
  boolean,
  check,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  serial,
  text,
  timestamp,
  uniqueIndex,
} from 'drizzle-orm/pg-core';

/** What a rig comes to, as its words are made of. */
interface StoredVerdict {
  readonly holds: boolean;
  readonly sentence: readonly unknown[];
  readonly detail: readonly unknown[];
}

const when = (name: string) => timestamp(name, { withTimezone: true, mode: 'string' }).notNull().defaultNow();

/** Deleted: kept with all that was saved of it, so that it can be put back as it was. */
const gone = () => boolean('gone').notNull().default(false);

export const camps = pgTable('camps', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  about: text('about').notNull().default(''),
  /** Put away: it is kept, and not shown among those in use. */
  away: boolean('away').notNull().default(false),
  /** Ids of the rigs that stand tonight; null where nobody said: then all of them. */
  tonight: jsonb('tonight').$type<readonly string[]>(),
  /** What is bound with cord there, besides rigs. */
  bindings: jsonb('bindings').$type<readonly Binding[]>().notNull().default([]),
  /** Who learns there. */
  learners: jsonb('learners').$type<readonly Learner[]>().notNull().default([]),
  createdAt: when('created_at'),
});

/** Those whose hands and feet measure. */
export const people = pgTable('people', {
  id: text('id').primaryKey(),
  position: serial('position').notNull(),
  name: text('name').notNull(),
  body: jsonb('body').$type<BodyMeasures>().notNull(),
  /** Repeats against a tape, from which the body's units come. */
  calibrations: jsonb('calibrations').$type<Calibrations>().notNull().default({}),
  required: jsonb('required').$type<Required>().notNull(),
  units: jsonb('units').$type<UnitChoice>().notNull(),
  version: integer('version').notNull().default(1),
  gone: gone(),
});

export const kitCords = pgTable(
  'kit_cords',
  {
    id: text('id').notNull(),
    campId: text('camp_id')
      .notNull()
      .references(() => camps.id, { onDelete: 'cascade' }),
    position: serial('position').notNull(),
    name: text('name').notNull(),
    cord: text('cord').notNull(),
    /** What it is where it is none of the catalogue's. */
    own: jsonb('own').$type<OwnCord>(),
    length: doublePrecision('length').notNull(),
    /** What was cut from it and is still on hand, and every cut. */
    pieces: jsonb('pieces').$type<NonNullable<KitCord['pieces']>>(),
    cuts: jsonb('cuts').$type<NonNullable<KitCord['cuts']>>(),
    sun: text('sun').notNull(),
    wear: text('wear').notNull(),
    gone: gone(),
  },
  (t) => [primaryKey({ columns: [t.campId, t.id] }), check('kit_cords_length', sql`${t.length} >= 0`)],
);

/** What of the kit is no cord: roofs, pegs, beds and straps. */
export const kitGear = pgTable(
  'kit_gear',
  {
    id: text('id').notNull(),
    campId: text('camp_id')
      .notNull()
      .references(() => camps.id, { onDelete: 'cascade' }),
    position: serial('position').notNull(),
    kind: text('kind').$type<GearList>().notNull(),
    document: jsonb('document').$type<Gear[GearList][number]>().notNull(),
    gone: gone(),
  },
  (t) => [
    primaryKey({ columns: [t.campId, t.kind, t.id] }),
    check('kit_gear_kind', sql`${t.kind} in ('roofs', 'pegs', 'beds', 'straps')`),
  ],
);

/** Columns of a named document of a camp. */
const documentOf = <D>() => ({
  id: text('id').primaryKey(),
  campId: text('camp_id')
    .notNull()
    .references(() => camps.id, { onDelete: 'cascade' }),
  position: serial('position').notNull(),
  name: text('name').notNull(),
  note: text('note').notNull().default(''),
  document: jsonb('document').$type<D>().notNull(),
  /** Counts the saves; a save must name the one it was made from. */
  version: integer('version').notNull().default(1),
  updatedAt: when('updated_at'),
  gone: gone(),
});
/** Columns of a save of one, besides whose it is. */
const revisionOf = <D>() => ({
  id: serial('id').primaryKey(),
  version: integer('version').notNull(),
  name: text('name').notNull(),
  note: text('note').notNull(),
  document: jsonb('document').$type<D>().notNull(),
  /** What a person calls this one, to come back to it; one that is called something is never let go of. */
  called: text('called').notNull().default(''),
  savedAt: when('saved_at'),
});

export const rigs = pgTable('rigs', documentOf<RidgeRig>(), (t) => [index('rigs_camp').on(t.campId)]);

/** What was last made of a rig: for which content, and when. */
export const rigVerdicts = pgTable('rig_verdicts', {
  rigId: text('rig_id')
    .primaryKey()
    .references(() => rigs.id, { onDelete: 'cascade' }),
  /** Of rig, kit, measures, margins and program together: where it is another, the verdict is an old one. */
  of: text('of').notNull(),
  verdict: jsonb('verdict').$type<StoredVerdict>().notNull(),
  madeAt: when('made_at'),
});

/** Every save of a rig, so that nothing that was stored is lost. */
export const rigRevisions = pgTable(
  'rig_revisions',
  {
    ...revisionOf<RidgeRig>(),
    rigId: text('rig_id')
      .notNull()
      .references(() => rigs.id, { onDelete: 'cascade' }),
  },
  (t) => [uniqueIndex('rig_revisions_version').on(t.rigId, t.version)],
);

export const places = pgTable('places', documentOf<Place>(), (t) => [index('places_camp').on(t.campId)]);

/** Every save of a place. */
export const placeRevisions = pgTable(
  'place_revisions',
  {
    ...revisionOf<Place>(),
    placeId: text('place_id')
      .notNull()
      .references(() => places.id, { onDelete: 'cascade' }),
  },
  (t) => [uniqueIndex('place_revisions_version').on(t.placeId, t.version)],
);

/** What happened in a camp, as it was written. The writer's own id of an entry: one that is sent again is there already. */
export const logEntries = pgTable(
  'log_entries',
  {
    id: text('id').notNull(),
    campId: text('camp_id')
      .notNull()
      .references(() => camps.id, { onDelete: 'cascade' }),
    /** In the order of arrival. */
    position: serial('position').notNull(),
    /** When, where it was written. */
    at: timestamp('at', { withTimezone: true, mode: 'string' }).notNull(),
    by: text('by').notNull(),
    rig: text('rig'),
    what: jsonb('what').$type<LogEntry['what']>().notNull(),
    arrivedAt: when('arrived_at'),
  },
  (t) => [primaryKey({ columns: [t.campId, t.id] })],
);
