import { listRigVersions } from '../repositories/versionRepository'
import { useDatabase } from '../store/store'

/** What rigs were before they were measured anew. */
export default defineEventHandler(async () => listRigVersions(await useDatabase()))
