import { computed, reactive, watch } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import { rawOf } from '#core/schema/versioned'
import type { RefusalCode } from '#core/schema/refusal'
import { failed, type Result } from '#core/schema/result'
import { SIDES, type Side } from '#core/records/common/side'
import {
  clampOrBlade,
  offsetFromEdgeHeights,
  offsetFromStoneReadings,
  tiltFromFlats,
  type BothWaysUp,
} from '#core/geometry/sides/findCentring'
import { RIGS } from '#core/records/rig/kinds'
import { lengthUnit, parseDecimal, parseLengthMm, type LengthUnit, type ParsedNumber } from '#core/math/units/length'
import { lengthInUnit } from '~/forms/draft'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { problemText } from '~/words/problemText'
import { useUnitSwitch } from '~/controls/useUnitSwitch'
import { parsed } from '~/saving/parsed'

/** What is measured with A up and with B up, as it is typed. */
const PAIRS = ['flat', 'edge', 'stone', 'turned'] as const
export type RecipePair = (typeof PAIRS)[number]
const LENGTHS: readonly RecipePair[] = ['edge', 'turned']
type Typed = Record<RecipePair, Record<Side, string>> & { by: 'heights' | 'stone'; unit: LengthUnit }

/** What was typed before, as far as it can be read, in the unit in use. */
function typedFrom(kept: string, unit: LengthUnit): Typed {
  const before = rawOf(parsed(kept))
  const text = (pair: RecipePair, side: Side) => {
    const both = rawOf(before[pair])
    // Sides were called a and b once.
    const typed = both[side] ?? both[side === 'A' ? 'a' : 'b']
    if (typeof typed !== 'string') return ''
    // In which unit it was typed was not kept once.
    const typedIn = lengthUnit.safeParse(before.unit).data ?? unit
    return LENGTHS.includes(pair) ? lengthInUnit(typed, typedIn, unit) : typed
  }
  const pairs = PAIRS.map((pair) => [pair, Object.fromEntries(SIDES.map((side) => [side, text(pair, side)]))])
  return { ...Object.fromEntries(pairs), by: before.by === 'stone' ? 'stone' : 'heights', unit } as Typed
}

/** Finds the centring error from what was measured; everything typed stays until it is used. */
export function useCentringRecipe() {
  const job = useJob()
  const preferences = usePreferences()
  const kept = useLocalStorage<string>(`jaw-tilt-centring:${job.id}`, '')
  const typed = reactive(typedFrom(kept.value, preferences.unit))
  watch(typed, () => (kept.value = JSON.stringify(typed)), { deep: true })

  useUnitSwitch((inNewUnit, _, now) => {
    for (const pair of LENGTHS) for (const side of SIDES) typed[pair][side] = inNewUnit(typed[pair][side])
    typed.unit = now
  })

  const parse = (pair: RecipePair, text: string): ParsedNumber =>
    LENGTHS.includes(pair) ? parseLengthMm(text, preferences.unit) : parseDecimal(text.replace('°', ''))
  /** What is wrong with a figure; empty while it is empty or right. */
  const problem = (pair: RecipePair, side: Side): string => {
    const text = typed[pair][side]
    const parsed = parse(pair, text)
    if (parsed.ok || parsed.code === 'missing') return ''
    return problemText(
      { code: LENGTHS.includes(pair) ? 'not-a-length' : 'not-a-number', figures: { text } },
      preferences.unit,
    )
  }
  function both(pair: RecipePair): BothWaysUp | null {
    const [a, b] = [parse(pair, typed[pair].A), parse(pair, typed[pair].B)]
    return a.ok && b.ok ? { A: a.value, B: b.value } : null
  }

  const upright = computed(() => RIGS[job.rig.value.kind].twoArms)
  const tilt = computed(() => {
    const flats = both('flat')
    return flats && tiltFromFlats(flats)
  })
  const tiltDeg = computed(() => tilt.value?.tiltDeg ?? job.content.value.hold.tiltDeg)
  const outMm = computed(() => job.dialFor.value.bladeHeightMm)
  const offsetOf = (heights: BothWaysUp): number => {
    // Beside an upright blade the distance shrinks on the side it leans to; over a plate the height grows.
    const over = upright.value ? { A: -heights.A, B: -heights.B } : heights
    return offsetFromEdgeHeights(over, outMm.value, tiltDeg.value)
  }

  /** The offset found, or why none was; null while it is not measured. */
  const offset = computed<Result<{ readonly mm: number }, RefusalCode | 'readings-too-far-apart'> | null>(() => {
    if (typed.by === 'heights') {
      const heights = both('edge')
      return heights && { ok: true, mm: offsetOf(heights) }
    }
    const [read, setup, { sides, edgePoint }] = [both('stone'), job.setup.value, job.dialFor.value]
    if (!read || !sides.A.ok || !sides.B.ok) return null
    const tilted = { ...setup, hold: { ...setup.hold, tiltDeg: tiltDeg.value } }
    const heights = { A: sides.A.pivotHeightMm, B: sides.B.pivotHeightMm }
    const found = offsetFromStoneReadings(tilted, heights, edgePoint, read, job.content.value.gaugeAxes)
    if (found.ok) return { ok: true, mm: found.centreOffsetMm }
    return found.code === 'angle-out-of-range' ? failed('readings-too-far-apart') : found
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
