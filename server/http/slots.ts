import { slotsBelowFace } from '../../core/rig/impossible'
import type { Rig } from '../../core/rig/rig'
import type { Stone } from '../../core/stone/stone'
import type { Database } from '../store/database'
import { keptRepository } from '../repositories/keptRepository'
import { refusal } from './refusal'

/**
 * Refuses rigs with a slot in which no stone of the box (or of those that come with them) can come down to the edge, at
 * the slot's field.
 */
export async function refuseSlotsBelowFace(
  db: Database,
  rigs: readonly { rig: Rig; path: string }[],
  stonesWithThem: readonly Stone[] = [],
): Promise<void> {
  const box = [...(await keptRepository(db, 'stones').list()), ...stonesWithThem]
  const fields = rigs.flatMap(({ rig, path }) =>
    slotsBelowFace(rig, box).map(({ field, message }) => ({ field: path + field, message })),
  )
  if (fields.length > 0) throw refusal(422, fields[0]!.message, { fields })
}
