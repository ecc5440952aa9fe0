import { useAccess } from '../../access/bench'
import { endWhoMayNotWatch } from '../../database/changes'
import { benchAlone } from '../../http/benchAlone'
import { refusal } from '../../http/refusal'
import { routeId } from '../../http/records'

/** Shuts a device out. */
export default defineEventHandler((event) => {
  benchAlone(event)
  if (!useAccess().devices.shutOut(routeId(event))) throw refusal(404, 'no-such-record')
  endWhoMayNotWatch()
  return { ok: true }
})
