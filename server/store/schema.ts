import { doublePrecision, integer, jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core'
import type { KeptBlade, KeptRig, KeptSetup, KeptStone } from '../../core/kept/kept'
import type { KeptPreferences } from '../../core/kept/preferences'

/** The columns that everything kept has; core/kept says what they mean. */
const kept = {
  id: uuid().primaryKey(),
  revision: integer().notNull().default(1),
  createdAt: timestamp('created_at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
  updatedAt: timestamp('updated_at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
  archivedAt: timestamp('archived_at', { withTimezone: true, mode: 'date' }),
  name: text().notNull(),
  notes: text().notNull().default(''),
}

export const rigs = pgTable('rigs', {
  ...kept,
  kind: text().$type<KeptRig['kind']>().notNull(),
  jaws: jsonb().$type<KeptRig['jaws']>(),
  rodLengthMm: doublePrecision('rod_length_mm').notNull(),
  pivot: jsonb().$type<KeptRig['pivot']>().notNull(),
  pivotB: jsonb('pivot_b').$type<KeptRig['pivotB']>(),
  height: jsonb().$type<KeptRig['height']>().notNull(),
  tolerance: jsonb().$type<KeptRig['tolerance']>().notNull(),
})

export const blades = pgTable('blades', {
  ...kept,
  owner: text().notNull().default(''),
  use: text().notNull().default(''),
  steel: text().notNull().default(''),
  hardnessHrc: doublePrecision('hardness_hrc'),
  grind: text().$type<KeptBlade['grind']>().notNull(),
  bevels: text().$type<KeptBlade['bevels']>().notNull(),
  widthMm: doublePrecision('width_mm').notNull(),
  spineThicknessMm: doublePrecision('spine_thickness_mm').notNull(),
  thicknessBehindEdgeMm: doublePrecision('thickness_behind_edge_mm').notNull(),
  primaryGrindHeightMm: doublePrecision('primary_grind_height_mm').notNull(),
  edge: jsonb().$type<KeptBlade['edge']>().notNull(),
  spine: jsonb().$type<KeptBlade['spine']>(),
  handleLengthMm: doublePrecision('handle_length_mm').notNull().default(0),
})

export const stones = pgTable('stones', {
  ...kept,
  kind: text().$type<KeptStone['kind']>().notNull(),
  grit: jsonb().$type<KeptStone['grit']>(),
  grainUm: doublePrecision('grain_um').notNull(),
  faceOffsetMm: doublePrecision('face_offset_mm').notNull(),
  faceOffsetEnds: jsonb('face_offset_ends').$type<KeptStone['faceOffsetEnds']>(),
  faceOffsetToleranceMm: doublePrecision('face_offset_tolerance_mm').notNull(),
  lengthMm: doublePrecision('length_mm').notNull(),
  widthMm: doublePrecision('width_mm').notNull(),
  lubricant: text().notNull().default(''),
})

export const setups = pgTable('setups', {
  ...kept,
  rigId: uuid('rig_id').notNull().references(() => rigs.id),
  bladeId: uuid('blade_id').notNull().references(() => blades.id),
  stoneId: uuid('stone_id').notNull().references(() => stones.id),
  held: jsonb().$type<KeptSetup['held']>().notNull(),
  bladeHeightToleranceMm: doublePrecision('blade_height_tolerance_mm').notNull(),
  dialled: jsonb().$type<KeptSetup['dialled']>().notNull(),
  wanted: jsonb().$type<KeptSetup['wanted']>().notNull(),
  lookAtMm: doublePrecision('look_at_mm'),
  read: jsonb().$type<KeptSetup['read']>().notNull(),
  proved: jsonb().$type<KeptSetup['proved']>().notNull(),
})

/** One row: how the user likes figures shown. */
export const preferences = pgTable('preferences', {
  id: integer().primaryKey(),
  revision: integer().notNull(),
  unit: text().$type<KeptPreferences['unit']>().notNull(),
  angles: text().$type<KeptPreferences['angles']>().notNull(),
  sideNames: jsonb('side_names').$type<KeptPreferences['sideNames']>().notNull(),
})

export const KEPT_TABLES = { rigs, blades, stones, setups } as const
