import { lookInto } from '../../../../core/exchange/api/snapshots'
import { withSnapshot } from '../../../http/snapshots'

/** What is in a snapshot. */
export default defineEventHandler((event) => withSnapshot(event, ({ backup }) => lookInto(backup)))
