import { lastJobsOfBlades } from '../repositories/jobLists'
import { useDatabase } from '../store/store'

/** When each blade was last done, and on which rig. */
export default defineEventHandler(async () => lastJobsOfBlades(await useDatabase()))
