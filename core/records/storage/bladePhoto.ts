import { z } from 'zod'
import { moment } from '../../schema/moment'
import { says } from '../../schema/problem'

/**
 * A picture of a blade as it came, or as it was handed back: a JPEG or PNG as a data address, of half a megabyte or so.
 */
export const newBladePhoto = z.object({
  bladeId: z.uuid(),
  caption: z.string().max(120).default(''),
  image: z
    .string()
    .max(700_000, says('picture-too-large'))
    .regex(/^data:image\/(jpeg|png);base64,[A-Za-z0-9+/]+=*$/, says('not-a-picture')),
})
export const bladePhoto = newBladePhoto.extend({ id: z.uuid(), createdAt: moment })
export type BladePhoto = z.infer<typeof bladePhoto>

/** So many pictures of one blade are kept. */
export const MOST_PHOTOS = 8
