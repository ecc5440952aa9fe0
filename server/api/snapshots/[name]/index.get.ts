import { lookInto } from '../../../../core/kept/snapshots'
import { snapshotOf } from '../../../http/snapshots'

/** What is in a snapshot. */
export default defineEventHandler(async (event) => lookInto(await snapshotOf(event)))
