import { bigserial, index, integer, jsonb, pgTable, primaryKey, text, timestamp, uuid } from 'drizzle-orm/pg-core'
import type { ThingKind } from '../../core/kept/things'

const moment = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

/**
 * Every kept thing (rigs, blades, stones, jobs). What it says is one content, written and read by its kind's schema in
 * core/kept; here stands only what the database itself asks for. No field can get lost between the two.
 */
export const things = pgTable(
  'things',
  {
    id: uuid().primaryKey(),
    kind: text().$type<ThingKind>().notNull(),
    revision: integer().notNull(),
    createdAt: moment('created_at').notNull(),
    updatedAt: moment('updated_at').notNull(),
    archivedAt: moment('archived_at'),
    name: text().notNull(),
    /** Of the content's shape. */
    version: integer().notNull(),
    content: jsonb().$type<unknown>().notNull(),
  },
  (table) => [index('things_of_a_kind').on(table.kind, table.createdAt)],
)

/** What a thing was before each change, for kinds that keep it: jobs go on with the version they were done with. */
export const thingVersions = pgTable(
  'thing_versions',
  {
    thingId: uuid('thing_id')
      .notNull()
      .references(() => things.id),
    revision: integer().notNull(),
    version: integer().notNull(),
    content: jsonb().$type<unknown>().notNull(),
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
  (table) => [index('log_of_a_job').on(table.jobId), index('log_of_a_blade').on(table.bladeId)],
)

export const photos = pgTable('photos', {
  id: uuid().primaryKey(),
  bladeId: uuid('blade_id')
    .notNull()
    .references(() => things.id),
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
