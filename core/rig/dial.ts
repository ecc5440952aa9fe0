import { edgeAngle, heightForAngleMm } from '../angle/edgeAngle'
import { refuse, type Refusal } from '../angle/reasons'
import { clamp, roundToStep } from '../units/figures'
import type { DialSetting, HeightReading } from './heightReading'
import type { Rig } from './rig'

export interface PivotHeight {
  readonly ok: true
  readonly heightMm: number
}

type ScaleOf<B extends HeightReading['by']> = Extract<HeightReading, { by: B }>

/** The distance from pivot to edge that a printed degree scale assumes. */
const drawnForDistance = (rig: Rig, scale: ScaleOf<'degree-scale'>): number =>
  rig.pivot.setbackMm + scale.drawnForBladeHeightMm

/** The pivot height that a printed mark stands for. Source: docs/geometry.md, "Printed degree scales". */
const heightOfMark = (rig: Rig, scale: ScaleOf<'degree-scale'>, markDeg: number): number =>
  heightForAngleMm(markDeg, drawnForDistance(rig, scale), scale.drawnForFaceOffsetMm)

/**
 * The pivot height (mm above the clamp's centre plane, or the table) of a setting in the rig's own language.
 * Refused when the setting is not of this rig: another language, or a slot it has not.
 */
export function heightOfSetting(rig: Rig, setting: DialSetting): PivotHeight | Refusal {
  const dial = rig.height
  if (dial.by === 'slot' && setting.by === 'slot') {
    const slot = dial.slots.find((s) => s.label === setting.label)
    return slot ? { ok: true, heightMm: slot.heightMm } : refuse('setting-of-another-rig')
  }
  if (dial.by === 'millimetres' && setting.by === 'millimetres') return { ok: true, heightMm: dial.zeroMm + setting.mm }
  if (dial.by === 'turns' && setting.by === 'turns')
    return { ok: true, heightMm: dial.zeroMm + setting.turns * dial.pitchMm }
  if (dial.by === 'degree-scale' && setting.by === 'degree-scale')
    return { ok: true, heightMm: heightOfMark(rig, dial, setting.markDeg) }
  return refuse('setting-of-another-rig')
}

/** The lowest and highest pivot height of a rig, mm. */
export function heightRange(rig: Rig): { lowestMm: number; highestMm: number } {
  const dial = rig.height
  if (dial.by === 'slot') {
    const heights = dial.slots.map((s) => s.heightMm)
    return { lowestMm: Math.min(...heights), highestMm: Math.max(...heights) }
  }
  if (dial.by === 'degree-scale') {
    return {
      lowestMm: heightOfMark(rig, dial, dial.lowestMarkDeg),
      highestMm: heightOfMark(rig, dial, dial.highestMarkDeg),
    }
  }
  return { lowestMm: dial.lowestMm, highestMm: dial.highestMm }
}

/**
 * The highest pivot height of a rig (on a plate: slot) that is not above a height, mm; null where its lowest is above
 * it.
 */
export function highestUpTo(rig: Rig, heightMm: number): number | null {
  const { lowestMm, highestMm } = heightRange(rig)
  if (heightMm < lowestMm - 1e-9) return null
  if (rig.height.by !== 'slot') return Math.min(heightMm, highestMm)
  return Math.max(...rig.height.slots.map((slot) => slot.heightMm).filter((slot) => slot <= heightMm + 1e-9))
}

/**
 * The setting for a pivot height: exact on a scale, the nearest slot on a plate; heights beyond the rig's range give
 * its end.
 */
export function settingOfHeight(rig: Rig, heightMm: number): DialSetting {
  const dial = rig.height
  const { lowestMm, highestMm } = heightRange(rig)
  const reachableMm = clamp(heightMm, [lowestMm, highestMm])
  if (dial.by === 'slot') {
    const nearest = dial.slots.reduce((best, s) =>
      Math.abs(s.heightMm - reachableMm) < Math.abs(best.heightMm - reachableMm) ? s : best,
    )
    return { by: 'slot', label: nearest.label }
  }
  if (dial.by === 'millimetres') return { by: 'millimetres', mm: reachableMm - dial.zeroMm }
  if (dial.by === 'turns') return { by: 'turns', turns: (reachableMm - dial.zeroMm) / dial.pitchMm }
  const mark = edgeAngle(reachableMm, drawnForDistance(rig, dial), dial.drawnForFaceOffsetMm)
  return { by: 'degree-scale', markDeg: mark.ok ? mark.edgeAngleDeg : dial.lowestMarkDeg }
}

/** The step between two marks of the rig's dial, in its own unit (mm, turns or °); slots have none. */
export function dialStep(dial: HeightReading): number {
  if (dial.by === 'millimetres') return dial.resolutionMm
  if (dial.by === 'turns') return 1 / dial.divisions
  return dial.by === 'degree-scale' ? dial.stepDeg : 0
}

/** A setting rounded to the nearest mark that the rig really has, within its range. */
export function toNearestMark(rig: Rig, setting: DialSetting): DialSetting {
  const step = dialStep(rig.height)
  const rounded = mapFigure(setting, (figure) => roundToStep(figure, step))
  const height = heightOfSetting(rig, rounded)
  if (!height.ok) return setting
  const { lowestMm, highestMm } = heightRange(rig)
  if (height.heightMm < lowestMm - 1e-9) return mapFigure(rounded, (figure) => figure + step)
  return height.heightMm > highestMm + 1e-9 ? mapFigure(rounded, (figure) => figure - step) : rounded
}

/** The setting's figure on the dial changed; a slot has none. */
function mapFigure(setting: DialSetting, change: (figure: number) => number): DialSetting {
  if (setting.by === 'millimetres') return { ...setting, mm: change(setting.mm) }
  if (setting.by === 'turns') return { ...setting, turns: change(setting.turns) }
  if (setting.by === 'degree-scale') return { ...setting, markDeg: change(setting.markDeg) }
  return setting
}

/** The setting one or more marks (or slots) higher or lower, kept within the rig's range. */
export function stepSetting(rig: Rig, setting: DialSetting, marks: number): DialSetting {
  if (rig.height.by === 'slot' && setting.by === 'slot') {
    const ordered = [...rig.height.slots].sort((a, b) => a.heightMm - b.heightMm)
    const at = ordered.findIndex((s) => s.label === setting.label)
    const next = ordered[Math.min(ordered.length - 1, Math.max(0, at + marks))]!
    return { by: 'slot', label: next.label }
  }
  const step = dialStep(rig.height) * marks
  const raised = mapFigure(toNearestMark(rig, setting), (figure) => figure + step)
  const height = heightOfSetting(rig, raised)
  return height.ok ? toNearestMark(rig, settingOfHeight(rig, height.heightMm)) : setting
}
