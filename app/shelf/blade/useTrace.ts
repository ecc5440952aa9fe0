import { computed, onMounted, ref, shallowRef, watch, type Ref, type WritableComputedRef } from 'vue'
import { useDebounceFn } from '@vueuse/core'
import { useWords } from '~/words/useWords'
import { nth } from '#core/math/list'
import type { Lens } from '#core/photo/trace/lens'
import { evenScale, scaleOfSheet, type PictureScale, type SheetSize } from '#core/photo/trace/pictureScale'
import type { SnappedOutline } from '#core/photo/trace/smoothOutline'
import { unsureStretches } from '#core/photo/trace/snap'
import { tracedEdge, type TracedEdge } from '#core/photo/trace/toBlade'
import { usePreferences } from '~/stores/preferences'
import { problemText } from '~/words/problemText'
import { MM_PER_INCH, parseLengthMm } from '#core/math/units/length'
import type { Vec2 } from '#core/math/vector/vec2'
import { exactFigure } from '~/forms/draft'
import { usePhotograph } from '~/photographs/usePhotograph'
import { useForm } from '~/forms/useForm'
import type { Tracer } from '~/workers/trace.worker'

/** Rectangles that lie about in a workshop: width and height, mm. */
const SHEETS = { a4: [297, 210], a5: [210, 148], card: [85.6, 53.98] } as const
export type ScaleBy = keyof typeof SHEETS | 'own sheet' | 'two points'

/** Two points on a rule are this far apart, unless it is said otherwise, mm. */
const APART_MM = { mm: 100, in: 4 * MM_PER_INCH } as const
/**
 * How far beside the marks the outline is looked for: as a share of the picture's width, and of how far the marks are
 * apart, so that marks set closely are followed closely; pixels at least.
 */
const REACH = { ofWidth: 0.012, ofSpacing: 0.25, leastPx: 4 } as const

/** Marks as they can be sent to a worker. */
const plain = (points: readonly Vec2[]): Vec2[] => points.map(([x, y]): Vec2 => [x, y])

function reachBeside(rough: readonly Vec2[], width: number): number {
  const apart = rough.slice(1).map(([x, y], i) => Math.hypot(x - nth(rough, i)[0], y - nth(rough, i)[1]))
  const usual = apart.sort((a, b) => a - b)[Math.floor(apart.length / 2)] ?? width
  return Math.max(REACH.leastPx, Math.min(REACH.ofWidth * width, REACH.ofSpacing * usual))
}

/** Marks that were moved have come to rest after so long. */
const RETRACE_AFTER_MS = 500

/** A field of a form, to be read and written by itself. */
const fieldOf = <T extends object, K extends keyof T>(form: Ref<T>, name: K): WritableComputedRef<T[K]> =>
  computed({ get: () => form.value[name], set: (to) => void (form.value[name] = to) })

interface TraceForm {
  scaleBy: ScaleBy
  own: { width: string; height: string; distance: string }
  corners: Vec2[]
  scalePoints: Vec2[]
  spine: Vec2[]
  edge: Vec2[]
  snapped: boolean
  /** Of two lines side by side, the one that a hand has said is the edge. */
  line: '' | 'outer' | 'inner'
  /** The marks for the blade are as they were found, or found so when a hand had said so; not moved since. */
  bladeFound: boolean
  otherSide: boolean
  otherEnd: boolean
  /** How much closer than fitted to the frame, and what of the picture is in its middle, in shares. */
  zoom: { times: number; x: number; y: number }
}

/**
 * A photograph in which an edge is traced: its scale, the spine's line, the marks along the edge, and what they come
 * to. The picture and all that was done in it are kept under `keptAs` until the blade is kept, or begun anew.
 */
export function useTrace(keptAs: string) {
  const words = useWords()
  const preferences = usePreferences()
  const { form: marks, beginAnew } = useForm<TraceForm>(
    `trace:${keptAs}`,
    () => ({
      scaleBy: 'a4',
      own: { width: '', height: '', distance: exactFigure(APART_MM[preferences.unit], preferences.unit) },
      corners: [],
      scalePoints: [],
      spine: [],
      edge: [],
      snapped: false,
      line: '',
      bladeFound: false,
      otherSide: false,
      otherEnd: false,
      zoom: { times: 1, x: 0.5, y: 0.5 },
    }),
    (form, inNewUnit) => {
      const { width, height, distance } = form.own
      return { ...form, own: { width: inNewUnit(width), height: inNewUnit(height), distance: inNewUnit(distance) } }
    },
  )
  const field = <K extends keyof TraceForm>(name: K) => fieldOf(marks, name)
  const [scaleBy, own, zoom, line, bladeFound] = [
    field('scaleBy'),
    field('own'),
    field('zoom'),
    field('line'),
    field('bladeFound'),
  ]
  const [corners, scalePoints, spine, edge] = [field('corners'), field('scalePoints'), field('spine'), field('edge')]
  const {
    photo,
    busy,
    failure,
    reader,
    open,
    keep,
    takeUp: takeUpPicture,
    putAway,
  } = usePhotograph<Tracer>(
    `trace:${keptAs}`,
    () => new Worker(new URL('~/workers/trace.worker.ts', import.meta.url), { type: 'module' }),
  )
  /** The marks as they lie on the outline, and the edge through them; null until they were snapped. */
  const snappedTo = shallowRef<{
    found: SnappedOutline & { burntOut: boolean }
    lens: Lens | null
    result: Extract<TracedEdge, { ok: true }> | null
  } | null>(null)
  const snapped = computed(() => snappedTo.value?.found.points ?? [])
  /** Stretches of it where the outline is not plain to see, pixels. */
  const unsure = computed(() => (snappedTo.value ? unsureStretches(snappedTo.value.found) : []))
  const result = computed(() => snappedTo.value?.result ?? null)
  /** Whether the lens bows the sheet's sides, which is taken out; whether its paper is burnt out beside the edge. */
  const bowed = computed(() => !!snappedTo.value?.lens)
  const burntOut = computed(() => snappedTo.value?.found.burntOut ?? false)

  async function take(file: File) {
    if (!(await open(file))) return
    layOut()
    await keep(file)
    await proposeSheet()
  }
  /** The photograph that was taken before, under its marks. */
  async function takeUp() {
    if (!(await takeUpPicture())) return
    if (marks.value.corners.length !== 4) layOut()
    else if (marks.value.snapped) await snap()
  }
  onMounted(takeUp)
  async function forget() {
    snappedTo.value = null
    failure.value = ''
    await Promise.all([beginAnew(), putAway()])
  }

  /** Marks to begin with, to be moved to their places. */
  function layOut() {
    const { width, height } = photo.value!
    const at = (x: number, y: number): Vec2 => [x * width, y * height]
    Object.assign(marks.value, {
      corners: [at(0.08, 0.1), at(0.92, 0.1), at(0.92, 0.9), at(0.08, 0.9)],
      scalePoints: [at(0.2, 0.9), at(0.8, 0.9)],
      spine: [at(0.25, 0.4), at(0.6, 0.4)],
      edge: [],
      line: '',
      otherSide: false,
      otherEnd: false,
      zoom: { times: 1, x: 0.5, y: 0.5 },
    })
    touched()
    proposed.value = moved.value = false
  }
  /** Whether a hand has moved marks of this picture. */
  const moved = ref(false)

  /** Puts the marks of the corners where a sheet is seen; they are still to be looked at. */
  const proposed = ref(false)
  async function proposeSheet() {
    const seen = photo.value
    const sheet = await reader().sheet()
    // Another was taken, or marks were moved, meanwhile.
    if (!sheet || photo.value !== seen || moved.value) return
    corners.value = sheet.corners
    proposed.value = true
    await proposeBlade()
  }
  /** Puts the marks of spine and edge where a blade is seen on the sheet, and traces it; all still to be looked at. */
  async function proposeBlade(otherWay: Partial<Pick<typeof marks.value, 'otherSide' | 'otherEnd'>> = {}) {
    const [seen, size] = [photo.value, sheetSize.value]
    if (!seen || !size) return
    failure.value = ''
    busy.value = true
    moved.value = false
    const { otherSide, otherEnd } = { ...marks.value, ...otherWay }
    const found = await reader()
      .blade(plain(corners.value), size, { otherSide, otherEnd })
      .finally(() => (busy.value = false))
    if (photo.value !== seen || moved.value) return
    if (!found) return void (failure.value = words.problem({ code: 'no-blade-on-sheet' }))
    marks.value.snapped = false
    touched()
    Object.assign(marks.value, { ...found, otherSide, otherEnd, bladeFound: true })
    await snap()
  }
  /** Says which of two lines that run side by side is the edge. */
  async function takeLine(which: 'outer' | 'inner') {
    line.value = which
    await snap()
  }
  const mm = (text: string) => {
    const parsed = parseLengthMm(text, preferences.unit)
    return parsed.ok && parsed.value > 0 ? parsed.value : null
  }
  /** The sheet's size; null while it is not given, or the scale is in two points. */
  const sheetSize = computed((): SheetSize | null => {
    if (scaleBy.value === 'two points') return null
    const [width, height] =
      scaleBy.value === 'own sheet' ? [mm(own.value.width), mm(own.value.height)] : SHEETS[scaleBy.value]
    return width === null || height === null ? null : [width, height]
  })
  /** From the picture to millimetres; null while the scale is not given, or not possible. */
  function scaleThrough(lens: Lens | null): PictureScale | null {
    if (sheetSize.value) return scaleOfSheet(corners.value, sheetSize.value, lens)
    const [a, b] = scalePoints.value
    const distance = scaleBy.value === 'two points' ? mm(own.value.distance) : null
    const pixels = a && b ? Math.hypot(a[0] - b[0], a[1] - b[1]) : 0
    return distance !== null && pixels > 1 ? evenScale(distance / pixels) : null
  }

  async function snap() {
    if (!photo.value) return
    failure.value = ''
    if (edge.value.length < 2) return void (failure.value = words.problem({ code: 'few-edge-marks' }))
    if (!scaleThrough(null)) {
      snappedTo.value = null
      return void (failure.value =
        scaleBy.value === 'two points'
          ? words.problem({ code: 'scale-distance-missing' })
          : words.problem({ code: 'sheet-size-missing' }))
    }
    busy.value = true
    const asOf = changes
    const [from, to] = [nth(spine.value, 0), nth(spine.value, 1)]
    const [seen, rough] = [photo.value, plain(edge.value)]
    const lens = sheetSize.value ? await reader().lens(plain(corners.value)) : null
    const scale = scaleThrough(lens)
    const inside: Vec2 = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]
    const found = await reader().snap(rough, reachBeside(rough, seen.width), { inside, line: line.value || null })
    busy.value = false
    // Kept, or thrown away, meanwhile.
    if (photo.value !== seen || !scale) return
    // Marks were moved meanwhile.
    if (changes !== asOf) return void retrace()
    if (!found || found.points.length < Math.max(2, edge.value.length / 2))
      return void (failure.value = words.problem({ code: 'no-outline' }))
    const traced = tracedEdge(found, [from, to], scale)
    snappedTo.value = { found, lens, result: traced.ok ? traced : null }
    marks.value.snapped = true
    if (!traced.ok) failure.value = problemText(traced, preferences.unit)
  }
  /** How often marks were moved. */
  let changes = 0
  /** Marks that were moved are not yet on the outline; once it was traced it is traced anew as they come to rest. */
  function touched() {
    const again = marks.value.snapped
    changes++
    moved.value = true
    snappedTo.value = null
    marks.value.snapped = marks.value.bladeFound = false
    if (again) void retrace()
  }
  const retrace = useDebounceFn(async () => {
    if (photo.value && !busy.value && edge.value.length >= 2) await snap()
  }, RETRACE_AFTER_MS)
  /** What was traced by another scale is traced anew by this one. */
  watch(
    [scaleBy, own],
    () => {
      if (!marks.value.snapped) return
      snappedTo.value = null
      void retrace()
    },
    { deep: true },
  )
  return {
    photo,
    failure,
    busy,
    scaleBy,
    own,
    corners,
    scalePoints,
    spine,
    edge,
    snapped,
    unsure,
    proposed,
    result,
    bowed,
    burntOut,
    zoom,
    line,
    bladeFound,
    sheetSize,
    take,
    proposeBlade,
    takeLine,
    otherSide: () => proposeBlade({ otherSide: !marks.value.otherSide }),
    otherEnd: () => proposeBlade({ otherEnd: !marks.value.otherEnd }),
    forget,
    snap,
    touched,
  }
}
export type Trace = ReturnType<typeof useTrace>
