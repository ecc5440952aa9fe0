import { expect, it } from 'vitest'
import { heldAs } from './positions'

it('a kept position is held with the centring that was found since', () => {
  const hold = { bladeXMm: 60, bladeYMm: 8, turnDeg: 3, centreOffsetMm: 0, tiltDeg: 0 }
  const position = { hold, dialForMm: 20, fromMm: 0, toMm: 40, blendAtMm: null }
  const now = { bladeXMm: 96, bladeYMm: 12, turnDeg: 0, centreOffsetMm: 0.3, tiltDeg: -0.2 }
  expect(heldAs(position, now)).toEqual({ ...hold, centreOffsetMm: 0.3, tiltDeg: -0.2 })
})
