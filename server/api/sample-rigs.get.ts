import { rigMeasures } from '../../core/records/rig/rig'
import { demoRigs } from '../demo/rigs'

/** The sample rigs, to begin a description with; nothing is kept of them here. */
export default defineEventHandler(() => Object.values(demoRigs).map((rig) => rigMeasures.parse(rig)))
