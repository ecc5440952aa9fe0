import type { ListedSnapshot } from '../../../core/exchange/api/snapshots'
import { useData } from '../../store/store'

/** The snapshots there are, newest first. */
export default defineEventHandler(async (): Promise<ListedSnapshot[]> => {
  const data = await useData()
  return data.snapshots().map(({ name, at, bytes }) => ({ name, at: at.toISOString(), bytes }))
})
