import { termIn } from './glossary'
import { describe, expect, it } from 'vitest'
import { zoneAt } from '#core/records/blade/zones'
import { refuse } from '#core/schema/refusal'
import { job } from '#core/records/job/job'
import { postRig, sampleSetup, scaleRig, screwRig, slotRig } from '#core/geometry/setup/sampleSetup.fixture'
import { angleText, differenceText, steepnessText, sumText } from './angleText'
import { dialFigures, dialText } from './dialText'
import { elsewhereText, grainText } from './grainText'
import { jobDifferences } from './jobText'
import { lengthText } from './lengthText'
import { middleMark, moveText, stopAt } from './placementText'
import type { NextStep } from '#core/process/steps/nextStep'
import type { Step } from '#core/process/steps/step'
import { stationFigures, stationStateText } from './stationText'
import { stepText } from './stepText'
import { problemText } from './problemText'
import { riseOnDial, riseText } from './riseText'
import { zoneName } from './zoneText'

const NO_STONE = { stoneId: null, forMicroBevel: false } as const

describe('words for the bench', () => {
  it('each rig says its setting in its own language', () => {
    expect(dialText(slotRig, { by: 'slot', label: '5' })).toBe('slot 5')
    expect(dialText(postRig, { by: 'millimetres', mm: 54.5 })).toBe('scale 54.5 mm')
    expect(dialText(scaleRig, { by: 'degree-scale', markDeg: 19.5 })).toBe('mark 19.5°')
    expect(dialText(screwRig, { by: 'turns', turns: 16.25 })).toBe('16 turns 3 marks')
    expect(dialText(screwRig, { by: 'turns', turns: 16 })).toBe('16 turns')
    expect(dialFigures(screwRig, { by: 'turns', turns: 16.25 })).toBe('16 + 3')
    const below = (turns: number) => [dialText, dialFigures].map((say) => say(screwRig, { by: 'turns', turns }))
    expect(below(-0.25)).toEqual(['0 turns 3 marks below 0', '−(0 + 3)'])
    expect(below(-1.75)).toEqual(['1 turn 9 marks below 0', '−(1 + 9)'])
    expect(below(-2)).toEqual(['2 turns below 0', '−2'])
    expect(below(-1e-9)).toEqual(['0 turns', '0'])
  })

  it('a scale says what is engraved on it: its own unit, its own marks, and no mark that is not there', () => {
    const scale = (resolutionMm: number, engravedIn: 'mm' | 'in') => ({
      ...postRig,
      height: { ...postRig.height, resolutionMm, engravedIn } as typeof postRig.height,
    })
    const said = (rig: typeof postRig, mm: number) => dialText(rig, { by: 'millimetres', mm })
    expect(said(scale(0.25, 'mm'), 31.25)).toBe('scale 31.25 mm')
    expect(said(scale(1, 'mm'), 54)).toBe('scale 54 mm')
    expect(said(scale(0.5, 'mm'), 54.3)).toBe('scale 54.0–54.5 mm')
    expect(said(scale(25.4 / 16, 'in'), (25.4 * 19) / 16)).toBe('scale 1 3/16 in')
    expect(said(scale(25.4 / 16, 'in'), 25.4 * 2)).toBe('scale 2 in')
    expect(said(scale(2.54, 'in'), 25.4 * 1.3)).toBe('scale 1.3 in')
    expect(said(scale(0.5, 'mm'), -2.5)).toBe('scale −2.5 mm')
    expect(dialText(screwRig, { by: 'turns', turns: 16.3 })).toBe('16 turns 3–4 marks')
    expect(dialText(screwRig, { by: 'turns', turns: 15.9999999 })).toBe('16 turns')
    expect(dialText(scaleRig, { by: 'degree-scale', markDeg: 19.7 })).toBe('mark 19.5–20.0°')
  })

  it('no figure is finer than its uncertainty, and none finer than a tenth of a degree', () => {
    expect([angleText(19.84, 0.3), angleText(19.84, 1.2), angleText(19.84, 0.01)]).toEqual(['19.8°', '20°', '19.8°'])
    // Half of 35.9° is shown as 18.0°: the two add up to what stands beside them.
    const half = { deg: 17.96, uncertaintyDeg: 0.3 }
    expect([sumText([half, half], 0.4), sumText([half], 0.4)]).toEqual(['36.0°', '18.0°'])
    expect([differenceText(0.44, 0.3), differenceText(-1.21, 0.3), differenceText(-0.02, 0.3)]).toEqual([
      '+0.4°',
      '−1.2°',
      '0.0°',
    ])
    expect(steepnessText(-0.04)).toBe('on the wanted angle')
  })

  it('a way of holding is told by what has to be done', () => {
    const rig = {
      ...postRig,
      stops: [{ name: 'pin 2', depthMm: 12 }],
      positionMarks: [
        { name: 'b', alongMm: -5 },
        { name: 'c', alongMm: 0 },
      ],
    }
    const blade = { landmark: { what: 'stud', alongMm: 30 } }
    const { hold } = sampleSetup
    expect(moveText(rig, blade, hold, { ...hold, bladeXMm: 52, turnDeg: -4.5, bladeYMm: 12 }, 'mm')).toBe(
      'Hold it 12.0 mm nearer the tip, turned 4.5°, tip in, on pin 2',
    )
    expect(moveText(rig, blade, hold, { ...hold, bladeXMm: 35, bladeYMm: 8 }, 'mm')).toBe(
      'Hold it with the stud on mark b, 5.0 mm nearer the heel, 8.0 mm deep',
    )
    expect(moveText(rig, blade, { ...hold, turnDeg: 3 }, hold, 'in')).toBe('Hold it not turned')
    expect(moveText(rig, blade, hold, hold, 'mm')).toBe('Hold it as it is')
    expect([stopAt(rig, 12.1), stopAt(rig, 9)]).toEqual(['pin 2', null])
    expect(middleMark(rig)?.name).toBe('c')
  })

  it('zones of one kind are counted, and each place is in one', () => {
    const zones = [
      { kind: 'facet', fromMm: 0, toMm: 58 },
      { kind: 'facet', fromMm: 58, toMm: 90 },
      { kind: 'tip', fromMm: 90, toMm: 95 },
    ] as const
    expect(zones.map((_, i) => zoneName(zones, i))).toEqual(['facet 1', 'facet 2', 'tip'])
    expect([0, 58, 58.1, 200].map((mm) => zoneAt(zones, mm))).toEqual([0, 0, 1, 2])
  })

  it('how far the pivot rises is told in the rig’s own language', () => {
    expect([riseText(3.68, 'mm'), riseText(-2.54, 'in'), riseText(0.04, 'mm')]).toEqual([
      '+3.7 mm',
      '−0.100 in',
      '0.0 mm',
    ])
    expect([riseOnDial(screwRig, 40, 43.5), riseOnDial(screwRig, 43.5, 40), riseOnDial(screwRig, 40, 40.01)]).toEqual([
      '+2 turns 4 marks',
      '−2 turns 4 marks',
      'nothing',
    ])
    expect(riseOnDial(slotRig, 40, 50)).toBe('')
  })

  it('a grain is named by the other standards, as far as they have one near it', () => {
    expect([grainText(115.4), grainText(9.54)]).toEqual(['115 µm', '9.5 µm'])
    expect(elsewhereText(9.3, 'FEPA F')).toMatch(/^FEPA P \d+, JIS \d+/)
    expect(elsewhereText(9.3, 'FEPA F')).not.toContain('FEPA F')
  })

  it('lengths carry their unit and no minus zero', () => {
    expect([lengthText(22, 'mm'), lengthText(25.4, 'in'), lengthText(-0.01, 'mm'), lengthText(-3, 'mm')]).toEqual([
      '22.0 mm',
      '1.000 in',
      '0.0 mm',
      '−3.0 mm',
    ])
  })

  it('a reason says what to do, in the unit in use', () => {
    expect(problemText(refuse('pivot-below-face', { limitMm: 6.5 }), 'mm')).toBe(
      'The pivot stands lower than the stone’s face: raise it above 6.5 mm.',
    )
    expect(problemText({ code: 'pivot-below-face', figures: { limitMm: 6.5, lowestPivotMm: 25.4 } }, 'in')).toContain(
      'above 1.000 in',
    )
    expect(problemText(refuse('height-out-of-range', { limitMm: 131.4 }), 'mm')).toContain('131.4 mm')
  })

  it('what is wrong is told in the unit in use, and by its field where that says more', () => {
    const at = { code: 'too-small' as const, figures: { least: 0.01, unit: 'mm' } }
    expect(problemText(at, 'mm')).toBe('At least 0.01 mm.')
    expect(problemText(at, 'in')).toBe('At least 0.0004 in.')
    expect(problemText(at, 'mm', 'tolerance.heightMm')).toBe('Nothing is measured better than 0.01 mm here.')
    expect(problemText({ code: 'too-large', figures: { most: 60, unit: 'deg' } }, 'in')).toBe('At most 60°.')
    const figures = { jaws: 'Wide', depthMm: 25.4, halfThicknessMm: 12.7 }
    expect(problemText({ code: 'pivot-in-jaws', figures }, 'in')).toContain('reach 1 in back and 0.5 in up')
    expect(problemText({ code: 'not-json', figures: { error: 'CommaExpected' } }, 'mm')).toBe(
      'This is no JSON: comma expected.',
    )
  })

  it('the next step says what to do and why, in the rig’s own language, and what has changed since', () => {
    const says = {
      setup: { ...sampleSetup, rig: slotRig },
      unit: 'mm' as const,
      sideNames: { A: 'Stamp', B: 'Plain' },
      dialForMm: null,
      stoneName: () => 'Stone 800',
      startingRanges: true,
      up: 'B' as const,
    }
    const at = { station: 'clamp', zone: null, ...NO_STONE, position: null, placeMm: null, leavable: false } as const
    const dial: NextStep = {
      ...at,
      id: 'dial',
      side: 'B',
      state: { is: 'missing' },
      toDo: { does: 'dial', setting: { by: 'slot', label: '4' }, givesDeg: 19.84, offDeg: -0.16, uncertaintyDeg: 0.3 },
    }
    const why = 'it gives 19.8°, −0.2° off the wanted angle'
    expect(stepText(dial, says)).toEqual({ do: 'Dial slot 4 for Plain', why })
    const state = { is: 'out-of-date', fact: { at: null }, because: ['hold', 'stone', 'ground-since'] } as const
    expect(stepText({ ...dial, state }, says).why).toBe(
      `${why}; the hold and the stone changed since; strokes were made since`,
    )
    const refusal = refuse('pivot-below-face', { limitMm: 6.5 })
    const mend: NextStep = { ...dial, id: 'hold', side: 'A', toDo: { does: 'mend-hold', refusal } }
    expect(stepText(mend, says).why).toBe('the pivot stands lower than the stone’s face: raise it above 6.5 mm')
    expect(stepText(dial, { ...says, up: 'A' }).do).toBe('Turn over to Plain: dial slot 4 for Plain')
    expect(stepText(null, says).do).toBe('Nothing is left to do')
  })

  it('a station says how it stands, and what came out there', () => {
    expect(stationStateText({ is: 'under-way', done: 2, of: 5 })).toBe('under way, 2 of 5')
    expect(stationStateText({ is: 'out-of-date', because: ['hold', 'ground-since'] })).toBe(
      'out of date: the hold changed since; strokes were made since',
    )
    const at = { leavable: true, toDo: null, ...NO_STONE, position: null, placeMm: null } as const
    const proved = (side: 'A' | 'B', deg: number, more: Partial<Step> = {}): Step => {
      const state = { is: 'done', fact: { at: null, deg, uncertaintyDeg: 0.2 } } as const
      return { ...at, id: 'prove', station: 'prove', side, zone: null, state, ...more }
    }
    const accepted = { is: 'left-out', at: '', fact: { at: null, deg: 19.7, uncertaintyDeg: 0.2 } } as const
    const grind = { ...at, id: 'grind', station: 'grind', zone: null } as const
    const ground = { is: 'done', fact: { at: null, count: 45 } } as const
    const steps: Step[] = [
      { ...grind, side: 'A', state: ground },
      { ...grind, side: 'B', state: ground },
      proved('A', 20.4),
      proved('A', 24, { zone: 'tip' }),
      proved('B', 0, { state: accepted }),
    ]
    expect(stationFigures(steps)).toEqual({ mark: [], grind: ['90 strokes'], prove: ['20.4° / 19.7°'] })
  })

  it('what two versions of a job say differently is told in words and units, never by keys or ids', () => {
    const stoneIds = ['0197a000-0000-7000-8000-000000000001', '0197a000-0000-7000-8000-000000000002'] as const
    const mine = job.parse({
      name: 'Pruner',
      rigId: stoneIds[0],
      bladeId: stoneIds[0],
      stoneId: stoneIds[0],
      hold: { bladeXMm: 40, bladeYMm: 6, turnDeg: 0 },
      dialled: { A: { by: 'slot', label: '4' }, B: { by: 'slot', label: '4' }, linked: true },
      wanted: { deg: { A: 20, B: 20 }, linked: true },
    })
    const theirs = {
      ...mine,
      hold: { ...mine.hold, centreOffsetMm: -0.254 },
      dialled: { ...mine.dialled, B: { by: 'slot' as const, label: '5' }, linked: false },
      bladeHeightToleranceMm: 0.254,
      progression: [...stoneIds],
      dialForMm: 25.4,
    }
    const names = {
      unit: 'in' as const,
      sideNames: { A: 'Stamp', B: 'Plain' },
      rig: () => slotRig,
      name: (of: string) => (of === stoneIds[0] ? 'Coarse' : 'Fine'),
      heelToMiddleMm: () => 0,
    }
    expect(jobDifferences(mine, theirs, names).map((row) => [row.word, row.mine, row.theirs])).toEqual([
      ['Centring', '0.000 in, 0.0°', '−0.010 in, 0.0°'],
      ['Dialled', 'slot 4', '–'],
      ['Dialled, Stamp', '–', 'slot 4'],
      ['Dialled, Plain', '–', 'slot 5'],
      ['The dial is for', 'over the jaws’ middle', '1.000 in from the heel'],
      ['Stones, in their order', 'none chosen', 'Coarse, Fine'],
      ['Blade height ±', '0.0197 in', '0.01 in'],
    ])
  })
})

describe('the term of a label', () => {
  it('is the longest that stands in it, as whole words', () => {
    const id = (label: string) => termIn(label)?.id ?? null
    expect(id('Behind the edge, over the heel')).toBe('behind')
    expect(id('Height of the primary grind')).toBe('primary')
    expect(id('Setback, ±')).toBe('setback')
    expect(id('Spine over the heel')).toBe('spine')
    expect(id('Tipped')).toBeNull()
    expect(id('Name')).toBeNull()
  })
})
