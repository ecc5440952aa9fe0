import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useWords } from '~/words/useWords'
import { nth } from '#core/math/list'
import { joinPictures } from '#core/photo/marker/joinPictures'
import type { PartProblem } from '#core/photo/marker/readInkPhoto'
import type { Vec2 } from '#core/math/vector/vec2'
import { useInk, type Observed } from '~/composables/useInk'
import { useForm } from '~/forms/useForm'
import { usePhotograph } from '~/photographs/usePhotograph'
import { useJob } from '~/job/useJob'
import type { InkPhotoReader, StraightBand } from '~/workers/inkPhoto.worker'

/** A zone of which a picture shows less than this, mm, is not told of by it. */
const LEAST_OF_ZONE_MM = 2

/** What is told of one zone by the picture, as it was read or as a person corrected it. */
export interface Proposal {
  readonly zone: number
  /** Of the zone, in the picture: fractions of the band from its left. */
  readonly from: number
  readonly to: number
  readonly mm: number
  readonly observed: Observed | null
  readonly problem: PartProblem | null
}

export type Tapping = 'edge' | 'shoulder' | 'ink'

interface InkPhotoForm {
  edge: Vec2[]
  shoulder: Vec2[]
  /** As it was pointed at; empty: it is found. */
  colour: number[]
  fromMm: number
  toMm: number
  /** The picture shows the tip at its left. */
  tipLeft: boolean
  zoom: { times: number; x: number; y: number }
}

/**
 * A close-up of the inked bevel, what was tapped in it, which stretch of the edge it shows, and what is read of it.
 * Picture and taps are kept until they are taken as a look, or thrown away; nothing is told before.
 */
export function useInkPhoto() {
  const words = useWords()
  const job = useJob()
  const ink = useInk()
  const keptAs = `ink-photo:${job.keptAs}`
  const total = job.edgeMm
  const { form, beginAnew } = useForm<InkPhotoForm>(keptAs, () => ({
    edge: [],
    shoulder: [],
    colour: [],
    fromMm: 0,
    toMm: total.value,
    tipLeft: false,
    zoom: { times: 1, x: 0.5, y: 0.5 },
  }))
  // Another blade in the jaws may be shorter than the one that the stretch was told of.
  watch(
    total,
    (mm) => {
      if (form.value.toMm > mm + 1e-6) Object.assign(form.value, { fromMm: 0, toMm: mm })
    },
    { immediate: true },
  )
  const tapping = ref<Tapping>('edge')
  const { photo, busy, failure, reader, open, keep, takeUp, stop, putAway } = usePhotograph<InkPhotoReader>(
    keptAs,
    () => new Worker(new URL('~/workers/inkPhoto.worker.ts', import.meta.url), { type: 'module' }),
  )
  const band = shallowRef<StraightBand | null>(null)
  const proposals = ref<Proposal[]>([])

  async function take(picture: File) {
    if (!(await open(picture))) return
    Object.assign(form.value, { edge: [], shoulder: [], colour: [], zoom: { times: 1, x: 0.5, y: 0.5 } })
    tapping.value = 'edge'
    touched()
    await keep(picture)
  }
  onMounted(async () => {
    if ((await takeUp()) && ready.value) await read()
  })

  const ready = computed(() => form.value.edge.length >= 2 && form.value.shoulder.length >= 2)
  async function tap(at: Vec2) {
    if (tapping.value === 'ink') {
      const colour = await reader().colourAt([at[0], at[1]])
      form.value.colour = colour ? [...colour] : []
    } else form.value[tapping.value] = [...form.value[tapping.value], at]
    touched()
  }
  function moveTap(group: 'edge' | 'shoulder', i: number, to: Vec2) {
    form.value[group] = form.value[group].map((one, j) => (j === i ? to : one))
    touched()
  }
  function takeBack() {
    if (tapping.value === 'ink') form.value.colour = []
    else form.value[tapping.value] = form.value[tapping.value].slice(0, -1)
    touched()
  }
  /** What was read is no longer of what stands here. */
  function touched() {
    band.value = null
    proposals.value = []
    failure.value = ''
  }

  /** The zones that the picture shows enough of, each as fractions of the band from its left. */
  function shown(): Omit<Proposal, 'observed' | 'problem'>[] {
    const { fromMm, toMm, tipLeft } = form.value
    const fraction = (mm: number) => (mm - fromMm) / (toMm - fromMm)
    return ink.zones.value
      .flatMap((zone, i) => {
        const [from, to] = [Math.max(zone.fromMm, fromMm), Math.min(zone.toMm, toMm)]
        if (to - from < Math.min(LEAST_OF_ZONE_MM, (zone.toMm - zone.fromMm) / 2)) return []
        const [a, b] = [fraction(from), fraction(to)]
        return [{ zone: i, mm: to - from, from: tipLeft ? 1 - b : a, to: tipLeft ? 1 - a : b }]
      })
      .sort((a, b) => a.from - b.from)
  }

  async function read() {
    touched()
    if (!ready.value) return void (failure.value = words.problem({ code: 'few-taps' }))
    if (!(form.value.toMm - form.value.fromMm > 1))
      return void (failure.value = words.problem({ code: 'stretch-missing' }))
    const parts = shown()
    busy.value = true
    const { edge, shoulder, colour } = form.value
    const plain = (taps: readonly Vec2[]): Vec2[] => taps.map(([x, y]) => [x, y])
    const found = await reader().read({
      edge: plain(edge),
      shoulder: plain(shoulder),
      ink: colour.length === 3 ? [nth(colour, 0), nth(colour, 1), nth(colour, 2)] : null,
      parts: parts.map(({ from, to }) => [from, to] as const),
    })
    busy.value = false
    if (!found) return
    if (!found.ok) return void (failure.value = words.problem(found))
    band.value = found.band
    proposals.value = parts.map((part, i): Proposal => {
      const one = nth(found.parts, i)
      return one.ok
        ? { ...part, observed: { seen: one.seen, fraction: rounded(one.fraction) }, problem: null }
        : { ...part, observed: null, problem: one.code }
    })
  }
  function correct(i: number, observed: Observed | null) {
    proposals.value = proposals.value.map((one, j) => (j === i ? { ...one, observed, problem: null } : one))
  }

  /**
   * Takes what is proposed into the look that is being observed, together with what earlier pictures of it observed.
   */
  async function accept() {
    for (const { zone, observed, mm } of proposals.value) {
      if (!observed) continue
      const before = ink.observed.value[zone]
      const now = { ...observed, shownMm: mm }
      const { fraction, ...joined } = before?.shownMm ? joinPictures({ ...before, shownMm: before.shownMm }, now) : now
      ink.tell(zone, { ...joined, fraction: rounded(fraction) })
    }
    await forget()
  }
  async function forget() {
    touched()
    await Promise.all([beginAnew(), putAway()])
  }
  return {
    form,
    photo,
    busy,
    failure,
    tapping,
    ready,
    band,
    proposals,
    total,
    take,
    tap,
    moveTap,
    takeBack,
    touched,
    read,
    stop,
    correct,
    accept,
    forget,
  }
}
export type InkPhoto = ReturnType<typeof useInkPhoto>

/** A fraction from a picture is good to a hundredth. */
const rounded = (fraction: number): number => Math.round(fraction * 100) / 100
