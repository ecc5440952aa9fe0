import { jsonBody } from '../../../http/jsonBody'
import { answer, collection, contentOf, revisionOf, routeId } from '../../../http/records'

export default defineEventHandler(async (event) => {
  const { kind, repository } = await collection(event)
  const body = await jsonBody(event)
  return answer(await repository.update(routeId(event), revisionOf(body), await contentOf(kind, body)))
})
