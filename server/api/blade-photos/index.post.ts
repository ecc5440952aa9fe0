import { setResponseStatus } from 'h3'
import { MOST_PHOTOS, newBladePhoto } from '../../../core/kept/bladePhoto'
import { jsonBody } from '../../http/jsonBody'
import { parsed, refusal } from '../../http/refusal'
import { addPhoto } from '../../repositories/bladePhotoRepository'
import { useDatabase } from '../../store/store'

export default defineEventHandler(async (event) => {
  const added = await addPhoto(await useDatabase(), parsed(newBladePhoto, await jsonBody(event)))
  if (!added.ok)
    throw refusal(
      added.why === 'too-many' ? 409 : 422,
      added.why === 'too-many'
        ? `${MOST_PHOTOS} pictures of a blade are kept at most: take one away first.`
        : 'There is no such blade.',
    )
  setResponseStatus(event, 201)
  return added.photo
})
