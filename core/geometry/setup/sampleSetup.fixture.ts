import type { Blade } from '../../records/blade/blade'
import type { Rig } from '../../records/rig/rig'
import type { Stone } from '../../records/stone/stone'
import type { Setup } from './setup'

/** Plain things for tests: a post rig, a blade with a straight heel and a round belly, a stone. */
export const postRig: Rig = {
  name: 'Post rig',
  notes: '',
  kind: 'turning-post',
  jaws: {
    name: 'Wide',
    widthMm: 30,
    halfThicknessMm: 4,
    depthMm: 20,
    mostSpineFlatMm: 5,
    mostSpineSabreMm: 9,
    knobHeightMm: null,
    knobBehindMm: null,
    knobDepthMm: null,
  },
  moreJaws: [],
  jawsClose: 'both-halves-move',
  stops: [],
  positionMarks: [],
  rodLengthMm: 320,
  stroke: null,
  pivot: { setbackMm: 95, alongMm: 0, overScaleMm: 0 },
  pivotB: null,
  pivotPlayMm: 0,
  height: { by: 'millimetres', lowestMm: 20, highestMm: 90, zeroMm: 15, resolutionMm: 0.5, engravedIn: 'mm' },
  calibratedBy: [],
  fitted: null,
  centring: { offsetMm: 0, tiltDeg: 0 },
  tolerance: { heightMm: 0.3, setbackMm: 0.5, alongMm: 0.5, againOffsetMm: 0.05, againTiltDeg: 0.1 },
}
export const slotRig: Rig = {
  ...postRig,
  name: 'Slot plate',
  kind: 'slot-plate',
  height: { by: 'slot', slideMm: 20, slots: [1, 2, 3, 4, 5].map((n) => ({ label: String(n), heightMm: 20 + 10 * n })) },
}
export const screwRig: Rig = {
  ...postRig,
  name: 'Screw rig',
  height: { by: 'turns', lowestMm: 20, highestMm: 90, pitchMm: 1.5, zeroMm: 20, divisions: 12 },
}
export const scaleRig: Rig = {
  ...postRig,
  name: 'Degree-scale rig',
  height: {
    by: 'degree-scale',
    lowestMarkDeg: 10,
    highestMarkDeg: 35,
    stepDeg: 0.5,
    drawnForBladeHeightMm: 30,
    drawnForFaceOffsetMm: 6,
    zeroMm: 0,
  },
}
export const armsRig: Rig = {
  ...postRig,
  name: 'Two arms',
  kind: 'two-arm',
  pivotB: { setbackMm: 97, alongMm: 2, overScaleMm: 0 },
}
export const tableRig: Rig = { ...postRig, name: 'Table', kind: 'table-post', jaws: null }

export const bellyBlade: Blade = {
  name: 'Belly',
  notes: '',
  owner: '',
  use: '',
  work: null,
  hand: 'usual',
  sharpenedBefore: null,
  complaint: '',
  steel: '',
  coating: '',
  falseEdge: false,
  choil: true,
  spineThicknessTipMm: null,
  thicknessBehindEdgeTipMm: null,
  bevelDeg: null,
  landmark: null,
  edgeHeadingToleranceDeg: null,
  edgeUncertainty: null,
  shape: null,
  zones: null,
  hardnessHrc: null,
  grind: 'flat',
  bevels: 'both',
  widthMm: 28,
  spineThicknessMm: 3,
  thicknessBehindEdgeMm: 0.5,
  primaryGrindHeightMm: 26,
  edge: [
    { type: 'line', from: [0, 28], to: [55, 28] },
    { type: 'arc', centre: [55, -17], radiusMm: 45, startDeg: 90, endDeg: 35 },
  ],
  spine: null,
  handleLengthMm: 0,
}
export const plainStone: Stone = {
  name: 'No. 1',
  notes: '',
  kind: 'diamond',
  grit: null,
  grainUm: 30,
  faceOffsetMm: 6,
  faceOffsetEnds: null,
  faceOffsetToleranceMm: 0.1,
  lengthMm: 150,
  widthMm: 25,
  lubricant: '',
  dishMm: 0,
  wornOutAtMm: null,
}
export const sampleSetup: Setup = {
  rig: postRig,
  blade: bellyBlade,
  stone: plainStone,
  hold: { bladeXMm: 40, bladeYMm: 0, turnDeg: 0, centreOffsetMm: 0, tiltDeg: 0 },
}
/** The same, with as much of the blade in the jaws as holds. */
export const heldSetup: Setup = { ...sampleSetup, hold: { ...sampleSetup.hold, bladeYMm: 8 } }
