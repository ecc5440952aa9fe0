import { computed } from 'vue'
import type { z } from 'zod'
import { unitAt } from '#core/schema/measure'
import type { FieldProblem } from '#core/schema/problem'
import { useWords } from '~/words/useWords'
import { usePreferences } from '~/stores/preferences'
import { parseFigure, type Draft } from './draft'

const partsOf = (path: string) => path.split('.').map((part) => (/^\d+$/.test(part) ? Number(part) : part))

/** The fields of a draft by their dotted paths: what stands in them, what they are measured in, what is wrong. */
export function useFields(draft: () => Draft, schema: z.core.$ZodType, problems: () => readonly FieldProblem[]) {
  const preferences = usePreferences()
  const words = useWords()

  function placeOf(path: string): [Draft | undefined, string] {
    const parts = path.split('.')
    const last = parts.pop()!
    const place = parts.reduce<unknown>((at, part) => (at as Draft | undefined)?.[part], draft())
    return [place as Draft | undefined, last]
  }
  function textAt(path: string): string {
    const [place, key] = placeOf(path)
    return String(place?.[key] ?? '')
  }
  function put(path: string, text: string) {
    const [place, key] = placeOf(path)
    if (place) place[key] = text
  }
  function rows(path: string): Draft[] {
    const [place, key] = placeOf(path)
    return (place?.[key] ?? []) as Draft[]
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
