import { bench, describe } from 'vitest'
import { evenStations } from '../curve/stations'
import { settingOfHeight } from '../rig/dial'
import { evaluate } from '../evaluation/evaluate'
import { postRig, sampleJob } from '../setup/sampleJob.fixture'
import { reacherAt } from '../setup/job'
import { contactsAlong } from './contact'

const job = {
  ...sampleJob,
  blade: {
    ...sampleJob.blade,
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
const stations = evenStations(job.blade.edge, 400)
const dialled = { a: settingOfHeight(postRig, 58), b: settingOfHeight(postRig, 58), linked: true }

describe('an edge of 400 stations', () => {
  bench('edge angle along the edge, both sides', () => {
    contactsAlong(stations, job.held, reacherAt(job, 'A', 58))
    contactsAlong(stations, job.held, reacherAt(job, 'B', 58))
  })
  bench('everything a drag recomputes', () => {
    evaluate(
      job,
      {
        dialled,
        lookAtMm: null,
        bladeHeightToleranceMm: 0.5,
        holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
      },
      stations,
    )
  })
  bench('sampling the stations (once for a blade)', () => {
    evenStations(job.blade.edge, 400)
  })
})
