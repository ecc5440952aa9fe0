import { progressNow } from '../http/bringingBack'

/** How far a backup that is being brought back has come; null where none is. */
export default defineEventHandler(() => ({ progress: progressNow() }))
