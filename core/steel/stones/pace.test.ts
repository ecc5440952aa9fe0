import { expect, it } from 'vitest'
import { secondsPerStroke } from './pace'

it('a stroke takes the usual time until one’s own are known, which count by how many they are', () => {
  expect(secondsPerStroke([])).toBe(1.5)
  expect(secondsPerStroke([{ strokes: 500, minutes: null }])).toBe(1.5)
  // 200 strokes of one's own in ten minutes, three seconds each, weigh as much as the usual.
  expect(secondsPerStroke([{ strokes: 200, minutes: 10 }])).toBeCloseTo(2.25, 9)
  // A stone that was done without a stroke was not worked with.
  expect(secondsPerStroke([{ strokes: 0, minutes: 30 }])).toBe(1.5)
  // On sides that alternate, the time of both stands with the first.
  const both = [
    { strokes: 100, minutes: 10 },
    { strokes: 100, minutes: 0 },
  ]
  expect(secondsPerStroke(both)).toBeCloseTo(2.25, 9)
})
