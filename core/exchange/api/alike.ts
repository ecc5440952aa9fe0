import { z } from 'zod'

/** What became of an edge of another blade of the same steel and for the same work, degrees per side. */
export const alikeEdge = z.object({
  bladeId: z.uuid(),
  blade: z.string(),
  deg: z.number(),
  became: z.enum(['held', 'rolled', 'chipped']),
})
export type AlikeEdge = z.infer<typeof alikeEdge>
