import { collection, routeId } from '../../../http/records'
import { refusal } from '../../../http/refusal'

export default defineEventHandler(async (event) => {
  const { repository } = await collection(event)
  const kept = await repository.find(routeId(event))
  if (!kept) throw refusal(404, 'no-such-record')
  return kept
})
