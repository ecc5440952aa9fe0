import type { MeasureId } from '#core/uncertainty/measures'
import { restsOnTable } from '#core/records/rig/kinds'
import { controlOn } from '~/navigation/controlOn'
import { describingAt } from '~/forms/useDescribing'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { MEASURE_OF } from '~/words/measureText'

/** Controls of the bench at which a hold's measures are taken. */
const ON_BENCH: Partial<Record<MeasureId, string>> = {
  'blade-height': 'blade-height',
  'blade-along': 'clamp-position',
  turn: 'turn',
  'slot-place': 'dial-it',
}
/** Fields of a rig and of a blade as they are described. */
const FIELD: Partial<Record<MeasureId, string>> = {
  setback: 'pivot.setbackMm',
  'setback-b': 'pivotB.setbackMm',
  'pivot-along': 'pivot.alongMm',
  'pivot-play': 'pivotPlayMm',
  'spine-thickness': 'spineThicknessMm',
  'thickness-behind-edge': 'thicknessBehindEdgeMm',
  'grind-height': 'primaryGrindHeightMm',
  'edge-heading': 'edgeHeadingToleranceDeg',
}

/** Goes to where a measure that goes into the set angle is taken again, the hand at its field. */
export function useMeasureAgain() {
  const job = useJob()
  const router = useRouter()
  const { rigId, bladeId, stoneId } = job.content.value
  const describing = (room: 'rig' | 'blade', id: string, at: string | undefined) => {
    const to = describingAt(sheetPath(job.id, room, 'describe'), { id }, false)
    return router.push({ ...to, query: { ...to.query, at } })
  }

  return async (measure: MeasureId): Promise<void> => {
    const of = MEASURE_OF[measure]
    if (of === 'stone') return void router.push({ path: sheetPath(job.id, 'rig'), query: { measure: stoneId } })
    if (of === 'blade') return void describing('blade', bladeId, FIELD[measure])
    if (of === 'rig') {
      const scale = job.rig.value.height.by === 'slot' ? 'height.slots.0.heightMm' : 'height.zeroMm'
      return void describing('rig', rigId, FIELD[measure] ?? scale)
    }
    const name = ON_BENCH[measure]
    if (name) return void (await controlOn(router, sheetPath(job.id, 'clamp'), name))?.focus()
    if (restsOnTable(job.rig.value))
      return void (await controlOn(router, sheetPath(job.id, 'uncertainty', 'sides'), 'rest-tilt'))?.focus()
    const centring = await controlOn(router, sheetPath(job.id, 'clamp'), 'centring')
    centring?.focus()
    centring?.click()
  }
}
