import { computed, shallowRef } from 'vue'
import { storeToRefs } from 'pinia'
import { nth } from '#core/math/list'
import type { RigRecord } from '#core/records/kept/things'
import type { FieldProblem } from '#core/schema/problem'
import { heightRange } from '#core/records/rig/dial'
import { slotsBelowFace } from '#core/records/rig/impossible'
import { RIGS, type RigKind } from '#core/records/rig/kinds'
import { oddities } from '#core/records/rig/oddities'
import { rigMeasures, type Rig } from '#core/records/rig/rig'
import { useWords } from '~/words/useWords'
import { rigSheet } from './sheet/rigSheet'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { emptyRow, readRig, rigDraftOf, rigDrafts } from './rigDraft'
import { dialsOf, type FieldList } from '~/forms/rigDials'
import { rigSteps, stepOf } from './rigSteps'
import { useFields } from '~/forms/useFields'
import { useKeptDraft } from '~/forms/useKeptDraft'

/**
 * A rig being described: what is typed, what it comes to, and what is wrong or odd about it. `from`: measured anew or
 * copied.
 */
export function useRigDescription(from: RigRecord | null, copy: boolean) {
  const collections = useCollections()
  const preferences = usePreferences()
  const words = useWords()
  const { unit } = storeToRefs(preferences)
  const key = `rig:${from?.id ?? 'new'}${copy ? ':copy' : ''}`
  const { draft, takenUp, step, forget, beginAnew } = useKeptDraft(key, unit, rigDrafts(from, copy))

  const steps = computed(() => rigSteps(draft.value, unit.value))
  const read = computed(() => readRig(draft.value, unit.value, from))
  const box = computed(() => collections.stones.filter((stone) => stone.archivedAt === null))
  /** What the server would not take; gone with the next figure typed. */
  const refused = shallowRef<readonly FieldProblem[]>([])
  const problems = computed((): readonly FieldProblem[] => {
    const slots = read.value.rig ? slotsBelowFace(read.value.rig, box.value) : []
    return [...read.value.problems, ...slots, ...refused.value]
  })
  const fields = useFields(
    () => draft.value,
    rigMeasures,
    () => problems.value,
  )
  const remarks = computed<Record<string, string>>(() =>
    Object.fromEntries(
      (read.value.rig ? oddities(read.value.rig) : []).map((one) => [one.field, words.problem(one, one.field)]),
    ),
  )
  const range = computed(() => (read.value.rig ? heightRange(read.value.rig) : null))
  /** The steps at which something is wrong. */
  const openSteps = computed(() => new Set(problems.value.map(({ field }) => stepOf(steps.value, field))))

  function put(path: string, text: string) {
    fields.put(path, text)
    refused.value = []
  }
  const addRow = (list: FieldList) => fields.rows(list.path).push(emptyRow(list.path, unit.value))
  /** The paths of all fields of a step, those of its lists' rows included. */
  const pathsOf = (index: number): Set<string> => {
    const step = nth(steps.value, index)
    const inLists = step.lists.flatMap((list) =>
      fields.rows(list.path).flatMap((_, i) => list.fields.map((f) => `${list.path}.${i}.${f.path}`)),
    )
    return new Set([...step.fields.map((f) => f.path), ...inLists])
  }

  function chooseKind(kind: RigKind) {
    draft.value.kind = kind
    if (!dialsOf(kind).includes(draft.value.height.by)) draft.value.height.by = dialsOf(kind)[0]
    if (RIGS[kind].twoArms && draft.value.pivotB.setbackMm === '') draft.value.pivotB = { ...draft.value.pivot }
  }

  /** Begins with the measures of a sample; its name and notes are the user's to give. */
  function beginAs(sample: Rig) {
    const { name, notes } = draft.value
    draft.value = { ...rigDraftOf(sample, unit.value), name, notes }
  }

  const sheet = computed(() => {
    const { kind, height, stops, positionMarks } = draft.value
    const { figure } = fields
    const slots = height.slots.map((slot, i) => ({
      label: String(slot.label),
      heightMm: figure(`height.slots.${i}.heightMm`),
    }))
    return rigSheet(
      { kind, figure, slots, by: height.by },
      stops.map((_, i) => figure(`stops.${i}.depthMm`)),
      positionMarks.map((_, i) => figure(`positionMarks.${i}.alongMm`)),
    )
  })

  return {
    key,
    step,
    draft,
    takenUp,
    beginAs,
    beginAnew,
    forget,
    steps,
    read,
    fields: { ...fields, put },
    problems,
    refused,
    remarks,
    range,
    openSteps,
    addRow,
    pathsOf,
    chooseKind,
    sheet,
  }
}
