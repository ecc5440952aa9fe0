import { computed, ref } from 'vue'
import type { KeptRig } from '#core/kept/kept'
import { heightRange } from '#core/rig/dial'
import { slotsBelowFace } from '#core/rig/impossible'
import { oddities } from '#core/rig/oddities'
import type { RigKind } from '#core/rig/rig'
import { parseDecimal, parseLengthMm } from '#core/units/length'
import { rigSheet } from '~/drawing/rigSheet'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import type { Draft } from './draft'
import { emptyRigDraft, LANGUAGES, readRig, rigDraftOf, type RigDraft } from './rigDraft'
import { rigSteps, stepOf, type RigList } from './rigSteps'
import { useKeptDraft } from './useKeptDraft'

/**
 * A rig being described: what is typed, what it comes to, and what is wrong or odd about it. `from`: measured anew or
 * copied.
 */
export function useRigDescription(from: KeptRig | null, copy: boolean) {
  const collections = useCollections()
  const preferences = usePreferences()

  function begun(): RigDraft {
    if (!from) return emptyRigDraft('turning-post', preferences.unit)
    const draft = rigDraftOf(from, preferences.unit)
    return copy ? { ...draft, name: `${draft.name}, copy` } : draft
  }
  const { draft, takenUp, forget, beginAnew } = useKeptDraft<RigDraft>(
    `rig:${from?.id ?? 'new'}${copy ? ':copy' : ''}`,
    preferences.unit,
    begun,
  )

  const steps = computed(() => rigSteps(draft.value))
  const read = computed(() => readRig(draft.value, preferences.unit, from))
  const box = computed(() => collections.stones.filter((stone) => stone.archivedAt === null))
  /** What the server would not take, by dotted path; gone with the next figure typed. */
  const refused = ref<Record<string, string>>({})
  const problems = computed<Record<string, string>>(() => {
    const slots = read.value.rig ? slotsBelowFace(read.value.rig, box.value) : []
    return {
      ...refused.value,
      ...Object.fromEntries(slots.map(({ field, message }) => [field, message])),
      ...read.value.problems,
    }
  })
  const remarks = computed<Record<string, string>>(() =>
    Object.fromEntries(read.value.rig ? oddities(read.value.rig).map(({ field, message }) => [field, message]) : []),
  )
  const range = computed(() => (read.value.rig ? heightRange(read.value.rig) : null))
  /** The steps at which something is wrong. */
  const openSteps = computed(() => new Set(Object.keys(problems.value).map((path) => stepOf(steps.value, path))))

  function placeOf(path: string): [Draft, string] {
    const parts = path.split('.')
    const last = parts.pop()!
    return [parts.reduce<unknown>((place, part) => (place as Draft | undefined)?.[part], draft.value) as Draft, last]
  }
  function textAt(path: string): string {
    const [place, key] = placeOf(path)
    return String(place?.[key] ?? '')
  }
  function put(path: string, text: string) {
    const [place, key] = placeOf(path)
    place[key] = text
    refused.value = {}
  }
  function rows(list: RigList): Draft[] {
    const [place, key] = placeOf(list.path)
    return place[key] as Draft[]
  }
  /** The paths of all fields of a step, those of its lists' rows included. */
  const pathsOf = (index: number): Set<string> => {
    const { fields, lists } = steps.value[index]!
    return new Set([
      ...fields.map((f) => f.path),
      ...lists.flatMap((list) => rows(list).flatMap((_, i) => list.fields.map((f) => `${list.path}.${i}.${f.path}`))),
    ])
  }
  /** The figure at a path, mm or degrees, if it can be read. */
  function figure(path: string): number | null {
    const text = textAt(path)
    const parsed = path.endsWith('Mm') ? parseLengthMm(text, preferences.unit) : parseDecimal(text.replace('°', ''))
    return parsed.ok ? parsed.value : null
  }

  function chooseKind(kind: RigKind) {
    draft.value.kind = kind
    if (!LANGUAGES[kind].includes(draft.value.by)) draft.value.by = LANGUAGES[kind][0]!
    if (kind === 'two-arm' && draft.value.pivotB.setbackMm === '') draft.value.pivotB = { ...draft.value.pivot }
  }

  const sheet = computed(() => {
    const { kind, by, height, stops, positionMarks } = draft.value
    const slots = (height.slots as Draft[]).map((slot, i) => ({
      label: String(slot.label),
      heightMm: figure(`height.slots.${i}.heightMm`),
    }))
    return rigSheet(
      { kind, figure, slots, by },
      stops.map((_, i) => figure(`stops.${i}.depthMm`)),
      positionMarks.map((_, i) => figure(`positionMarks.${i}.alongMm`)),
    )
  })

  return {
    draft,
    takenUp,
    beginAnew,
    forget,
    steps,
    read,
    problems,
    refused,
    remarks,
    range,
    openSteps,
    textAt,
    put,
    rows,
    pathsOf,
    figure,
    chooseKind,
    sheet,
  }
}
