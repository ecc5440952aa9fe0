import { computed } from 'vue'
import type { z } from 'zod'
import { unitAt } from '#core/schema/measure'
import type { FieldProblem } from '#core/schema/problem'
import { useWords } from '~/words/useWords'
import { usePreferences } from '~/stores/preferences'
import { parseFigure } from './draft'

const partsOf = (path: string) => path.split('.').map((part) => (/^\d+$/.test(part) ? Number(part) : part))

/** The fields of a draft by their dotted paths: what stands in them, what they are measured in, what is wrong. */
export function useFields(draft: () => object, schema: z.core.$ZodType, problems: () => readonly FieldProblem[]) {
  const preferences = usePreferences()
  const words = useWords()

  const at = (path: string): unknown =>
    path.split('.').reduce<unknown>((of, key) => (of instanceof Object ? Reflect.get(of, key) : undefined), draft())
  const textAt = (path: string): string => String(at(path) ?? '')
  function put(path: string, text: string) {
    const dot = path.lastIndexOf('.')
    const place = dot < 0 ? draft() : at(path.slice(0, dot))
    if (place instanceof Object) Reflect.set(place, path.slice(dot + 1), text)
  }
  function rows(path: string): unknown[] {
    const list = at(path)
    return Array.isArray(list) ? list : []
  }

  const measureOf = (path: string) => unitAt(schema, partsOf(path))
  /** The figure at a path, mm or degrees or what it is measured in, if it can be read. */
  function figure(path: string): number | null {
    const measure = measureOf(path)
    if (!measure) return null
    const parsed = parseFigure(textAt(path), measure, preferences.unit)
    return parsed.ok ? parsed.value : null
  }
  /** What stands behind a field: the unit of its figure, empty for words. */
  function unitText(path: string): string {
    const measure = measureOf(path)
    if (measure === 'mm') return preferences.unit
    return measure === null ? '' : { deg: '°', um: 'µm', hrc: 'HRC', count: '' }[measure]
  }

  /** The first problem of each field, in words. */
  const problemTexts = computed<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(
      problems()
        .toReversed()
        .map((one) => [one.field, words.problem(one, one.field)]),
    ),
  )
  return { textAt, put, rows, figure, unitText, isFigure: (path: string) => measureOf(path) !== null, problemTexts }
}
export type Fields = ReturnType<typeof useFields>
