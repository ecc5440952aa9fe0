import type { JawSet } from './jawSet'

/** So deep is a knob that was not measured, mm; or it goes back as far as the jaws do. */
const USUAL_KNOB_DEPTH_MM = 10

/** Where a knob ends behind the jaws' front line, mm. Source: docs/geometry.md, "Limits". */
export const knobEndsMm = (knobBehindMm: number, { depthMm, knobDepthMm }: Pick<JawSet, 'depthMm' | 'knobDepthMm'>) =>
  knobDepthMm === null ? Math.max(depthMm, knobBehindMm + USUAL_KNOB_DEPTH_MM) : knobBehindMm + knobDepthMm
