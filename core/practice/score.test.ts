import { describe, expect, it } from 'vitest'
import { scoreOf, type PracticeOutcome } from './score'

const well: PracticeOutcome = {
  zones: [
    { name: 'heel', truthDeg: 20, foundDeg: 20.4 },
    { name: 'tip', truthDeg: 22, foundDeg: 21.6 },
  ],
  told: [{ zone: 'heel', told: { seen: 'shoulder', share: 0.3 }, shown: { seen: 'shoulder', share: 0.38 } }],
  looks: 4,
  advisedLooks: 4,
}
const lost = (of: Partial<PracticeOutcome>) =>
  scoreOf({ ...well, ...of }).lost.map(({ reason, points }) => [reason, points])

describe('the score of a practice', () => {
  it('is full where each zone is found to half a degree in as many looks as the advice takes', () => {
    expect(scoreOf(well)).toEqual({ points: 100, lost: [] })
    expect(scoreOf({ ...well, looks: 2 }).points).toBe(100)
  })
  it('takes points for what is off, what nobody looked at, what was mistold, and looks too many', () => {
    expect(lost({ zones: [{ name: 'heel', truthDeg: 20, foundDeg: 21.2 }] })).toEqual([['off', 20]])
    expect(lost({ zones: [{ name: 'heel', truthDeg: 20, foundDeg: 30 }] })).toEqual([['off', 30]])
    expect(lost({ zones: [{ name: 'heel', truthDeg: 20, foundDeg: null }] })).toEqual([['not-looked-at', 30]])
    expect(lost({ looks: 6 })).toEqual([['looks', 10]])
    const shown = { seen: 'apex', share: 0.4 }
    expect(lost({ told: [{ zone: 'tip', told: { seen: 'shoulder', share: 0.6 }, shown }] })).toEqual([
      ['mistold-pattern', 5],
    ])
    expect(lost({ told: [{ zone: 'tip', told: { seen: 'apex', share: 0.6 }, shown }] })).toEqual([['mistold-share', 2]])
    // Nearly all, told as all, is no other pattern.
    const nearly = { seen: 'shoulder', share: 0.96 }
    expect(lost({ told: [{ zone: 'tip', told: { seen: 'all', share: 1 }, shown: nearly }] })).toEqual([])
  })
  it('never falls below nothing', () => {
    expect(scoreOf({ ...well, looks: 60 }).points).toBe(0)
  })
})
