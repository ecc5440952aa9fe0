import { getQuery, setResponseHeaders } from 'h3'
import { z } from 'zod'
import { writeRecordCsv } from '../../core/exchange/files/recordCsv'
import { parsed } from '../http/refusal'
import { namesOf, readBladeRecord } from '../repositories/bladeRecord'
import { useDatabase } from '../store/store'

const asked = z.object({ blade: z.uuid() })

/** The same as a table. */
export default defineEventHandler(async (event) => {
  const { blade } = parsed(asked, getQuery(event))
  const db = await useDatabase()
  setResponseHeaders(event, {
    'content-type': 'text/csv; charset=utf-8',
    'content-disposition': 'attachment; filename="jaw-tilt-blade.csv"',
  })
  return writeRecordCsv((await readBladeRecord(db, blade)).log.entries, await namesOf(db))
})
