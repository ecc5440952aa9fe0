import { z } from 'zod'

/** The one shape of every refusal by the server: what is wrong, and at which fields. */
export const problem = z.object({
  message: z.string(),
  fields: z.array(z.object({ field: z.string(), message: z.string() })),
  /** What is stored now, when a write started from an outdated revision. */
  current: z.unknown().optional(),
})
export type Problem = z.infer<typeof problem>

/** The fields named by a failed Zod parse, as dotted paths. */
export const problemFields = (error: z.ZodError): Problem['fields'] =>
  error.issues.map((issue) => ({ field: issue.path.map(String).join('.'), message: issue.message }))
