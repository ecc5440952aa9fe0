import { listOwnerNames } from '../repositories/ownerNames'
import { useDatabase } from '../store/store'

/** The owners that stand on blades in use. */
export default defineEventHandler(async () => listOwnerNames(await useDatabase()))
