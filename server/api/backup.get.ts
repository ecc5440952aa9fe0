import { Readable } from 'node:stream'
import { sendStream, setResponseHeader } from 'h3'
import { backupText } from '../repositories/backupText'
import { useDatabase } from '../store/store'

export default defineEventHandler(async (event) => {
  const now = new Date()
  setResponseHeader(
    event,
    'content-disposition',
    `attachment; filename="jaw-tilt-${now.toISOString().slice(0, 10)}.json"`,
  )
  setResponseHeader(event, 'content-type', 'application/json')
  return sendStream(event, Readable.from(backupText(await useDatabase(), now)))
})
