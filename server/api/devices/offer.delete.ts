import { useAccess } from '../../access/bench'
import { benchAlone } from '../../http/benchAlone'

/** Takes back what was offered. */
export default defineEventHandler((event) => {
  benchAlone(event)
  useAccess().offers.withdraw()
  return { ok: true }
})
