import { describe, expect, it } from 'vitest'
import { refuse } from '#core/angle/reasons'
import { postRig, scaleRig, screwRig, slotRig } from '#core/setup/sampleJob.fixture'
import { angleText, differenceText, steepnessText } from './angleText'
import { dialFigures, dialText } from './dialText'
import { lengthText } from './lengthText'
import { reasonText } from './reasonText'

describe('words for the bench', () => {
  it('each rig says its setting in its own language', () => {
    expect(dialText(slotRig, { by: 'slot', label: '5' }, 'mm')).toBe('slot 5')
    expect(dialText(postRig, { by: 'millimetres', mm: 54.5 }, 'mm')).toBe('scale 54.5 mm')
    expect(dialText(scaleRig, { by: 'degree-scale', markDeg: 19.5 }, 'in')).toBe('mark 19.5°')
    expect(dialText(screwRig, { by: 'turns', turns: 16.25 }, 'mm')).toBe('16 turns 3 marks')
    expect(dialText(screwRig, { by: 'turns', turns: 16 }, 'mm')).toBe('16 turns')
    expect(dialFigures(screwRig, { by: 'turns', turns: 16.25 }, 'mm')).toBe('16 + 3')
  })

  it('no figure is finer than its doubt, and none finer than a tenth of a degree', () => {
    expect([angleText(19.84, 0.3), angleText(19.84, 1.2), angleText(19.84, 0.01)]).toEqual(['19.8°', '20°', '19.8°'])
    expect([differenceText(0.44, 0.3), differenceText(-1.21, 0.3), differenceText(-0.02, 0.3)]).toEqual(['+0.4°', '−1.2°', '0.0°'])
    expect(steepnessText(-0.04)).toBe('on the wanted angle')
  })

  it('lengths carry their unit and no minus zero', () => {
    expect([lengthText(22, 'mm'), lengthText(25.4, 'in'), lengthText(-0.01, 'mm'), lengthText(-3, 'mm')]).toEqual(['22.0 mm', '1.000 in', '0.0 mm', '−3.0 mm'])
  })

  it('a reason says what to do, in the unit in use', () => {
    expect(reasonText(refuse('pivot-below-face', 6.5), 'mm')).toBe('The pivot stands lower than the stone’s face: raise it above 6.5 mm.')
    expect(reasonText(refuse('pivot-below-face', 6.5), 'in', 25.4)).toContain('above 1.000 in')
    expect(reasonText(refuse('height-out-of-range', 131.4), 'mm')).toContain('131.4 mm')
  })
})
