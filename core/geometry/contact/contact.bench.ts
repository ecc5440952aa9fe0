import { bench, describe } from 'vitest'
import { evenStations } from '../../math/curve/stations'
import { settingOfHeight } from '../../records/rig/dial'
import { evaluate } from '../../uncertainty/evaluate'
import { postRig, sampleSetup } from '../setup/sampleSetup.fixture'
import { reachersAt } from '../setup/setup'
import { contactsAlong } from './contact'

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
const stations = evenStations(setup.blade.edge, 400)
const dialled = { A: settingOfHeight(postRig, 58), B: settingOfHeight(postRig, 58), linked: true }

describe('an edge of 400 stations', () => {
  bench('edge angle along the edge, both sides', () => {
    contactsAlong(stations, setup.hold, reachersAt(setup, 'A', 58))
    contactsAlong(stations, setup.hold, reachersAt(setup, 'B', 58))
  })
  bench('everything a drag recomputes', () => {
    evaluate(
      setup,
      {
        dialled,
        dialForMm: null,
        lookAtMm: null,
        bladeHeightToleranceMm: 0.5,
        holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
      },
      stations,
    )
  })
  bench('sampling the stations (once for a blade)', () => {
    evenStations(setup.blade.edge, 400)
  })
})
