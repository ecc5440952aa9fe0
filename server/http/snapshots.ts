import { getRouterParam, type H3Event } from 'h3'
import type { Backup } from '../../core/kept/backup'
import { useData } from '../store/store'
import { refusal } from './refusal'

/** The snapshot named by the route; 404 where there is none, or none that reads. */
export async function snapshotOf(event: H3Event): Promise<Backup> {
  const backup = await (await useData()).readSnapshot(getRouterParam(event, 'name') ?? '')
  if (!backup) throw refusal(404, 'no-such-thing')
  return backup
}
