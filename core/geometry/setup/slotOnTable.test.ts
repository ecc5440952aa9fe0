import fc from 'fast-check'
import { expect, it } from 'vitest'
import { contactAt } from '../contact/contact'
import { edgeAngle } from '../../math/edgeAngle/edgeAngle'
import { pivotOverBlade } from '../clamping/centring'
import { clampFrame, toClampFrame } from '../clamping/clampFrame'
import { edgePointAt } from '../../math/curve/edgePoints'
import { centrePlaneOf, rodPoseAt, type Setup } from './setup'
import { sampleSetup, slotRig, tableRig } from './sampleSetup.fixture'

it('on a table, with the blade turned, a pivot in a wide slot slides along the slot and not along the blade', () => {
  const rig = { ...tableRig, height: slotRig.height }
  const range = (min: number, max: number) => fc.double({ min, max, noNaN: true })
  fc.assert(
    fc.property(range(-30, 30), range(2, 96), range(0, 3), (turnDeg, fromHeelMm, tiltDeg) => {
      const setup: Setup = { ...sampleSetup, rig, hold: { ...sampleSetup.hold, turnDeg, tiltDeg } }
      const edgePoint = edgePointAt(setup.blade.edge, fromHeelMm)
      const contact = contactAt(edgePoint, setup.hold, { ...rodPoseAt(setup, 'A', 60), rodLengthMm: 1000 })
      fc.pre(contact.ok)
      // Of all places of the slot the one from which the rod runs most squarely at the edge, by trying them.
      const plane = centrePlaneOf(setup, 'A')
      const frame = clampFrame(setup.hold)
      const [u, v] = toClampFrame(edgePoint.point, frame)
      const [hx, hy] = edgePoint.heading
      const [tu, tv] = [hx * frame.cos - hy * frame.sin, hx * frame.sin + hy * frame.cos]
      let best = { off: Infinity, deg: NaN }
      for (let slid = -20; slid <= 20; slid += 0.01) {
        const over = pivotOverBlade({ u: rig.pivot.alongMm + slid, v: -rig.pivot.setbackMm, w: 60 }, plane)
        const off = Math.abs((u - over.u) * tu + (v - over.v) * tv)
        if (off >= best.off) continue
        const angle = edgeAngle(over.w, tu * (v - over.v) - tv * (u - over.u), setup.stone.faceOffsetMm)
        best = { off, deg: angle.ok ? angle.edgeAngleDeg : NaN }
      }
      expect(Math.abs(contact.ok ? contact.edgeAngleDeg - best.deg : NaN)).toBeLessThan(0.005)
    }),
    { numRuns: 60 },
  )
})
