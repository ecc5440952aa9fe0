import { bench, describe } from 'vitest'
import { evenEdgePoints } from '../math/curve/edgePoints'
import { sampleSetup } from '../geometry/setup/sampleSetup.fixture'
import { edgeTangents, evenness } from './evenness'
import { findPlacement, placementRange, type FindPlacement } from './findPlacement'
import { positionsFor } from './longBlade'
import { searchPlacement } from './searchPlacement'

const edge = [
  {
    type: 'bezier' as const,
    points: [
      [0, 46],
      [80, 49],
      [150, 44],
      [205, 12],
    ] as [[number, number], [number, number], [number, number], [number, number]],
  },
]
const setup = { ...sampleSetup, blade: { ...sampleSetup.blade, edge } }
const edgePoints = evenEdgePoints(edge, 401)
const tangents = edgeTangents(edgePoints)

describe('where to hold it', () => {
  bench('search over position and turn, 401 places', () => {
    const search = searchPlacement({
      hold: setup.hold,
      judge: (hold) => evenness(setup, ['A'], hold, tangents, edgePoints, 18),
      range: { bladeXMm: [40, 160], turnDeg: [-8, 8], depthsMm: [10], freeDepthMm: null, onMarks: null },
    })
    while (!search.next().done);
  })

  const best = (other: FindPlacement['other']) => {
    const about = { aim: 'even', onMarks: false, thereDeg: null } as const
    const search = findPlacement({ setup, side: 'A', wantedDeg: 18, other, edgePoints, ...about })
    while (!search.next().done);
  }
  bench('the best hold within the rig’s limits, every depth free, 401 places, one side', () => best(null))
  bench('the same for both sides', () => best({ side: 'B', wantedDeg: 18, oneDial: true }))

  bench('the positions of a blade of 230 mm, within 0.5° and a tilt in its jaws', () => {
    const tilted = { ...setup, hold: { ...setup.hold, tiltDeg: 0.4 } }
    const search = positionsFor({
      setup: tilted,
      side: 'A',
      wantedDeg: 18,
      toleranceDeg: 0.5,
      edgePoints,
      range: placementRange(tilted),
    })
    while (!search.next().done);
  })
})
