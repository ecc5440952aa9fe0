import { getQuery, setResponseHeaders } from 'h3'
import { askedRecord } from '../../core/exchange/api/recordLog'
import { writeRecordCsv } from '../../core/exchange/files/recordCsv'
import { parsed } from '../http/refusal'
import { namesOf, readRecord } from '../repositories/recordLog'
import { useDatabase } from '../store/store'

/** The same as a table. */
export default defineEventHandler(async (event) => {
  const { of, id } = parsed(askedRecord, getQuery(event))
  const db = await useDatabase()
  setResponseHeaders(event, {
    'content-type': 'text/csv; charset=utf-8',
    'content-disposition': `attachment; filename="jaw-tilt-${of}.csv"`,
  })
  return writeRecordCsv((await readRecord(db, of, id)).log.entries, await namesOf(db))
})
