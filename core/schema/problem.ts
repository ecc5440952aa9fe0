import { z } from 'zod'
import { isOneOf } from './keys'
import { unitAt } from './measure'
import { PROBLEM_CODES, type ProblemCode } from './codes'
import { failed, type Failure, type Figures } from './result'

const figures = z.record(z.string(), z.union([z.number(), z.string()]))

/** What is wrong: a code and its figures. */
const finding = z.object({ code: z.enum(PROBLEM_CODES), figures: figures.optional() })
export interface Finding {
  readonly code: ProblemCode
  readonly figures?: Figures
}

/** What is wrong with one field, by its dotted path; an empty path is the record as a whole. */
export const fieldProblem = finding.extend({ field: z.string() })
export interface FieldProblem extends Finding {
  readonly field: string
}

/** The one shape of every refusal by the server: what is wrong, and at which fields. */
export const problem = finding.extend({
  fields: z.array(fieldProblem),
  /** What is stored now, when a write started from an outdated revision. */
  current: z.unknown().optional(),
})
export interface Problem extends Finding {
  readonly fields: readonly FieldProblem[]
  readonly current?: unknown
}

/** Says in a schema's own rule what is wrong, at a path below the record. */
export function refuseAt(
  context: Pick<z.core.$RefinementCtx, 'addIssue'>,
  path: readonly (string | number)[],
  code: ProblemCode,
  figures: Figures = {},
): void {
  context.addIssue({ code: 'custom', path: [...path], params: { finding: { code, figures } } })
}

/** A rule's own message in a schema: `z.literal('x', says('not-this-format'))`. */
export const says = (code: ProblemCode): string => `says:${code}`

/** More problems of one file than these tell nothing new. */
export const MOST_PROBLEMS = 20

/** Of several parts some are wrong: each with its field. */
export interface Invalid<P extends FieldProblem = FieldProblem> extends Failure<'invalid'> {
  readonly problems: readonly P[]
}
export const invalid = <P extends FieldProblem>(problems: readonly P[]): Invalid<P> => ({
  ...failed('invalid'),
  problems,
})

/** A value by its schema, or what is wrong with it and where. */
export function checked<T extends z.ZodType>(
  schema: T,
  value: unknown,
): { readonly ok: true; readonly value: z.output<T> } | Invalid {
  const parsed = schema.safeParse(value, { reportInput: true })
  if (parsed.success) return { ok: true, value: parsed.data }
  const problems = parsed.error.issues.map((issue) => ({
    field: issue.path.map(String).join('.'),
    ...findingOf(issue, schema),
  }))
  return invalid(problems)
}

const sizeOf = (origin: string) => (origin === 'string' ? 'text' : origin === 'array' ? 'list' : 'figure')

function findingOf(issue: z.core.$ZodIssue, schema: z.core.$ZodType): Finding {
  const said = /^says:(.+)$/.exec(issue.message)?.[1]
  if (isOneOf(PROBLEM_CODES, said)) return { code: said }
  const unit = unitAt(schema, issue.path)
  const withUnit = (figures: Figures): Figures => (unit ? { ...figures, unit } : figures)
  switch (issue.code) {
    case 'too_small': {
      const of = sizeOf(issue.origin)
      if (of === 'text') return { code: 'text-missing' }
      if (of === 'list') return { code: 'too-few', figures: { least: Number(issue.minimum) } }
      return { code: 'too-small', figures: withUnit({ [issue.inclusive ? 'least' : 'above']: Number(issue.minimum) }) }
    }
    case 'too_big': {
      const of = sizeOf(issue.origin)
      const most = Number(issue.maximum)
      if (of === 'text') return { code: 'text-too-long', figures: { most } }
      return of === 'list'
        ? { code: 'too-many', figures: { most } }
        : { code: 'too-large', figures: withUnit({ most }) }
    }
    case 'invalid_type':
      if (issue.input === undefined) return { code: 'missing' }
      if (issue.expected === 'int') return { code: 'not-whole' }
      return { code: issue.expected === 'number' ? 'not-a-number' : 'wrong-kind' }
    case 'invalid_value':
    case 'invalid_union':
      return { code: issue.input === undefined ? 'missing' : 'not-one-of' }
    case 'invalid_format':
      return { code: issue.format === 'date' || issue.format === 'datetime' ? 'not-a-date' : 'wrong-kind' }
    case 'custom':
      return finding.safeParse(issue.params?.finding).data ?? { code: 'wrong-kind' }
    default:
      return { code: 'wrong-kind' }
  }
}
