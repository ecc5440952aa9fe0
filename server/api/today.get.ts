import { readToday } from '../repositories/today'
import { useDatabase } from '../store/store'

/** The bench's day: what is due, and which edges are dull by now. */
export default defineEventHandler(async () => readToday(await useDatabase(), new Date().toISOString()))
