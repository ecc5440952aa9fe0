import { computed } from 'vue'
import { useWords } from '~/words/useWords'
import type { ComputedCode } from '#core/schema/codes'
import type { Side } from '#core/records/common/side'
import type { Finish } from '#core/log/choices'
import { patternOf, unevenBy, type ShownSide } from '#core/observe/goniometer/pattern'
import type { Screen } from '#core/observe/goniometer/scale'
import { slantOf, turnedByDeg } from '#core/observe/goniometer/turned'
import { followLook, NO_PLACE, useEdgePlace, type TypedPlace } from './useEdgePlace'
import { useInstrument } from '~/composables/useInstrument'
import { useReadings } from '~/composables/useReadings'
import { readSpot, spotDeg, type SpotsIn } from '~/shelf/instrument/readSpot'
import { useForm } from '~/forms/useForm'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { usePreferences } from '~/stores/preferences'

/** What is typed of one side, as it stands in the fields. */
export interface TypedSide {
  readonly finish: Finish
  readonly edge: string
  readonly from: string
  readonly to: string
  readonly width: string
  readonly primary: string
}
export type TypedFigure = 'edge' | 'from' | 'to' | 'width' | 'primary'

const NOTHING_TYPED: TypedSide = { finish: 'crisp', edge: '', from: '', to: '', width: '', primary: '' }
/** Which figures a reflection of each look has. */
export const FIGURES: Record<Finish, readonly TypedFigure[]> = {
  crisp: ['edge', 'primary'],
  hazy: ['edge', 'width', 'primary'],
  convex: ['from', 'to', 'primary'],
}

interface GoniometerForm extends Record<Side, TypedSide> {
  on: TypedPlace
  /** Whether the bevel was cut through to the apex: 'yes', 'no', or nothing. */
  apex: string
  /** Spots are told by how far they are from the middle of the flat screen. */
  inLengths: boolean
  /** How far the edge's spots stand beside the line of the scale; as they are told. */
  beside: string
}

/** What is wrong, by field: "A.edge". */
type Problems = Record<string, string>

/** What a goniometer shows of both sides, what it comes to, and its notes as proofs. */
export const useGoniometer = () => useJob().share(goniometer)

function goniometer(job: JobView) {
  const words = useWords()
  const preferences = usePreferences()
  const readings = useReadings()
  const { instrument, uncertaintyDeg, zeroDeg } = useInstrument('proof')
  const { form, takenUp, beginAnew } = useForm<GoniometerForm>(`goniometer:${job.id}`, () => ({
    A: NOTHING_TYPED,
    B: NOTHING_TYPED,
    on: NO_PLACE,
    apex: '',
    inLengths: false,
    beside: '',
  }))
  const on = computed({ get: () => form.value.on, set: (to) => (form.value.on = to) })
  const edgePlace = useEdgePlace(on)
  followLook(on)
  const { sides } = job
  /** Along the beam to a flat screen; null on one drawn in degrees. */
  const distanceMm = computed(() =>
    instrument.value?.kind === 'goniometer-screen' ? instrument.value.screenDistanceMm : null,
  )
  const flatScreen = computed(() => {
    const { screenDistanceToleranceMm: toleranceMm = 0 } = instrument.value ?? {}
    return distanceMm.value === null ? null : { distanceMm: distanceMm.value, toleranceMm }
  })
  const screen = computed((): Screen =>
    distanceMm.value === null ? { kind: 'arc' } : { kind: 'flat', distanceMm: distanceMm.value },
  )
  const inLengths = computed(() => form.value.inLengths && distanceMm.value !== null)
  const fieldOf = (side: Side, figure: TypedFigure) => `${side}.${figure}`

  const spots = computed((): SpotsIn =>
    inLengths.value ? { distanceMm: distanceMm.value!, unit: preferences.unit } : 'degrees',
  )
  const toDeg = (figure: number) => spotDeg(figure, spots.value)
  /** What stands in a field, as typed; null where it is empty; undefined, with its problem told, where it is none. */
  function read(side: Side, figure: TypedFigure, problems: Problems): number | null | undefined {
    const spot = readSpot(form.value[side][figure] ?? '', spots.value)
    if (spot && !spot.ok) problems[fieldOf(side, figure)] = words.problem(spot)
    return spot && (spot.ok ? spot.figure : undefined)
  }

  /** A side as it is shown; null while nothing is typed of it, or something is wrong with it. */
  function shownOf(side: Side, problems: Problems): ShownSide | null {
    const { finish } = form.value[side]
    const [edge, from, to, width, primary] = (['edge', 'from', 'to', 'width', 'primary'] as const).map((figure) =>
      FIGURES[finish].includes(figure) ? read(side, figure, problems) : null,
    )
    if ([edge, from, to, width, primary].includes(undefined)) return null
    const need = (figure: TypedFigure, code: ComputedCode) => {
      problems[fieldOf(side, figure)] = words.problem({ code })
      return null
    }
    const anything = [edge, from, to, width, primary].some((one) => one !== null)
    let shown: [number, number]
    if (finish === 'convex') {
      if (from == null || to == null) return anything ? need(from == null ? 'from' : 'to', 'line-end-missing') : null
      shown = from < to ? [from, to] : [to, from]
    } else {
      if (edge == null) return anything ? need('edge', 'edge-spot-missing') : null
      if (finish === 'hazy' && width == null) return need('width', 'haze-width-missing')
      const half = (width ?? 0) / 2
      shown = [edge - half, edge + half]
    }
    const ends: [number, number] = [toDeg(shown[0]), toDeg(shown[1])]
    if (ends[0] <= 0) return need('width', 'haze-beyond-zero')
    const edgeDeg = finish === 'convex' || edge == null ? (ends[0] + ends[1]) / 2 : toDeg(edge)
    const primaryDeg = primary == null ? null : toDeg(primary)
    if (primaryDeg !== null && primaryDeg >= ends[0]) return need('primary', 'primary-beyond-edge')
    return { side, finish, edgeDeg, fromDeg: ends[0], toDeg: ends[1], primaryDeg }
  }

  /** How far the edge is turned by what is typed of it; null where nothing is, or it is wrong. */
  function slantShown(shown: readonly ShownSide[], problems: Problems): number | null {
    const spot = readSpot(form.value.beside, spots.value, true)
    if (!spot || shown.length === 0) return null
    if (!spot.ok) {
      problems.beside = words.problem(spot)
      return null
    }
    const middleDeg = shown.reduce((sum, { edgeDeg }) => sum + edgeDeg, 0) / shown.length
    const slant = slantOf(spot.deg, middleDeg, screen.value)
    if (Number.isFinite(turnedByDeg(slant, middleDeg))) return slant
    problems.beside = words.problem({ code: 'spots-too-far-beside' })
    return null
  }

  /** What both sides show, and what is wrong at which field. */
  const typed = computed(() => {
    const problems: Problems = {}
    const shown = sides.value.flatMap((side) => shownOf(side, problems) ?? [])
    return { problems, shown, slant: slantShown(shown, problems) }
  })
  const pattern = computed(() => {
    const { shown, slant } = typed.value
    if (shown.length === 0) return null
    const found = patternOf(shown, { readDeg: uncertaintyDeg.value, screen: flatScreen.value, slant })
    // The primary spots take the instrument's own zero out with the rest.
    if (found.shiftBy === 'primaries') return found
    const zeroed = found.sides.map((one) => {
      const off = zeroDeg(one.side)
      return { ...one, edgeDeg: one.edgeDeg - off, fromDeg: one.fromDeg - off, toDeg: one.toDeg - off }
    })
    return { ...found, sides: zeroed }
  })
  const uneven = computed(() => (pattern.value ? unevenBy(pattern.value) : null))

  /** Notes what is shown as a proof of each side. Answers what is wrong with it. */
  function note(): string | null {
    const found = pattern.value
    if (Object.keys(typed.value.problems).length > 0) return words.problem({ code: 'figures-not-right' })
    if (!found) return words.problem({ code: 'no-edge-shown' })
    const place = edgePlace.where.value
    if (!place) return edgePlace.problem.value
    const toApex = form.value.apex === '' ? null : form.value.apex === 'yes'
    const wrong = readings.addShown(
      found.sides.map(({ side, edgeDeg, fromDeg, toDeg, uncertaintyDeg: sideUncertainty, finish, primaryDeg }) => ({
        side,
        deg: edgeDeg,
        uncertaintyDeg: Math.min(10, sideUncertainty),
        finish,
        ...(finish === 'crisp' ? {} : { fromDeg: Math.max(0, fromDeg), toDeg }),
        primaryDeg: primaryDeg === null ? null : Math.max(0, primaryDeg),
        toApex,
        ...place,
      })),
    )
    if (wrong) return words.problem(wrong, wrong.field)
    Object.assign(form.value, { A: NOTHING_TYPED, B: NOTHING_TYPED, apex: '', beside: '' })
    return null
  }
  const put = (side: Side, part: Partial<TypedSide>) => (form.value[side] = { ...form.value[side], ...part })
  return {
    form,
    takenUp,
    beginAnew,
    sides,
    problems: computed(() => typed.value.problems),
    fieldOf,
    pattern,
    uneven,
    on,
    screen,
    distanceMm,
    inLengths,
    put,
    note,
    cutNoted: (side: Side) => job.cutWith(side, null) !== null,
  }
}
