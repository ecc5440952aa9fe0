import { expect, it } from 'vitest'
import type { ZoneKind } from '../records/blade/zones'
import { burrFeltIn, burrMap } from './burrMap'
import type { Burr } from './choices'
import type { Sharpness } from './entry'

const zones = ['heel', 'belly', 'tip'] as const
let minute = 10
const found = (burr: Burr | null, ...burrZones: ZoneKind[]): Sharpness => ({
  ...{ id: `${minute}`, at: `2026-05-01T10:${minute++}:00.000Z`, jobId: null, bladeId: null, stoneId: null },
  ...{ instrumentId: null, kind: 'sharpness', test: 'burr', zones: [], forcesG: [], burr, burrZones },
})
const states = (side: 'A' | 'B', ...log: Sharpness[]) => [...burrMap(log, zones)[side].values()]

it('a burr is where it was last felt, turned where it came up on the other side, and gone where none is left', () => {
  const never = ['not-looked', 'not-looked', 'not-looked']
  expect([states('A'), states('B', found(null))]).toEqual([never, never])
  const partly = found('B', 'heel', 'belly')
  expect(states('B', partly)).toEqual(['felt', 'felt', 'not-looked'])
  expect(states('A', partly)).toEqual(never)
  const allAlong = found('B')
  expect(states('B', partly, allAlong)).toEqual(['felt', 'felt', 'felt'])
  const turned = found('A', 'heel', 'tip')
  expect(states('B', allAlong, turned)).toEqual(['turned', 'gone', 'turned'])
  expect(states('A', allAlong, turned)).toEqual(['felt', 'not-looked', 'felt'])
  expect(burrFeltIn(burrMap([allAlong, turned], zones), 'A')).toEqual(['heel', 'tip'])
  expect(states('B', found('both', 'tip'))).toEqual(['not-looked', 'not-looked', 'felt'])
  expect(states('B', allAlong, turned, found('none'))).toEqual(['gone', 'gone', 'gone'])
})
