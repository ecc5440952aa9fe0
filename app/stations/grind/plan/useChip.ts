import { computed } from 'vue'
import { z } from 'zod'
import { mm } from '#core/schema/measure'
import { checked, type FieldProblem } from '#core/schema/problem'
import { APEX_WORN_MM } from '#core/steel/removal/plan'
import { parseFigure } from '~/forms/draft'
import { usePreferences } from '~/stores/preferences'
import { useWords } from '~/words/useWords'

/** Chips are ground out at once, or a part of them with each of three sharpenings. */
const SHARPENINGS = { once: 1, three: 3 } as const
export type ChipOver = keyof typeof SHARPENINGS

const schema = z.object({ chip: mm({ above: 0, most: 5 }) })

/** The deepest chip as it is typed: its depth, mm, null where none is entered; and what is wrong with it, in words. */
export function useChip(typed: () => string) {
  const preferences = usePreferences()
  const words = useWords()
  const read = computed((): { readonly mm: number | null; readonly problem: FieldProblem | null } => {
    const text = typed().trim()
    if (text === '') return { mm: null, problem: null }
    const depth = parseFigure(text, 'mm', preferences.unit)
    if (!depth.ok) return { mm: null, problem: { field: 'chip', code: 'not-a-length', figures: { text } } }
    const limited = checked(schema, { chip: depth.value })
    return limited.ok ? { mm: limited.value.chip, problem: null } : { mm: null, problem: limited.problems[0] ?? null }
  })
  const problem = computed(() => read.value.problem && words.problem(read.value.problem))
  const hasChip = computed(() => read.value.mm !== null)
  /** How far one sharpening takes the apex back, mm: its part of the chip, and no less than a worn apex loses. */
  const backMm = (over: ChipOver) => Math.max(APEX_WORN_MM, (read.value.mm ?? 0) / SHARPENINGS[over])
  return { problem, hasChip, backMm }
}
