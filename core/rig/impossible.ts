import { heightRange } from './dial'
import { jawSetsOf } from './jaws'
import type { Rig } from './rig'

/** What a person should know of one measure of a rig, by its dotted path. */
export interface RigRemark {
  readonly field: string
  readonly message: string
}

/** Why a rig with these measures cannot exist; empty when it can. Source: docs/geometry.md, "Rigs". */
export function impossibilities(rig: Rig): RigRemark[] {
  const found: RigRemark[] = []
  const say = (field: string, message: string) => found.push({ field, message })
  const { lowestMm, highestMm } = heightRange(rig)
  if (rig.kind === 'table-post' && rig.jaws) say('jaws', 'A table has no jaws: the blade lies on it.')
  if (rig.kind !== 'table-post' && !rig.jaws) say('jaws', 'A clamp has jaws: give their width and thickness.')
  const places = [['pivot', rig.pivot] as const, ...(rig.pivotB ? [['pivotB', rig.pivotB] as const] : [])]
  for (const [field, { setbackMm, alongMm }] of places) {
    for (const jaws of jawSetsOf(rig)) {
      if (setbackMm <= jaws.depthMm && lowestMm <= jaws.halfThicknessMm && Math.abs(alongMm) <= jaws.widthMm / 2) {
        say(
          `${field}.setbackMm`,
          `The pivot would stand in the jaws: “${jaws.name}” reach ${jaws.depthMm} mm back and ${jaws.halfThicknessMm} mm up.`,
        )
      }
    }
    if (rig.rodLengthMm <= setbackMm)
      say('rodLengthMm', `The rod would end before the jaws: it must be longer than the setback of ${setbackMm} mm.`)
  }
  if (highestMm <= 0) say('height', 'The pivot would never stand above the blade.')
  if (rig.stroke && rig.stroke.farthestMm <= rig.stroke.nearestMm)
    say('stroke.farthestMm', 'The far end of the stroke must lie beyond the near end.')
  if (rig.stroke && rig.stroke.farthestMm > rig.rodLengthMm)
    say('stroke.farthestMm', `The stroke cannot go beyond the rod’s end at ${rig.rodLengthMm} mm.`)
  for (const [field, names] of [
    ['moreJaws', jawSetsOf(rig).map((set) => set.name)],
    ['stops', rig.stops.map((stop) => stop.name)],
    ['positionMarks', rig.positionMarks.map((mark) => mark.name)],
  ] as const) {
    const twice = names.find((name, i) => names.indexOf(name) < i)
    if (twice) say(field, `Two have the name “${twice}”.`)
  }
  return found
}

/**
 * The slots in which no stone of the box could come down to the edge: they stand no higher than the face of its
 * thinnest stone. Empty while the box is. Source: docs/geometry.md, "Limits".
 */
export function slotsBelowFace(rig: Rig, box: readonly { readonly faceOffsetMm: number }[]): RigRemark[] {
  if (rig.height.by !== 'slot' || box.length === 0) return []
  const thinnestMm = Math.min(...box.map((stone) => stone.faceOffsetMm))
  return rig.height.slots.flatMap((slot, i) =>
    slot.heightMm > thinnestMm
      ? []
      : [
          {
            field: `height.slots.${i}.heightMm`,
            message: `Slot ${slot.label} stands no higher than the face of the thinnest stone (${thinnestMm} mm): no stone can come down to the edge.`,
          },
        ],
  )
}
