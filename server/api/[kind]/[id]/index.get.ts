import { collection, routeId } from '../../../http/things'
import { refusal } from '../../../http/refusal'

export default defineEventHandler(async (event) => {
  const { repository } = await collection(event)
  const kept = await repository.find(routeId(event))
  if (!kept) throw refusal(404, 'no-such-thing')
  return kept
})
