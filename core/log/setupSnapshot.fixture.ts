import type { DialSetting } from '../records/rig/dials/readings'
import type { SetupSnapshot } from './setupSnapshot'

/** A snapshot that says what it is given, and nothing else. */
export const setupSaying = (said: Partial<SetupSnapshot>): SetupSnapshot => ({
  rigId: null,
  rigRevision: null,
  jawsName: null,
  stoneId: null,
  forMicroBevel: false,
  hold: null,
  position: null,
  setting: { A: null, B: null },
  placeMm: null,
  setDeg: { A: null, B: null },
  ...said,
})
export const bothSides = (setting: DialSetting) => ({ A: setting, B: setting })
