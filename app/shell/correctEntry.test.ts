import { describe, expect, it } from 'vitest'
import { correctedEntry, wrongFields } from './correctEntry'

const content = { kind: 'ink-look', zones: [{ setDeg: 20 }, { setDeg: 95, seen: 'shoulder' }], note: 'wet' }
const entry = {
  id: '0197a000-0000-7000-8000-000000000001',
  kind: 'ink-look',
  at: '2026-05-01T09:00:00.000Z',
  version: 1,
  content,
}

describe('an entry that the server would not take', () => {
  it('shows what stands in each field that is wrong', () => {
    const problems = [
      { field: 'zones.1.setDeg', code: 'too-large' as const, figures: { most: 90 } },
      { field: 'zones', code: 'too-many' as const },
      { field: 'side', code: 'missing' as const },
    ]
    expect(wrongFields(entry, problems).map(({ text }) => text)).toEqual(['95', null, ''])
  })

  it('is corrected in that field alone, figures as figures', () => {
    const corrected = correctedEntry(entry, { 'zones.1.setDeg': ' 19,5', side: 'A' })
    expect(corrected).toEqual({
      ...entry,
      content: { ...content, side: 'A', zones: [{ setDeg: 20 }, { setDeg: 19.5, seen: 'shoulder' }] },
    })
    expect(correctedEntry(entry, { note: '12', 'zones.0.setDeg': '' }).content).toMatchObject({
      note: '12',
      zones: [{ setDeg: null }, {}],
    })
  })
})
