import { getRouterParam, type H3Event } from 'h3'
import { z } from 'zod'
import { KEPT_KINDS, keptKind, startedFrom, type KeptByKind, type KeptKind } from '../../core/kept/kept'
import type { Rig } from '../../core/rig/rig'
import { keptRepository, type Content, type Written } from '../repositories/keptRepository'
import { useDatabase } from '../store/store'
import { parsed, refusal } from './refusal'
import { refuseSlotsBelowFace } from './slots'

/** The collection a route is about, and its repository; 404 when there is no such collection. */
export async function collection(event: H3Event) {
  const kind = keptKind.safeParse(getRouterParam(event, 'kind'))
  if (!kind.success) throw refusal(404, 'There is nothing of that kind here.')
  return { kind: kind.data, repository: keptRepository(await useDatabase(), kind.data) }
}

/** The id named by the route; 404 when it is no id at all. */
export function routeId(event: H3Event): string {
  const id = z.uuid().safeParse(getRouterParam(event, 'id'))
  if (!id.success) throw refusal(404, 'There is no such thing here.')
  return id.data
}

/** The content of a body, by the kind's schema and, for a rig, by the stones there are. */
export async function contentOf(kind: KeptKind, body: unknown): Promise<Content> {
  const content = parsed(KEPT_KINDS[kind] as z.ZodType<Content>, body)
  if (kind === 'rigs') await refuseSlotsBelowFace(await useDatabase(), [{ rig: content as unknown as Rig, path: '' }])
  return content
}

/** The revision a write started from. */
export const revisionOf = (from: unknown): number => parsed(startedFrom, from).revision

/** What was written, or the refusal that says why it was not. */
export function answer<K extends KeptKind>(written: Written<K>): KeptByKind[K] {
  if (written.ok) return written.kept
  if (written.why === 'outdated')
    throw refusal(409, 'This was changed elsewhere meanwhile.', { current: written.current })
  if (written.why === 'missing') throw refusal(404, 'There is no such thing here.')
  const message = `There is no such ${written.field.replace('Id', '')}.`
  throw refusal(422, message, { fields: [{ field: written.field, message }] })
}
