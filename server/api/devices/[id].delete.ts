import { useAccess } from '../../access/bench'
import { benchAlone } from '../../http/benchAlone'
import { refusal } from '../../http/refusal'
import { routeId } from '../../http/records'

/** Shuts a device out. */
export default defineEventHandler((event) => {
  benchAlone(event)
  if (!useAccess().devices.shutOut(routeId(event))) throw refusal(404, 'no-such-record')
  return { ok: true }
})
