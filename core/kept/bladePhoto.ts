import { z } from 'zod'

/**
 * A picture of a blade as it came, or as it was handed back: a JPEG or PNG as a data address, at most about half a
 * megabyte.
 */
export const newBladePhoto = z.object({
  bladeId: z.uuid(),
  caption: z.string().max(120).default(''),
  image: z
    .string()
    .max(700_000, 'This picture is too large to be kept.')
    .regex(/^data:image\/(jpeg|png);base64,[A-Za-z0-9+/]+=*$/, 'Only JPEG and PNG pictures are kept.'),
})
export const bladePhoto = newBladePhoto.extend({ id: z.uuid(), createdAt: z.iso.datetime() })
export type BladePhoto = z.infer<typeof bladePhoto>

/** So many pictures of one blade are kept. */
export const MOST_PHOTOS = 8
