import { setResponseHeader } from 'h3'
import { readAll } from '../repositories/backupRepository'
import { useDatabase } from '../store/store'

export default defineEventHandler(async (event) => {
  const now = new Date()
  setResponseHeader(
    event,
    'content-disposition',
    `attachment; filename="jaw-tilt-${now.toISOString().slice(0, 10)}.json"`,
  )
  return readAll(await useDatabase(), now)
})
