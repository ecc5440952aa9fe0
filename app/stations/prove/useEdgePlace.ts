import { computed, watch, type Ref } from 'vue'
import { problemText } from '~/words/problemText'
import { zoneMiddleMm, type ZoneKind } from '#core/records/blade/zones'
import { parseLengthMm } from '#core/math/units/length'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'
import { zoneName } from '~/words/zoneText'

/** The place that the dial is for, among the zones. */
const AT_DIAL = 'dial'
/** The place that is looked at, among the zones. */
const LOOKED_AT = 'looked-at'
/** So far from the heel, as it is typed. */
export const FROM_HEEL = 'from-heel'

/** Where along the edge something was measured, as a form has it. */
export interface TypedPlace {
  place: string
  /** Along the edge, as it stands in the field; for FROM_HEEL. */
  fromHeel: string
}
export const NO_PLACE: TypedPlace = { place: AT_DIAL, fromHeel: '' }

/** Where along the edge: the dial's place, a zone's middle, or so far from the heel; what is wrong with it. */
export function useEdgePlace(form: Ref<TypedPlace>) {
  const job = useJob()
  const preferences = usePreferences()
  const places = computed(() => [
    { value: AT_DIAL, label: 'where the dial is for' },
    ...(job.lookAtMm.value === null
      ? []
      : [{ value: LOOKED_AT, label: `${lengthText(job.lookAtMm.value, preferences.unit)} from the heel, looked at` }]),
    ...job.zones.value.map((_, i) => ({ value: String(i), label: `its ${zoneName(job.zones.value, i)}` })),
    { value: FROM_HEEL, label: 'at a distance from the heel' },
  ])
  const { edgeMm } = job
  const where = computed((): { placeMm: number; zone: ZoneKind | null } | null => {
    const { place, fromHeel } = form.value
    const zone = job.zones.value[Number(place)]
    if (zone) return { placeMm: zoneMiddleMm(zone), zone: zone.kind }
    if (place === LOOKED_AT) return { placeMm: job.evaluation.value.edgePoint.fromHeelMm, zone: null }
    if (place !== FROM_HEEL) return { placeMm: job.dialFor.value.edgePoint.fromHeelMm, zone: null }
    const typed = parseLengthMm(fromHeel, preferences.unit)
    return typed.ok && typed.value >= 0 && typed.value <= edgeMm.value ? { placeMm: typed.value, zone: null } : null
  })
  const problem = computed(() =>
    where.value ? '' : problemText({ code: 'place-missing', figures: { mostMm: edgeMm.value } }, preferences.unit),
  )
  return { places, where, problem }
}

/** What is measured is measured where it is looked at: a form turns to that place, and back to the dial's with it. */
export function followLook(form: Ref<TypedPlace>) {
  const { lookAtMm } = useJob()
  watch(
    lookAtMm,
    (mm) => {
      if (mm !== null) form.value = { ...form.value, place: LOOKED_AT }
      else if (form.value.place === LOOKED_AT) form.value = { ...form.value, place: AT_DIAL }
    },
    { immediate: true },
  )
}
