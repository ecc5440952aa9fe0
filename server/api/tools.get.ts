import { setResponseHeaders } from 'h3'
import { readTools } from '../repositories/toolRepository'
import { useDatabase } from '../store/store'

/** The rigs and stones as a file to hand on. */
export default defineEventHandler(async (event) => {
  setResponseHeaders(event, {
    'content-type': 'application/json; charset=utf-8',
    'content-disposition': 'attachment; filename="jaw-tilt-tools.json"',
  })
  return `${JSON.stringify(await readTools(await useDatabase()), null, 2)}\n`
})
