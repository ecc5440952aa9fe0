import { computed } from 'vue'
import { nth } from '#core/math/list'
import type { RigRecord } from '#core/records/storage/kinds'
import { heightRange } from '#core/records/rig/dial'
import { slotsBelowFace } from '#core/records/rig/impossible'
import { RIGS, type RigKind } from '#core/records/rig/kinds'
import { oddities } from '#core/records/rig/oddities'
import { rigMeasures, type Rig } from '#core/records/rig/rig'
import { useWords } from '~/words/useWords'
import { rigSheet } from './sheet/rigSheet'
import { useCollections } from '~/stores/collections'
import { readRig, rigDraftOf, rigDrafts } from './rigDraft'
import { dialsOf, type FieldList } from '~/forms/rigDials'
import { rigSteps, stepOf } from './rigSteps'
import { emptyRow } from '~/forms/draft'
import { useDescription } from '~/forms/useDescription'

/**
 * A rig being described: what is typed, what it comes to, and what is wrong or odd about it. `from`: measured anew or
 * copied.
 */
export function useRigDescription(from: RigRecord | null, copy: boolean) {
  const collections = useCollections()
  const words = useWords()
  const box = computed(() => collections.stones.filter((stone) => stone.archivedAt === null))
  const description = useDescription({
    kind: 'rigs',
    from,
    copy,
    changed: 'is measured again',
    drafts: rigDrafts(from, copy),
    read: (draft, now) => readRig(draft, now, from),
    content: ({ rig }) => rig,
    also: ({ rig }) => (rig ? slotsBelowFace(rig, box.value) : []),
    steps(draft, now) {
      const all = rigSteps(draft, now)
      return { ids: all.map(({ id }) => id), of: (path) => stepOf(all, path) }
    },
  })
  const { draft, unit, read } = description
  const steps = computed(() => rigSteps(draft.value, unit.value))
  const fields = description.fieldsOf((typed) => typed, rigMeasures)
  const remarks = computed<Record<string, string>>(() =>
    Object.fromEntries(
      (read.value.rig ? oddities(read.value.rig) : []).map((one) => [one.field, words.problem(one, one.field)]),
    ),
  )
  const range = computed(() => (read.value.rig ? heightRange(read.value.rig) : null))
  const addRow = (list: FieldList) => fields.rows(list.path).push(emptyRow(rigMeasures, list.path, unit.value))
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

  return { ...description, steps, fields, remarks, range, addRow, pathsOf, chooseKind, beginAs, sheet }
}
