import { getRouterParam, type H3Event } from 'h3'
import type { StreamedBackup } from '../database/backupStream'
import { useData } from '../store/store'
import { refusal } from './refusal'

/** Does something with the snapshot named by the route; 404 where there is none, or none that reads. */
export async function withSnapshot<T>(event: H3Event, use: (snapshot: StreamedBackup) => T | Promise<T>): Promise<T> {
  const read = await (await useData()).readSnapshot(getRouterParam(event, 'name') ?? '')
  if (!read) throw refusal(404, 'no-such-record')
  try {
    return await use(read)
  } finally {
    read.close()
  }
}
