import { bench, describe } from 'vitest'
import { evenEdgePoints } from '../math/curve/edgePoints'
import { settingOfHeight } from '../records/rig/dial'
import { evaluate } from './evaluate'
import { postRig, sampleSetup } from '../geometry/setup/sampleSetup.fixture'
import { rodPoseAt } from '../geometry/setup/setup'
import { contactsAlong } from '../geometry/contact/contact'

const setup = {
  ...sampleSetup,
  blade: {
    ...sampleSetup.blade,
    edge: [
      {
        type: 'bezier' as const,
        points: [
          [0, 46],
          [80, 49],
          [150, 44],
          [205, 12],
        ] as [[number, number], [number, number], [number, number], [number, number]],
      },
    ],
  },
}
const edgePoints = evenEdgePoints(setup.blade.edge, 400)
const dialled = { A: settingOfHeight(postRig, 58), B: settingOfHeight(postRig, 58), linked: true }

describe('an edge of 400 edge points', () => {
  bench('edge angle along the edge, both sides', () => {
    contactsAlong(edgePoints, setup.hold, rodPoseAt(setup, 'A', 58))
    contactsAlong(edgePoints, setup.hold, rodPoseAt(setup, 'B', 58))
  })
  bench('everything a drag recomputes', () => {
    evaluate(
      setup,
      {
        dialled,
        dialForMm: null,
        bladeHeightToleranceMm: 0.5,
        holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
      },
      edgePoints,
    )
  })
  bench('sampling the edge points (once for a blade)', () => {
    evenEdgePoints([...setup.blade.edge], 400)
  })
})
