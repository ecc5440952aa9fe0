import { sql, type SQL } from 'drizzle-orm'
import {
  type AnyPgColumn,
  bigserial,
  customType,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core'
import type { Outcome } from '../../core/log/choices'
import type { RecordKind } from '../../core/records/storage/kinds'
import type { Standing } from '../../core/use/standing'

const tsvector = customType<{ data: string }>({ dataType: () => 'tsvector' })
const moment = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

/**
 * Every record (rigs, blades, stones, jobs). What it says is one content, written and read by its kind's schema in
 * core/records/kept; here stands only what the database itself asks for. No field can get lost between the two.
 */
export const records = pgTable(
  'things',
  {
    id: uuid().primaryKey(),
    kind: text().$type<RecordKind>().notNull(),
    revision: integer().notNull(),
    createdAt: moment('created_at').notNull(),
    updatedAt: moment('updated_at').notNull(),
    archivedAt: moment('archived_at'),
    name: text().notNull(),
    /** Of the content's shape. */
    version: integer().notNull(),
    content: jsonb().$type<unknown>().notNull(),
  },
  (table) => [
    index('things_of_a_kind').on(table.kind, table.createdAt),
    index('things_by_last_change').on(
      table.kind,
      sql`(${table.archivedAt} is null)`,
      table.updatedAt.desc().nullsFirst(),
      table.id.desc().nullsFirst(),
    ),
    index('jobs_with_a_blade')
      .on(sql`(${table.content} ->> 'bladeId')`, table.updatedAt)
      .where(sql`kind = 'jobs'`),
    index('jobs_wanted_back')
      .on(sql`(${table.content} ->> 'dueOn')`)
      .where(sql`kind = 'jobs' and archived_at is null and content ->> 'dueOn' is not null`),
    index('blades_of_an_owner')
      .on(sql`(${table.content} ->> 'owner')`)
      .where(sql`kind = 'blades'`),
    index('jobs_on_a_rig')
      .on(sql`(${table.content} ->> 'rigId')`)
      .where(sql`kind = 'jobs'`),
  ],
)

/** What a job names as its rig or its blade. */
export const linkOf = (field: 'rigId' | 'bladeId'): SQL => sql`(${records.content} ->> ${sql.raw(`'${field}'`)})`

/** The rig that an entry says it was made on; earlier versions called what it was set to a cut. */
export const rigOfEntry = (content: AnyPgColumn): SQL =>
  sql`coalesce(${content} -> 'setup' ->> 'rigId', ${content} -> 'cut' ->> 'rigId')`

/** What a record was before each change, for kinds that keep it: jobs go on with the version they were done with. */
export const recordVersions = pgTable(
  'thing_versions',
  {
    thingId: uuid('thing_id')
      .notNull()
      .references(() => records.id),
    revision: integer().notNull(),
    version: integer().notNull(),
    content: jsonb().$type<unknown>().notNull(),
    /** When it was written over; null where that was not kept. */
    until: moment('until'),
  },
  (table) => [primaryKey({ columns: [table.thingId, table.revision] })],
)

/** What happened: rows are added and never changed; those of the samples go with them. */
export const log = pgTable(
  'log',
  {
    /** The order in which entries came in. */
    received: bigserial({ mode: 'number' }).primaryKey(),
    id: uuid().notNull().unique(),
    kind: text().notNull(),
    at: moment('at').notNull(),
    jobId: uuid('job_id'),
    bladeId: uuid('blade_id'),
    stoneId: uuid('stone_id'),
    version: integer().notNull(),
    content: jsonb().$type<unknown>().notNull(),
  },
  (table) => [
    index('log_of_a_job').on(table.jobId),
    index('log_of_a_blade').on(table.bladeId),
    index('log_of_a_kind').on(table.kind, table.received),
    index('proofs_on_a_rig')
      .on(rigOfEntry(table.content))
      .where(sql`kind = 'proof'`),
  ],
)

/** Where each job stands, as its log has it: written whenever that gains an entry. */
export const standings = pgTable(
  'standings',
  {
    jobId: uuid('job_id').primaryKey(),
    standing: text().$type<Standing>().notNull(),
  },
  (table) => [index('jobs_standing_so').on(table.standing)],
)

/** The edge that each blade was last given, as its log has it: written whenever that says more of it. */
export const lastEdges = pgTable('last_edges', {
  bladeId: uuid('blade_id').primaryKey(),
  jobId: uuid('job_id').notNull(),
  at: moment('at').notNull(),
  said: text().$type<Outcome>(),
  usualDays: doublePrecision('usual_days'),
  dullFrom: moment('dull_from'),
})

/**
 * The words that a record is looked for by: its name, whose it is and what for; of a job those of its blade and its rig
 * too. The database writes them itself, by triggers (migration 0009).
 */
export const recordWords = pgTable(
  'record_words',
  { id: uuid().primaryKey(), words: tsvector().notNull() },
  (table) => [index('records_by_words').using('gin', table.words)],
)

export const photos = pgTable('photos', {
  id: uuid().primaryKey(),
  bladeId: uuid('blade_id')
    .notNull()
    .references(() => records.id),
  caption: text().notNull(),
  image: text().notNull(),
  createdAt: moment('created_at').notNull().defaultNow(),
})

/** One row: how the user likes figures shown. */
export const settings = pgTable('settings', {
  id: integer().primaryKey(),
  revision: integer().notNull(),
  content: jsonb().$type<unknown>().notNull(),
})
