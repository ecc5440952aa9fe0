import { setResponseHeaders } from 'h3'
import { writeDueCalendar } from '../../core/exchange/files/dueCalendar'
import { dueJobs } from '../repositories/today'
import { useDatabase } from '../store/store'

/** When jobs are wanted back, for a calendar. */
export default defineEventHandler(async (event) => {
  setResponseHeaders(event, {
    'content-type': 'text/calendar; charset=utf-8',
    'content-disposition': 'attachment; filename="jaw-tilt-due.ics"',
  })
  return writeDueCalendar(await dueJobs(await useDatabase()), new Date())
})
