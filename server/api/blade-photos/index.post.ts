import { setResponseStatus } from 'h3'
import { MOST_PHOTOS, newBladePhoto } from '../../../core/records/storage/bladePhoto'
import { jsonBody } from '../../http/jsonBody'
import { parsed, refusal } from '../../http/refusal'
import { addPhoto } from '../../repositories/photoRepository'
import { useDatabase } from '../../store/store'

export default defineEventHandler(async (event) => {
  const added = await addPhoto(await useDatabase(), parsed(newBladePhoto, await jsonBody(event)))
  if (!added.ok && added.code === 'too-many') throw refusal(409, 'too-many-photos', { figures: { most: MOST_PHOTOS } })
  if (!added.ok) throw refusal(422, 'no-such-link', { figures: { kind: 'blades' } })
  setResponseStatus(event, 201)
  return added.photo
})
