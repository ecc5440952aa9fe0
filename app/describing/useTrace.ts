import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { wrap, type Remote } from 'comlink'
import { homographyOf, scaleOnly } from '#core/trace/homography'
import { tracedEdge } from '#core/trace/toBlade'
import type { Segment } from '#core/curve/segment'
import { useUnitSwitch } from '~/composables/useUnitSwitch'
import { usePreferences } from '~/stores/preferences'
import { problemText } from '~/words/problemText'
import { MM_PER_INCH, parseLengthMm } from '#core/units/length'
import type { Vec2 } from '#core/vector/vec2'
import { exactFigure } from './draft'
import type { Tracer } from '~/workers/trace.worker'

/** Rectangles that lie about in a workshop: width and height, mm. */
export const SHEETS = { a4: [297, 210], a5: [210, 148], card: [85.6, 53.98] } as const
export type ScaleBy = keyof typeof SHEETS | 'own sheet' | 'two points'

const MOST_MEGAPIXELS = 24
/** Two points on a rule are this far apart, unless it is said otherwise, mm. */
const APART_MM = { mm: 100, in: 4 * MM_PER_INCH } as const
/** How far beside a mark the outline is looked for, as a share of the picture's width. */
const REACH_SHARE = 0.012

/**
 * A photograph in which an edge is traced: its scale, the spine's line, the marks along the edge, and what they come
 * to.
 */
export function useTrace() {
  const preferences = usePreferences()
  const photo = shallowRef<{ name: string; address: string; width: number; height: number } | null>(null)
  const failure = ref('')
  const busy = ref(false)
  const scaleBy = ref<ScaleBy>('a4')
  const own = ref({ width: '', height: '', distance: exactFigure(APART_MM[preferences.unit], preferences.unit) })
  useUnitSwitch((inNewUnit) => {
    const { width, height, distance } = own.value
    own.value = { width: inNewUnit(width), height: inNewUnit(height), distance: inNewUnit(distance) }
  })
  const corners = ref<Vec2[]>([])
  const scalePoints = ref<Vec2[]>([])
  const spine = ref<Vec2[]>([])
  const edge = ref<Vec2[]>([])
  /** The marks on the outline; empty until they were snapped. */
  const snapped = shallowRef<Vec2[]>([])
  const result = shallowRef<{ segments: Segment[]; choil: boolean; residualMm: number } | null>(null)
  let worker: Worker | null = null
  let tracer: Remote<Tracer> | null = null

  async function take(file: File) {
    failure.value = ''
    busy.value = true
    try {
      const bitmap = await createImageBitmap(file)
      const { width, height } = bitmap
      bitmap.close()
      const megapixels = (width * height) / 1e6
      if (megapixels > MOST_MEGAPIXELS) {
        failure.value = `${file.name} has ${Math.round(megapixels)} megapixels: make it ${MOST_MEGAPIXELS} or fewer first. What was here is kept.`
        return
      }
      worker ??= new Worker(new URL('../workers/trace.worker.ts', import.meta.url), { type: 'module' })
      tracer ??= wrap<Tracer>(worker)
      await tracer.load(file)
      if (photo.value) URL.revokeObjectURL(photo.value.address)
      photo.value = { name: file.name, address: URL.createObjectURL(file), width, height }
      layOut(width, height)
    } catch {
      failure.value = `${file.name} is no picture that can be read. What was here is kept.`
    } finally {
      busy.value = false
    }
  }
  /** Marks to begin with, to be moved to their places. */
  function layOut(width: number, height: number) {
    const at = (x: number, y: number): Vec2 => [x * width, y * height]
    corners.value = [at(0.08, 0.1), at(0.92, 0.1), at(0.92, 0.9), at(0.08, 0.9)]
    scalePoints.value = [at(0.2, 0.9), at(0.8, 0.9)]
    spine.value = [at(0.25, 0.4), at(0.6, 0.4)]
    edge.value = []
    snapped.value = []
    result.value = null
  }

  const mm = (text: string) => {
    const parsed = parseLengthMm(text, preferences.unit)
    return parsed.ok && parsed.value > 0 ? parsed.value : null
  }
  /** From the picture to millimetres; null while the scale is not given, or not possible. */
  const toMm = computed(() => {
    if (scaleBy.value === 'two points') {
      const [a, b] = scalePoints.value
      const distance = mm(own.value.distance)
      const pixels = a && b ? Math.hypot(a[0] - b[0], a[1] - b[1]) : 0
      return distance !== null && pixels > 1 ? scaleOnly(distance / pixels) : null
    }
    const [width, height] =
      scaleBy.value === 'own sheet' ? [mm(own.value.width), mm(own.value.height)] : SHEETS[scaleBy.value]
    if (width === null || height === null) return null
    return homographyOf(corners.value, [
      [0, 0],
      [width, 0],
      [width, height],
      [0, height],
    ])
  })

  async function snap() {
    if (!photo.value || !tracer) return
    failure.value = ''
    if (edge.value.length < 2) return void (failure.value = 'Mark the edge with two points at least, from heel to tip.')
    if (!toMm.value)
      return void (failure.value =
        scaleBy.value === 'two points'
          ? 'Say how far the two points are apart.'
          : 'Give the sheet’s size, and put its corners on the four marks in order.')
    busy.value = true
    const found = await tracer.snap(
      edge.value.map((point) => [...point] as Vec2),
      photo.value.width * REACH_SHARE,
    )
    busy.value = false
    if (found.length < Math.max(2, edge.value.length / 2))
      return void (failure.value =
        'No outline runs beside these marks: put them nearer to it, or take a picture with more contrast.')
    snapped.value = found
    const traced = tracedEdge(found, [spine.value[0]!, spine.value[1]!], toMm.value)
    if (traced.ok) result.value = traced
    else failure.value = problemText(traced, preferences.unit)
  }
  /** Marks that were moved are not yet on the outline. */
  function touched() {
    snapped.value = []
    result.value = null
  }
  onScopeDispose(() => {
    worker?.terminate()
    if (photo.value) URL.revokeObjectURL(photo.value.address)
  })
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
    result,
    toMm,
    take,
    snap,
    touched,
  }
}
export type Trace = ReturnType<typeof useTrace>
