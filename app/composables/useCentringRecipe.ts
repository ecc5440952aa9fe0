import { computed, reactive, watch } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import {
  clampOrBlade,
  offsetFromEdgeHeights,
  offsetFromStoneReadings,
  tiltFromFlats,
  type BothWaysUp,
} from '#core/sides/findCentring'
import { parseDecimal, parseLengthMm, type ParsedNumber } from '#core/units/length'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'
import { reasonText } from '~/words/reasonText'
import { useBench } from './useBench'

/** What is measured with A up and with B up, as it is typed. */
const EMPTY = {
  flat: { a: '', b: '' },
  by: 'heights' as 'heights' | 'stone',
  edge: { a: '', b: '' },
  stone: { a: '', b: '' },
  turned: { a: '', b: '' },
}
export type RecipePair = 'flat' | 'edge' | 'stone' | 'turned'
const LENGTHS: readonly RecipePair[] = ['edge', 'turned']

/** Finds the centring error from what was measured; everything typed stays until it is used. */
export function useCentringRecipe() {
  const job = useJob()
  const bench = useBench()
  const preferences = usePreferences()
  const kept = useLocalStorage<string>(`jaw-tilt-centring:${job.id}`, '')
  const typed = reactive(kept.value ? (JSON.parse(kept.value) as typeof EMPTY) : structuredClone(EMPTY))
  watch(typed, () => (kept.value = JSON.stringify(typed)), { deep: true })

  const parse = (pair: RecipePair, text: string): ParsedNumber =>
    LENGTHS.includes(pair) ? parseLengthMm(text, preferences.unit) : parseDecimal(text.replace('°', ''))
  /** What is wrong with a figure; empty while it is empty or right. */
  const problem = (pair: RecipePair, way: 'a' | 'b'): string => {
    const parsed = parse(pair, typed[pair][way])
    return !parsed.ok && parsed.reason === 'not-a-number'
      ? `“${typed[pair][way]}” is no ${LENGTHS.includes(pair) ? 'length' : 'angle'}.`
      : ''
  }
  function both(pair: RecipePair): BothWaysUp | null {
    const [a, b] = [parse(pair, typed[pair].a), parse(pair, typed[pair].b)]
    return a.ok && b.ok ? { a: a.value, b: b.value } : null
  }

  const upright = computed(() => bench.rig.value?.kind === 'two-arm')
  const tilt = computed(() => {
    const flats = both('flat')
    return flats && tiltFromFlats(flats)
  })
  const tiltDeg = computed(() => tilt.value?.tiltDeg ?? job.content?.hold.tiltDeg ?? 0)
  const outMm = computed(() => bench.evaluation.value?.bladeHeightMm ?? 0)
  const offsetOf = (heights: BothWaysUp): number => {
    // Beside an upright blade the distance shrinks on the side it leans to; over a plate the height grows.
    const { a, b } = upright.value ? { a: -heights.a, b: -heights.b } : heights
    return offsetFromEdgeHeights({ a, b }, outMm.value, tiltDeg.value)
  }

  /** The offset found, or why none was; null while it is not measured. */
  const offset = computed<{ ok: true; mm: number } | { ok: false; why: string } | null>(() => {
    if (typed.by === 'heights') {
      const heights = both('edge')
      return heights && { ok: true, mm: offsetOf(heights) }
    }
    const [read, things, evaluation] = [both('stone'), bench.setup.value, bench.evaluation.value]
    const [a, b] = [evaluation?.sides.A, evaluation?.sides.B]
    if (!read || !things || !evaluation || !a?.ok || !b?.ok) return null
    const tilted = { ...things, hold: { ...things.hold, tiltDeg: tiltDeg.value } }
    const found = offsetFromStoneReadings(tilted, { A: a.pivotHeightMm, B: b.pivotHeightMm }, evaluation.station, read)
    return found.ok
      ? { ok: true, mm: found.centreOffsetMm }
      : {
          ok: false,
          why:
            found.reason === 'angle-out-of-range'
              ? 'No centring error explains two readings so far apart.'
              : reasonText(found, preferences.unit),
        }
  })
  /** The clamp's part of the offset and the blade's own, once the blade alone was turned over too. */
  const parts = computed(() => {
    const turned = both('turned')
    return typed.by === 'heights' && offset.value?.ok && turned ? clampOrBlade(offset.value.mm, offsetOf(turned)) : null
  })
  const found = computed(() => {
    const mm = offset.value?.ok ? offset.value.mm : null
    return tilt.value || mm !== null ? { tiltDeg: tilt.value?.tiltDeg ?? null, offsetMm: mm } : null
  })
  return { typed, problem, upright, tilt, offset, parts, found }
}
