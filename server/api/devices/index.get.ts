import { notedAsker } from '../../access/access'
import { useAccess } from '../../access/bench'
import { isLoopback } from '../../access/door'
import type { DevicesHere } from '../../../core/exchange/api/devices'

/** The devices that were let in, and whether any can be. */
export default defineEventHandler((event): DevicesHere => ({
  reach: isLoopback(process.env.HOST || '127.0.0.1') ? 'this-machine' : 'network',
  bench: notedAsker(event.node.req) === 'bench',
  devices: useAccess()
    .devices.list()
    .map(({ id, name, lastUsedAt }) => ({ id, name, lastUsedAt })),
}))
