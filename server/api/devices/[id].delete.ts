import { useAccess } from '../../access/bench'
import { benchAlone } from '../../http/benchAlone'
import { refusal } from '../../http/refusal'
import { routeId } from '../../http/things'

/** Shuts a device out. */
export default defineEventHandler((event) => {
  benchAlone(event)
  if (!useAccess().devices.shutOut(routeId(event))) throw refusal(404, 'no-such-thing')
  return { ok: true }
})
