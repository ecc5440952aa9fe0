import { bench } from 'vitest'
import { evenEdgePoints, edgePointAt } from '../../math/curve/edgePoints'
import { zonesOfBlade } from '../../records/blade/zones'
import { setupSaying } from '../../log/setupSnapshot.fixture'
import type { JobAsSet } from '../ledger/against'
import { zoneAngles } from '../ledger/zoneAngles'
import { sampleSetup } from '../../geometry/setup/sampleSetup.fixture'
import { fitRig, type ProvedAngle } from './fitRig'
import { freeParameters, unknownsOf } from './provedOnRig'

const known = {
  bladeHeightToleranceMm: 0.3,
  holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
}
const stones = [{ ...sampleSetup.stone, id: 'stone' }]
const unknowns = unknownsOf(sampleSetup.rig, stones, known)
/** Twelve proofs of three blades, a little off what is set. */
const proofs = [50, 56, 62].flatMap((pivotHeightMm, blade) =>
  (['A', 'B'] as const).flatMap((side) =>
    [20, 50].map((placeMm): ProvedAngle => {
      const edgePoint = edgePointAt(sampleSetup.blade.edge, placeMm)
      const at = { setup: sampleSetup, side, pivotHeightMm, edgePoint, stoneId: 'stone', deg: 20, uncertaintyDeg: 0.2 }
      return { ...at, deg: fitRig([at], unknowns).proofs[0]!.beforeDeg! + 0.1 * (blade - 1) }
    }),
  ),
)
bench(`${freeParameters(sampleSetup.rig).length} measures fitted to twelve proofs`, () => void fitRig(proofs, unknowns))

const dial = { by: 'millimetres', mm: 43 } as const
const now: JobAsSet = {
  setNow: setupSaying({}),
  setup: sampleSetup,
  job: {
    rigId: '',
    stoneId: '',
    dialled: { A: dial, B: dial, linked: true },
    gaugeZero: 'centre-plane',
    gaugeAxes: 'one',
  },
  dialFor: edgePointAt(sampleSetup.blade.edge, 40),
  zones: zonesOfBlade(sampleSetup.blade, evenEdgePoints(sampleSetup.blade.edge, 400)),
  stoneOf: () => undefined,
}
bench('the angles of a side zone by zone', () => void zoneAngles(now, known, [], 'A'))
