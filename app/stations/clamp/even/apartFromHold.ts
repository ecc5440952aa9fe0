import type { Setup } from '#core/geometry/setup/setup'

/** All of a set-up that a search for a hold goes by: where the blade is held meanwhile does not matter. */
export const apartFromHold = ({ rig, blade, stone, hold }: Setup) => ({
  rig,
  blade,
  stone,
  centreOffsetMm: hold.centreOffsetMm,
  tiltDeg: hold.tiltDeg,
})
