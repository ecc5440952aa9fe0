import { lookInto } from '../../../../core/kept/snapshots'
import { withSnapshot } from '../../../http/snapshots'

/** What is in a snapshot. */
export default defineEventHandler((event) => withSnapshot(event, ({ backup }) => lookInto(backup)))
