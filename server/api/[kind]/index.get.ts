import { getQuery } from 'h3'
import { collection } from '../../http/things'

export default defineEventHandler(async (event) => {
  const { repository } = await collection(event)
  return repository.list(getQuery(event).archived === 'true')
})
