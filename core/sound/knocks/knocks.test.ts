import { describe, expect, it } from 'vitest'
import { HEARD_AROUND, strokeRecording, type HeardAround } from '../../simulation/standIn/strokeRecording'
import { strokesIn } from '../strokes/listener'
import { KnockListener } from './knockListener'

/** `knocks`: how loud; 0: none. */
function bench(around: HeardAround, knocks: number, overNoiseDb = 30) {
  return strokeRecording({ seed: 3 / 7, strokes: 24, bothWays: false, uneven: 0.15, overNoiseDb, around, knocks })
}
function knocksIn({ samples, rateHz }: ReturnType<typeof bench>) {
  const listener = new KnockListener(rateHz)
  for (let i = 0; i < samples.length; i += 128) listener.take(samples.subarray(i, i + 128))
  return listener.heard()
}

describe('knocks on the bench', () => {
  for (const around of HEARD_AROUND)
    it(`are counted one by one, beside: ${around}`, () => {
      const made = bench(around, 0.4)
      const { strokes, confidence } = knocksIn(made)
      // Looks at the edge come with knocks of their own.
      expect(Math.abs(strokes.length - made.startsAtS.length)).toBeLessThanOrEqual(2)
      expect(confidence).toBeGreaterThan(0.5)
    })
  it('count where the strokes themselves cannot be heard', () => {
    const made = bench('nothing', 0.4, 0)
    expect(strokesIn(made.samples, made.rateHz).strokes.length).toBeLessThan(20)
    expect(Math.abs(knocksIn(made).strokes.length - 24)).toBeLessThanOrEqual(2)
  })
  it('are told from strokes, music and a motor', () => {
    for (const around of ['nothing', 'music', 'loud-shop'] as const)
      expect(knocksIn(bench(around, 0)).strokes.length, around).toBeLessThanOrEqual(2)
    const silence = new KnockListener(16000)
    silence.take(new Float32Array(16000))
    expect(silence.heard()).toMatchObject({ strokes: [], confidence: 0, trouble: 'nothing-heard' })
  })
})
