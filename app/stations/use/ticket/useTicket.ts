import { computed } from 'vue'
import { ofKind } from '#core/log/activeEntries'
import { recordedBevel } from '#core/log/foundBevel'
import { steelStrokes } from '#core/log/steelStrokes'
import { strokesMade } from '#core/log/strokesMade'
import { usualDaysOf } from '#core/use/edgeLife'
import { keptOff } from '#core/use/keepOff'
import { edgeOfSide, isBurrGone, type EdgeOfSide } from '#core/use/sharpenings'
import { standingOf } from '#core/use/standing'
import { useSharpenings } from '~/composables/useSharpenings'
import { useJob } from '~/job/useJob'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { HARM_WORD } from '~/words/keepOffText'
import { lengthText } from '~/words/lengthText'
import { momentText } from '~/words/momentText'
import { foundText, TEST_WORD } from '~/words/sharpnessText'

/** What is told to the owner of a blade: what was found, what was done, what the edge is, and what to keep it off. */
export function useTicket() {
  const job = useJob()
  const collections = useCollections()
  const preferences = usePreferences()
  const { sharpenings } = useSharpenings()
  const names = computed(() => preferences.current.sideNames)
  const log = job.entriesOfBlade
  const owner = computed(() => collections.owners.find(({ name }) => name === job.blade.value.owner) ?? null)

  const found = computed(() => {
    const { complaint } = job.blade.value
    const { chip } = job.content.value
    const bevels = job.sides.value.flatMap((side) => {
      const zones = recordedBevel(log.value, side)?.entry.zones ?? []
      if (zones.length === 0) return []
      const degs = zones.map(({ deg }) => deg)
      const [least, most] = [Math.min(...degs), Math.max(...degs)].map((deg) => angleText(deg, 0.5))
      return [`${names.value[side]} ${least === most ? least : `${least} to ${most}`}`]
    })
    return [
      ...(complaint ? [complaint] : []),
      ...(chip ? [`The deepest chip: ${lengthText(chip.depthMm, preferences.unit)}.`] : []),
      ...(isGround.value
        ? []
        : job.sides.value.flatMap((side) => {
            const proved = job.proved.value[side]
            return proved ? [`Its bevel on ${names.value[side]}: ${edgeText({ is: 'proved', ...proved })}.`] : []
          })),
      ...(bevels.length > 0 ? [`The old bevel: ${bevels.join(', ')} per side.`] : []),
    ]
  })

  const made = computed(() => strokesMade(ofKind(log.value, 'strokes')))
  const isGround = computed(() => steelStrokes(log.value).length > 0)
  /** The angle of each side as it was left; a bevel that was measured as it came was found, not made. */
  const edges = computed(() =>
    job.sides.value.flatMap((side) => {
      const edge = isGround.value ? edgeOfSide(log.value, side) : null
      return edge ? [{ ...edge, name: names.value[side] }] : []
    }),
  )
  const edgeText = (edge: EdgeOfSide): string => {
    if (edge.is === 'set') return `${angleText(edge.deg)}, as it was set: not measured`
    const uncertainty = angleText(edge.uncertaintyDeg, edge.uncertaintyDeg)
    return `${angleText(edge.deg, edge.uncertaintyDeg)} ± ${uncertainty}, measured`
  }
  const done = computed(() => {
    const stones = made.value.flatMap(({ stoneId }) => (stoneId ? [collections.nameOf(stoneId)] : []))
    const ground = steelStrokes(log.value).at(-1)?.at ?? null
    // What was tried before it was ground says nothing of the edge that it has.
    const test = ofKind(log.value, 'sharpness').findLast(
      (one) => one.test !== 'burr' && ground !== null && one.at > ground,
    )
    return [
      ...(stones.length > 0 ? [`Ground with ${stones.join(', ')}.`] : []),
      ...edges.value.map((edge) => `Edge angle per side: ${edge.name} ${edgeText(edge)}.`),
      ...(isGround.value && isBurrGone(log.value) ? ['No burr is left.'] : []),
      ...(test ? [`${TEST_WORD[test.test]}: ${foundText({ ...test, burr: null }, names.value)}.`] : []),
    ]
  })
  const isDone = computed(() => ['ready', 'handed-back'].includes(standingOf(log.value)))

  /** How long edges of this blade lasted; empty where too few are known. */
  const lasts = computed(() => {
    const days = usualDaysOf(sharpenings.value)
    return days === null ? '' : `Half of this blade’s edges lasted ${Math.round(days)} days or longer.`
  })
  const keepOff = computed(() => {
    const degs = edges.value.map(({ deg }) => deg)
    const apex = degs.length === 0 ? null : degs.reduce((sum, deg) => sum + deg, 0) / degs.length
    return keptOff(job.blade.value, apex).map((harm) => HARM_WORD[harm])
  })
  const begunOn = computed(() => {
    const kept = collections.jobs.find(({ id }) => id === job.id)
    return kept ? momentText(kept.createdAt).slice(0, 10) : ''
  })
  return { owner, begunOn, found, done, isDone, lasts, keepOff }
}
