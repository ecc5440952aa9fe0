import { slotsBelowFace } from '../../core/records/rig/impossible'
import type { Rig } from '../../core/records/rig/rig'
import type { Stone } from '../../core/records/stone/stone'
import type { Database } from '../database/connection'
import { recordRepository } from '../repositories/recordRepository'
import { refusedFields } from './refusal'

/**
 * Refuses rigs with a slot in which no stone of the box (or of those that come with them) can come down to the edge, at
 * the slot's field.
 */
export async function refuseSlotsBelowFace(
  db: Database,
  rigs: readonly { rig: Rig; path: string }[],
  stonesWithThem: readonly Stone[] = [],
): Promise<void> {
  const box = [...(await recordRepository(db, 'stones').list()).records, ...stonesWithThem]
  const fields = rigs.flatMap(({ rig, path }) =>
    slotsBelowFace(rig, box).map((one) => ({ ...one, field: path + one.field })),
  )
  if (fields.length > 0) throw refusedFields(fields)
}
