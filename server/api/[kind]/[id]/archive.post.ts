import { jsonBody } from '../../../http/jsonBody'
import { answer, collection, revisionOf, routeId } from '../../../http/records'

export default defineEventHandler(async (event) => {
  const { repository } = await collection(event)
  const revision = revisionOf(await jsonBody(event))
  return answer(await repository.archive(routeId(event), revision))
})
