import {
  boolean,
  doublePrecision,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core'
import type { KeptBlade, KeptRig, KeptSetup, KeptStone } from '../../core/kept/kept'
import type { Rig } from '../../core/rig/rig'
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
  moreJaws: jsonb('more_jaws').$type<KeptRig['moreJaws']>().notNull().default([]),
  stops: jsonb().$type<KeptRig['stops']>().notNull().default([]),
  positionMarks: jsonb('position_marks').$type<KeptRig['positionMarks']>().notNull().default([]),
  rodLengthMm: doublePrecision('rod_length_mm').notNull(),
  stroke: jsonb().$type<KeptRig['stroke']>(),
  pivot: jsonb().$type<KeptRig['pivot']>().notNull(),
  pivotB: jsonb('pivot_b').$type<KeptRig['pivotB']>(),
  pivotPlayMm: doublePrecision('pivot_play_mm').notNull().default(0),
  height: jsonb().$type<KeptRig['height']>().notNull(),
  tolerance: jsonb().$type<KeptRig['tolerance']>().notNull(),
})

/** What a rig was before each change: jobs go on with the version they were done with. */
export const rigVersions = pgTable(
  'rig_versions',
  {
    rigId: uuid('rig_id')
      .notNull()
      .references(() => rigs.id),
    revision: integer().notNull(),
    content: jsonb().$type<Rig>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.revision] })],
)

export const blades = pgTable('blades', {
  ...kept,
  owner: text().notNull().default(''),
  use: text().notNull().default(''),
  complaint: text().notNull().default(''),
  steel: text().notNull().default(''),
  coating: text().notNull().default(''),
  hardnessHrc: doublePrecision('hardness_hrc'),
  grind: text().$type<KeptBlade['grind']>().notNull(),
  bevels: text().$type<KeptBlade['bevels']>().notNull(),
  falseEdge: boolean('false_edge').notNull().default(false),
  choil: boolean().notNull().default(true),
  landmark: jsonb().$type<KeptBlade['landmark']>(),
  widthMm: doublePrecision('width_mm').notNull(),
  spineThicknessMm: doublePrecision('spine_thickness_mm').notNull(),
  spineThicknessTipMm: doublePrecision('spine_thickness_tip_mm'),
  thicknessBehindEdgeMm: doublePrecision('thickness_behind_edge_mm').notNull(),
  thicknessBehindEdgeTipMm: doublePrecision('thickness_behind_edge_tip_mm'),
  bevelDeg: jsonb('bevel_deg').$type<KeptBlade['bevelDeg']>(),
  primaryGrindHeightMm: doublePrecision('primary_grind_height_mm').notNull(),
  edge: jsonb().$type<KeptBlade['edge']>().notNull(),
  spine: jsonb().$type<KeptBlade['spine']>(),
  shape: jsonb().$type<KeptBlade['shape']>(),
  zones: jsonb().$type<KeptBlade['zones']>(),
  handleLengthMm: doublePrecision('handle_length_mm').notNull().default(0),
})

export const bladePhotos = pgTable('blade_photos', {
  id: uuid().primaryKey(),
  bladeId: uuid('blade_id')
    .notNull()
    .references(() => blades.id),
  caption: text().notNull().default(''),
  image: text().notNull(),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
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
  dishMm: doublePrecision('dish_mm').notNull().default(0),
  wornOutAtMm: doublePrecision('worn_out_at_mm'),
  log: jsonb().$type<KeptStone['log']>().notNull().default([]),
})

export const setups = pgTable('setups', {
  ...kept,
  rigId: uuid('rig_id')
    .notNull()
    .references(() => rigs.id),
  rigRevision: integer('rig_revision'),
  jawsName: text('jaws_name'),
  bladeId: uuid('blade_id')
    .notNull()
    .references(() => blades.id),
  stoneId: uuid('stone_id')
    .notNull()
    .references(() => stones.id),
  held: jsonb().$type<KeptSetup['held']>().notNull(),
  bladeHeightToleranceMm: doublePrecision('blade_height_tolerance_mm').notNull(),
  holdTolerance: jsonb('hold_tolerance').$type<Partial<KeptSetup['holdTolerance']>>().notNull().default({}),
  dialled: jsonb().$type<KeptSetup['dialled']>().notNull(),
  wanted: jsonb().$type<KeptSetup['wanted']>().notNull(),
  lookAtMm: doublePrecision('look_at_mm'),
  progression: jsonb().$type<KeptSetup['progression']>().notNull().default([]),
  gaugeZero: text('gauge_zero').$type<KeptSetup['gaugeZero']>().notNull().default('centre-plane'),
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
