import { describe, expect, it } from 'vitest'
import { hiddenBlade } from '../standIn/hiddenBlade'
import { outcomeOf, type PracticeOutcome, type ObservedAndShown, type ZoneOutcome } from './outcome'
import { scoreOf } from './score'

const zone = (truthDeg: number, foundDeg: number | null): ZoneOutcome => ({
  side: 'A',
  zone: 'heel',
  truthDeg,
  foundDeg,
})
const observed = (
  seen: ObservedAndShown['observed']['seen'],
  fraction: number,
  shown: ObservedAndShown['shown'],
): ObservedAndShown => ({
  side: 'A',
  zone: 'tip',
  observed: { seen, fraction },
  shown,
})
const well: PracticeOutcome = {
  zones: [zone(20, 20.4), zone(22, 21.6)],
  observed: [observed('shoulder', 0.3, { pattern: 'shoulder', fraction: 0.38 })],
  steelMm3: 0.1,
}
const lost = (of: Partial<PracticeOutcome>, passes = 4) =>
  scoreOf({ ...well, ...of }, passes, 4).lost.map(({ reason, points }) => [reason, points])

describe('the score of a practice', () => {
  it('is full where each zone is found to half a degree in as many passes as the advice takes', () => {
    expect(scoreOf(well, 4, 4)).toEqual({ points: 100, lost: [] })
    expect(scoreOf(well, 2, 4).points).toBe(100)
  })
  it('takes points for what is off, what nobody looked at, what was misjudged, and passes too many', () => {
    expect(lost({ zones: [zone(20, 21.2)] })).toEqual([['off', 20]])
    expect(lost({ zones: [zone(20, 30)] })).toEqual([['off', 30]])
    expect(lost({ zones: [zone(20, null)] })).toEqual([['not-looked-at', 30]])
    expect(lost({}, 6)).toEqual([['passes', 10]])
    const shown = { pattern: 'apex', fraction: 0.4 } as const
    expect(lost({ observed: [observed('shoulder', 0.6, shown)] })).toEqual([['misjudged-pattern', 5]])
    expect(lost({ observed: [observed('apex', 0.6, shown)] })).toEqual([['misjudged-fraction', 2]])
    // Nearly all, told as all, is no other pattern.
    expect(lost({ observed: [observed('all', 1, { pattern: 'shoulder', fraction: 0.96 })] })).toEqual([])
  })
  it('never falls below nothing', () => {
    expect(scoreOf(well, 60, 4).points).toBe(0)
  })
})

describe('what a practice came to', () => {
  const zones = ['heel', 'tip']
  const blade = hiddenBlade({ seed: 0.4, level: 'easy', zones, aroundDeg: 20, widthMm: 0.7, setUncertaintyDeg: 0.3 })
  const { apexDeg, widthMm } = blade.face('A', 'heel')
  const setDeg = apexDeg - blade.rigErrorDeg
  const matched = { side: 'A', zone: 'heel', lengthMm: 30, pass: 1, setDeg, seen: 'all', fraction: 1 } as const
  const found = [{ side: 'A', faces: [null, null] }] as const

  it('holds the found against the hidden angle less the error of the rig, which ink cannot tell', () => {
    const { zones: came } = outcomeOf(blade, zones, found, [matched])
    expect(came.map(({ zone: at, foundDeg }) => [at, foundDeg])).toEqual([
      ['heel', null],
      ['tip', null],
    ])
    expect(came[0]!.truthDeg).toBeCloseTo(setDeg, 9)
  })
  it('knows what the pass showed, and that a matched stone takes half its depth off the whole face', () => {
    const { observed: against, steelMm3 } = outcomeOf(blade, zones, found, [matched])
    expect(against[0]!.shown).toEqual({ pattern: 'all', fraction: 1 })
    expect(steelMm3).toBeCloseTo((widthMm * 30 * blade.depthUm) / 2000, 9)
  })
})
