import { ref, watch, type Ref } from 'vue'
import { storeToRefs } from 'pinia'
import type { z } from 'zod'
import type { ComputedCode } from '#core/schema/codes'
import type { MeasureUnit } from '#core/schema/measure'
import { checked } from '#core/schema/problem'
import { rawOf, versionOf, type Migration } from '#core/schema/versioned'
import { usePreferences } from '~/stores/preferences'
import type { Explained } from '~/words/problemText'
import { useWords } from '~/words/useWords'
import { lengthInUnit, parseFigure } from './draft'
import { useKeptDraft } from './useKeptDraft'

interface Form<T> {
  /** What stands in it; nothing that was not there when it was begun is taken up again. */
  readonly form: Ref<T>
  /** Whether it was begun earlier. */
  readonly takenUp: Ref<boolean>
  /** Empties it: what stood in it was used, or is thrown away. */
  beginAnew(): Promise<void>
  /** What is wrong, in words, by field; gone when anything is typed. */
  readonly problems: Readonly<Ref<Readonly<Record<string, string>>>>
  /** Says what is wrong at a field, unless something is said there already. */
  addProblem(field: string, problem: Explained & { readonly field?: string }): void
  hasProblems(): boolean
  /**
   * The figure that was typed, in mm, degrees or whatever it is measured in. Where it cannot be read: NaN, and
   * `missing` is the problem of its field.
   */
  readFigure(field: string, text: string, measure: MeasureUnit, missing: ComputedCode): number
  /**
   * Whether the form has no problem and all contents keep to the limits of their schema; what does not is a problem
   * of its field. `fieldOf`: the field of the form for a field of the schema, by its dotted path.
   */
  validate<S extends z.ZodType>(
    schema: S,
    contents: readonly z.input<S>[],
    fieldOf?: (path: string, content: z.input<S>) => string,
  ): boolean
}

/**
 * A small form, kept over leaving it and over a reload until it is used or thrown away, with what is wrong at which of
 * its fields. `lengths` writes the form anew with each of its lengths through the function that it is given: for
 * another unit they then mean what they meant. `migrations` lead from the form as earlier versions kept it to today's.
 */
export function useForm<T extends object>(
  key: string,
  begun: () => T,
  lengths: (form: T, inNewUnit: (text: string) => string) => T = (form) => form,
  migrations: readonly Migration[] = [],
): Form<T> {
  const { unit } = storeToRefs(usePreferences())
  const words = useWords()
  const { draft, takenUp, beginAnew } = useKeptDraft<T>(key, unit, {
    version: versionOf({ migrations }),
    begun,
    takenUp(kept, _unit, version) {
      if (typeof kept !== 'object' || kept === null) return null
      const before = migrations.slice(version - 1).reduce((form, migrate) => migrate(form), rawOf(kept))
      const now = begun()
      const fits = (name: string, empty: unknown) =>
        typeof before[name] === typeof empty && Array.isArray(before[name]) === Array.isArray(empty)
      const found = Object.entries(now).filter(([name, empty]) => fits(name, empty))
      return Object.assign(now, Object.fromEntries(found.map(([name]) => [name, before[name]])))
    },
    inUnit: (form, from, to) => lengths(form, (text) => lengthInUnit(text, from, to)),
  })

  const problems = ref<Record<string, string>>({})
  watch(draft, () => (problems.value = {}), { deep: true })
  const addProblem = (field: string, problem: Explained & { readonly field?: string }) =>
    void (problems.value[field] ||= words.problem(problem, problem.field ?? field))
  const hasProblems = () => Object.keys(problems.value).length > 0
  return {
    form: draft,
    takenUp,
    beginAnew,
    problems,
    addProblem,
    hasProblems,
    readFigure(field, text, measure, missing) {
      const parsed = parseFigure(text, measure, unit.value)
      if (!parsed.ok) addProblem(field, { code: missing })
      return parsed.ok ? parsed.value : NaN
    },
    validate(schema, contents, fieldOf = (path) => path) {
      for (const content of contents) {
        const read = checked(schema, content)
        if (!read.ok) for (const one of read.problems) addProblem(fieldOf(one.field, content), one)
      }
      return !hasProblems()
    },
  }
}
