import { removeSamples } from '../repositories/sampleRepository'
import { useDatabase } from '../store/store'

/** Takes the samples away; the answer, brought back as a backup, brings them back as they were. */
export default defineEventHandler(async () => removeSamples(await useDatabase(), new Date()))
