import { countSamples } from '../repositories/sampleRepository'
import { useDatabase } from '../store/store'

/** How many of what is here are samples. */
export default defineEventHandler(async () => ({ count: await countSamples(await useDatabase()) }))
