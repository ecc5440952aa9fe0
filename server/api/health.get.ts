import { databaseAnswers } from '../store/store'

export default defineEventHandler(async () => {
  await databaseAnswers()
  return { ok: true, name: 'jaw-tilt', pid: process.pid }
})
