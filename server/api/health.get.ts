import { sql } from 'drizzle-orm'
import { useDatabase } from '../store/store'

export default defineEventHandler(async () => {
  const db = await useDatabase()
  await db.execute(sql`select 1`)
  return { ok: true, name: 'jaw-tilt', pid: process.pid }
})
