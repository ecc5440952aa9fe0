import { readPreferences } from '../repositories/preferencesRepository'
import { useDatabase } from '../store/store'

export default defineEventHandler(async () => readPreferences(await useDatabase()))
