import type { ProblemCode } from '../../schema/codes'
import type { FieldProblem } from '../../schema/problem'
import type { Figures } from '../../schema/result'
import { heightRange } from './dial'
import { jawSetsOf } from './jaws'
import { restsOnTable } from './kinds'
import type { Rig } from './rig'

/** Why a rig with these measures cannot exist; empty when it can. Source: docs/geometry.md, "Rigs". */
export function impossibilities(rig: Rig): FieldProblem[] {
  const found: FieldProblem[] = []
  const say = (field: string, code: ProblemCode, figures: Figures = {}) => found.push({ field, code, figures })
  const { lowestMm, highestMm } = heightRange(rig)
  if (restsOnTable(rig) && rig.jaws) say('jaws', 'jaws-on-a-table')
  if (!restsOnTable(rig) && !rig.jaws) say('jaws', 'no-jaws')
  const places = [['pivot', rig.pivot] as const, ...(rig.pivotB ? [['pivotB', rig.pivotB] as const] : [])]
  for (const [field, { setbackMm, alongMm }] of places) {
    for (const { name, depthMm, halfThicknessMm, widthMm } of jawSetsOf(rig)) {
      const inside = setbackMm <= depthMm && lowestMm <= halfThicknessMm && Math.abs(alongMm) <= widthMm / 2
      if (inside) say(`${field}.setbackMm`, 'pivot-in-jaws', { jaws: name, depthMm, halfThicknessMm })
    }
    if (rig.rodLengthMm <= setbackMm) say('rodLengthMm', 'rod-before-jaws', { setbackMm })
  }
  if (highestMm <= 0) say('height', 'pivot-never-above')
  const { stroke, rodLengthMm } = rig
  if (stroke && stroke.farthestMm <= stroke.nearestMm) say('stroke.farthestMm', 'stroke-ends-too-soon')
  if (stroke && stroke.farthestMm > rodLengthMm) say('stroke.farthestMm', 'stroke-beyond-rod', { rodLengthMm })
  for (const [field, names] of [
    ['moreJaws', jawSetsOf(rig).map((set) => set.name)],
    ['stops', rig.stops.map((stop) => stop.name)],
    ['positionMarks', rig.positionMarks.map((mark) => mark.name)],
  ] as const) {
    const twice = names.find((name, i) => names.indexOf(name) < i)
    if (twice) say(field, 'same-name-twice', { name: twice })
  }
  return found
}

/**
 * The slots in which no stone of the box could come down to the edge: they stand no higher than the face of its
 * thinnest stone. Empty while the box is. Source: docs/geometry.md, "Limits".
 */
export function slotsBelowFace(rig: Rig, box: readonly { readonly faceOffsetMm: number }[]): FieldProblem[] {
  if (rig.height.by !== 'slot' || box.length === 0) return []
  const thinnestMm = Math.min(...box.map((stone) => stone.faceOffsetMm))
  return rig.height.slots.flatMap((slot, i): FieldProblem[] =>
    slot.heightMm > thinnestMm
      ? []
      : [{ field: `height.slots.${i}.heightMm`, code: 'slot-below-face', figures: { slot: slot.label, thinnestMm } }],
  )
}
