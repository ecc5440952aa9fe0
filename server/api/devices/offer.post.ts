import type { DeviceOffer } from '../../../core/exchange/api/devices'
import { useAccess } from '../../access/bench'
import { ownAddresses } from '../../access/network'
import { SIGN_IN } from '../../access/signIn'
import { benchAlone } from '../../http/benchAlone'
import { jsonBody } from '../../http/jsonBody'

/** Offers to let one device in; what was offered before counts no more. */
export default defineEventHandler(async (event): Promise<DeviceOffer> => {
  benchAlone(event)
  await jsonBody(event)
  const { code, key, until } = useAccess().offers.make(new Date())
  const scheme = process.env.JAW_TILT_TLS_CERT ? 'https' : 'http'
  const port = process.env.PORT || '4747'
  const addresses = ownAddresses().map((address) => `${scheme}://${address}:${port}${SIGN_IN}#${key}`)
  return { code, addresses, until: until.toISOString() }
})
