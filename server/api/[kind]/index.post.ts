import { setResponseStatus } from 'h3'
import { z } from 'zod'
import { jsonBody } from '../../http/jsonBody'
import { answer, collection, contentOf } from '../../http/records'
import { parsed } from '../../http/refusal'

const withId = z.object({ id: z.uuid().optional() })

export default defineEventHandler(async (event) => {
  const { kind, repository } = await collection(event)
  const body = await jsonBody(event)
  const { id } = parsed(withId, body)
  const kept = answer(await repository.create(await contentOf(kind, body), id))
  setResponseStatus(event, 201)
  return kept
})
