import { computed, nextTick, ref, watch, type Ref } from 'vue'
import { storeToRefs } from 'pinia'
import type { z } from 'zod'
import type { RecordOf } from '#core/records/storage/kinds'
import type { FieldProblem } from '#core/schema/problem'
import type { LengthUnit } from '#core/math/units/length'
import type { Tool } from '~/stores/known'
import { usePreferences } from '~/stores/preferences'
import { useFields } from './useFields'
import { useKeeping } from './useKeeping'
import { useKeptDraft, type DraftKind } from './useKeptDraft'

/** What is described, and how its draft is begun and read. */
interface Describing<K extends Tool, T extends object, R extends { readonly problems: readonly FieldProblem[] }> {
  readonly kind: K
  /** The record that is measured anew or copied; null begins a new one. */
  readonly from: RecordOf<K> | null
  readonly copy: boolean
  /** What is said of one that was changed: "is measured anew". */
  readonly changed: string
  readonly drafts: DraftKind<T>
  read(draft: T, unit: LengthUnit): R
  /** What is saved, once nothing is wrong with it. */
  content(read: R): object | null
  /** What else is wrong than with what is typed. */
  also?(read: R): readonly FieldProblem[]
  /** The steps it is described in, and at which of them a field is; without: all at once. */
  steps?(draft: T, unit: LengthUnit): { readonly ids: readonly string[]; of(path: string): number }
}

const ALL_AT_ONCE = { ids: ['all'], of: () => 0 }

/**
 * A record being described: its draft, kept in the browser until it is saved; its fields, with limits and units from
 * the schema; what is wrong at which field, said once a step was left or saving was tried; and saving it.
 */
export function useDescription<
  K extends Tool,
  T extends object,
  R extends { readonly problems: readonly FieldProblem[] },
>({ kind, from, copy, changed, drafts, read: readOf, content, also, steps }: Describing<K, T, R>) {
  const { unit } = storeToRefs(usePreferences())
  const key = `${kind.slice(0, -1)}:${from?.id ?? 'new'}${copy ? ':copy' : ''}`
  const { draft, takenUp, step, forget, beginAnew } = useKeptDraft(key, unit, drafts)
  const { keep, busy, failure, refused } = useKeeping(kind, copy ? null : from, changed)
  // What the server would not take holds for what it was sent.
  watch(draft, () => (refused.value = []), { deep: true })

  const read = computed(() => readOf(draft.value, unit.value))
  const problems = computed(() => [...read.value.problems, ...(also?.(read.value) ?? []), ...refused.value])
  const fieldsOf = (part: (draft: T) => object, schema: z.core.$ZodType) =>
    useFields(
      () => part(draft.value),
      schema,
      () => problems.value,
    )

  const stepsNow = computed(() => steps?.(draft.value, unit.value) ?? ALL_AT_ONCE)
  const ids = computed(() => stepsNow.value.ids)
  const stepOf = (path: string): number => stepsNow.value.of(path)
  /** Steps that were left: nobody is scolded for a field not reached yet. */
  const left: Ref<Set<string>> = ref(new Set())
  const wasLeft = (at: number): boolean => left.value.has(ids.value[at] ?? '')
  const wrong = computed(() => new Set(problems.value.map(({ field }) => stepOf(field))))
  /** What is said at a field: nothing while it is empty and its step was not left. */
  const shown = (problem: string | undefined, text: unknown): string | undefined =>
    wasLeft(step.value) || String(text ?? '').trim() !== '' ? problem : undefined

  const leave = (at: number) => void left.value.add(ids.value[at] ?? '')
  function go(to: number) {
    leave(step.value)
    step.value = Math.min(ids.value.length - 1, Math.max(0, to))
  }
  /** Saves it and forgets the draft; null, at the first field that is wrong, where something is. */
  async function save(): Promise<RecordOf<K> | null> {
    ids.value.forEach((_, at) => leave(at))
    const whole = content(read.value)
    if (!whole || problems.value.length > 0) {
      step.value = Math.min(...wrong.value, ids.value.length - 1)
      await nextTick()
      document.querySelector<HTMLElement>('[data-described] [aria-invalid="true"]')?.focus()
      return null
    }
    const kept = await keep(whole)
    if (kept) await forget()
    return kept
  }

  return {
    key,
    unit,
    draft,
    takenUp,
    beginAnew,
    read,
    problems,
    fieldsOf,
    step,
    stepOf,
    wasLeft,
    /** Whether a step was left with something wrong. */
    missing: (at: number) => wasLeft(at) && wrong.value.has(at),
    shown,
    go,
    save,
    busy,
    failure,
  }
}
