import { routeId } from '../../http/records'
import { refusal } from '../../http/refusal'
import { removePhoto } from '../../repositories/photoRepository'
import { useDatabase } from '../../store/store'

export default defineEventHandler(async (event) => {
  if (!(await removePhoto(await useDatabase(), routeId(event)))) throw refusal(404, 'no-such-record')
  return { ok: true }
})
