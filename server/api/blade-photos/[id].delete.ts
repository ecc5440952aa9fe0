import { routeId } from '../../http/kept'
import { refusal } from '../../http/refusal'
import { removePhoto } from '../../repositories/bladePhotoRepository'
import { useDatabase } from '../../store/store'

export default defineEventHandler(async (event) => {
  if (!(await removePhoto(await useDatabase(), routeId(event)))) throw refusal(404, 'There is no such thing here.')
  return { ok: true }
})
