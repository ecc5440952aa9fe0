import { namedFolder, type CopiesState } from '../../../core/exchange/api/copies'
import { benchAlone } from '../../http/benchAlone'
import { jsonBody } from '../../http/jsonBody'
import { parsed, refusedFields } from '../../http/refusal'
import { useData } from '../../store/store'

/** Names the second folder for copies, and copies the newest snapshot there; null: none. */
export default defineEventHandler(async (event): Promise<CopiesState> => {
  benchAlone(event)
  const { folder } = parsed(namedFolder, await jsonBody(event))
  const data = await useData()
  const why = data.copies.name(folder)
  if (why) throw refusedFields([{ field: 'folder', code: `copy-${why}` }])
  await data.snapshot()
  const [newest] = data.snapshots()
  if (newest) data.copies.copy(newest)
  return data.copies.state()
})
