import { plantDemo } from '../demo/plantDemo'
import { jsonBody } from '../http/jsonBody'
import { useDatabase } from '../store/store'

/** Plants the sample tool room in an empty bench; a bench that holds anything is left as it is. */
export default defineEventHandler(async (event) => {
  await jsonBody(event)
  await plantDemo(await useDatabase())
  return { ok: true }
})
