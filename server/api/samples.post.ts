import { plantSamples } from '../demo/plantSamples'
import { jsonBody } from '../http/jsonBody'
import { useDatabase } from '../store/store'

/** Lays the sample tool room out beside what is there. */
export default defineEventHandler(async (event) => {
  await jsonBody(event)
  await plantSamples(await useDatabase())
  return { ok: true }
})
