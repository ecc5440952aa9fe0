import { computed } from 'vue'
import { ofKind } from '#core/log/activeEntries'
import { recordedBevel } from '#core/log/foundBevel'
import { strokesMade } from '#core/log/strokesMade'
import { edgeLife } from '#core/use/edgeLife'
import { keptOff } from '#core/use/keepOff'
import { useSharpenings } from '~/composables/useSharpenings'
import { useJob } from '~/job/useJob'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { HARM_WORD } from '~/words/keepOffText'
import { lengthText } from '~/words/lengthText'
import { momentText } from '~/words/momentText'
import { foundText, TEST_WORD } from '~/words/sharpnessText'

/** Fewer edges than these that came to their end say nothing of the next one. */
const LEAST_ENDED = 2

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
      ...(bevels.length > 0 ? [`The old bevel: ${bevels.join(', ')} per side.`] : []),
    ]
  })

  const made = computed(() => strokesMade(ofKind(log.value, 'strokes')))
  /** The angle of each side: proved since it was ground last, else as it was set for that; and which of the two. */
  const angles = computed(() =>
    job.sides.value.flatMap((side) => {
      const proved = job.proved.value[side]
      if (proved) {
        const text = angleText(proved.deg, proved.uncertaintyDeg)
        const by = angleText(proved.uncertaintyDeg, proved.uncertaintyDeg)
        return [{ deg: proved.deg, text: `${names.value[side]} ${text} ± ${by}, measured` }]
      }
      const set = ofKind(log.value, 'strokes').findLast((one) => one.side === side && !one.strop)?.setup?.setDeg[side]
      return set == null
        ? []
        : [{ deg: set, text: `${names.value[side]} ${angleText(set)}, as it was set: not measured` }]
    }),
  )
  const done = computed(() => {
    const stones = made.value.flatMap(({ stoneId }) => (stoneId ? [collections.nameOf(stoneId)] : []))
    const last = ofKind(log.value, 'sharpness').toReversed()
    const [test] = last.filter(({ test: of }) => of !== 'burr')
    return [
      ...(stones.length > 0 ? [`Ground with ${stones.join(', ')}.`] : []),
      ...angles.value.map(({ text }) => `Edge angle per side: ${text}.`),
      ...(last.find(({ burr }) => burr !== null)?.burr === 'none' ? ['No burr is left.'] : []),
      ...(test ? [`${TEST_WORD[test.test]}: ${foundText({ ...test, burr: null }, names.value)}.`] : []),
    ]
  })
  const isDone = computed(() => ofKind(log.value, 'put-to-use').length > 0)

  /** How long edges of this blade lasted; empty where too few are known. */
  const lasts = computed(() => {
    const { ended, median } = edgeLife(sharpenings.value, 'days')
    if (ended < LEAST_ENDED || median.middle === null) return ''
    return `Half of this blade’s edges lasted ${Math.round(median.middle)} days or longer.`
  })
  const keepOff = computed(() => {
    const [{ deg: first } = { deg: null }, { deg: other } = { deg: null }] = angles.value
    const apex = first === null ? null : other === null ? first : (first + other) / 2
    return keptOff(job.blade.value, apex).map((harm) => HARM_WORD[harm])
  })
  const received = computed(() => {
    const kept = collections.jobs.find(({ id }) => id === job.id)
    return kept ? momentText(kept.createdAt).slice(0, 10) : ''
  })
  return { owner, received, found, done, isDone, lasts, keepOff }
}
