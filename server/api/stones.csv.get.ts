import { setResponseHeaders } from 'h3'
import { writeStoneCsv } from '../../core/exchange/files/stoneCsv'
import { readTools } from '../repositories/toolRepository'
import { useDatabase } from '../store/store'

/** The stones as a table. */
export default defineEventHandler(async (event) => {
  setResponseHeaders(event, {
    'content-type': 'text/csv; charset=utf-8',
    'content-disposition': 'attachment; filename="jaw-tilt-stones.csv"',
  })
  return writeStoneCsv((await readTools(await useDatabase())).stones)
})
