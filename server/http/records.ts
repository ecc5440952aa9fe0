import { getRouterParam, type H3Event } from 'h3'
import { z } from 'zod'
import { startedFrom } from '../../core/records/common/meta'
import {
  recordKind,
  writableSchema,
  type ContentOf,
  type RecordOf,
  type RecordKind,
} from '../../core/records/storage/kinds'
import { rigMeasures } from '../../core/records/rig/rig'
import { recordRepository, type Written } from '../repositories/recordRepository'
import { useDatabase } from '../store/store'
import { parsed, refusal } from './refusal'
import { refuseSlotsBelowFace } from './slots'

/** The collection a route is about, and its repository; 404 when there is no such collection. */
export async function collection(event: H3Event) {
  const kind = recordKind.safeParse(getRouterParam(event, 'kind'))
  if (!kind.success) throw refusal(404, 'not-found')
  return { kind: kind.data, repository: recordRepository(await useDatabase(), kind.data) }
}

/** The id named by the route; 404 when it is no id at all. */
export function routeId(event: H3Event): string {
  const id = z.uuid().safeParse(getRouterParam(event, 'id'))
  if (!id.success) throw refusal(404, 'no-such-record')
  return id.data
}

/** The content of a body, by the kind's schema and, for a rig, by the stones there are. */
export async function contentOf<K extends RecordKind>(kind: K, body: unknown): Promise<ContentOf<K>> {
  const content = parsed(writableSchema(kind), body)
  if (kind === 'rigs') await refuseSlotsBelowFace(await useDatabase(), [{ rig: rigMeasures.parse(content), path: '' }])
  return content
}

/** The revision a write started from. */
export const revisionOf = (from: unknown): number => parsed(startedFrom, from).revision

/** What was written, or the refusal that says why it was not. */
export function answer<K extends RecordKind>(written: Written<K>): RecordOf<K> {
  if (written.ok) return written.kept
  if (written.code === 'outdated') throw refusal(409, 'outdated', { current: written.current })
  if (written.code === 'missing') throw refusal(404, 'no-such-record')
  if (written.code === 'name-taken')
    throw refusal(422, 'name-taken', { fields: [{ field: 'name', code: 'name-taken' }] })
  const link = { code: written.code, figures: { kind: written.kind } }
  throw refusal(422, link.code, { figures: link.figures, fields: [{ field: written.field, ...link }] })
}
