import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { HEARD_AROUND, strokeRecording, type StrokeRecordingAsk } from '../../simulation/standIn/strokeRecording'
import reference from './fixtures/strokes/recordings.json'
import { StrokeListener, strokesIn } from './listener'

const folder = join(import.meta.dirname, 'fixtures/strokes')
/** Uncompressed, 16 bit, one channel, after a header of 44 bytes. */
function recorded(file: string): { samples: Float32Array; rateHz: number } {
  const bytes = readFileSync(join(folder, file))
  const pcm = new Int16Array(bytes.buffer.slice(bytes.byteOffset + 44, bytes.byteOffset + bytes.length))
  return { samples: Float32Array.from(pcm, (one) => one / 32768), rateHz: bytes.readUInt32LE(24) }
}
const allowed = (strokes: number) => (strokes === 0 ? 0 : Math.max(1, 0.03 * strokes))

describe('strokes are counted by ear', () => {
  for (const { file, what, bothWays, strokes, startsAtS } of reference.recordings)
    it(what, () => {
      const { samples, rateHz } = recorded(file)
      const heard = strokesIn(samples, rateHz)
      expect(Math.abs(heard.strokes.length - strokes)).toBeLessThanOrEqual(allowed(strokes))
      if (strokes === 0) expect(heard.trouble).toBe('nothing-heard')
      if (strokes >= 20) expect(heard.bothWays).toBe(bothWays)
      const found = startsAtS.filter((at) => heard.strokes.some(({ fromS }) => Math.abs(fromS - at) < 0.35))
      expect(found.length).toBeGreaterThanOrEqual(strokes - allowed(strokes))
    })
})

describe('made-up benches', () => {
  const benches = Array.from({ length: 20 }, (_, i): StrokeRecordingAsk => {
    const share = (step: number) => (i * step) % 1
    return {
      seed: (i + 0.5) / 20,
      strokes: 20 + Math.floor(20 * share(0.618)),
      bothWays: i % 2 === 1,
      around: HEARD_AROUND[Math.floor(i / 2) % HEARD_AROUND.length]!,
      overNoiseDb: 18 + 20 * share(0.382),
      uneven: 0.05 + 0.2 * share(0.724),
    }
  })
  it('are counted to within 3 in 100 in 95 of 100, whatever is heard beside', () => {
    const off = benches.filter((bench) => {
      const { samples, rateHz } = strokeRecording(bench)
      return Math.abs(strokesIn(samples, rateHz).strokes.length - bench.strokes) > allowed(bench.strokes)
    })
    expect(off.length, JSON.stringify(off, null, 1)).toBeLessThanOrEqual(0.05 * benches.length)
  })
  it('where the strokes drown, that is said and nothing is counted as sure', () => {
    const { samples, rateHz } = strokeRecording({ ...benches[0]!, overNoiseDb: 2 })
    const heard = strokesIn(samples, rateHz)
    expect(heard.trouble).not.toBeNull()
    expect(heard.confidence).toBeLessThan(0.5)
  })
  it('come in as a microphone gives them: piece by piece, the same is counted', () => {
    const { samples, rateHz } = strokeRecording(benches[1]!)
    const listener = new StrokeListener(rateHz)
    for (let i = 0; i < samples.length; i += 128) listener.take(samples.subarray(i, i + 128))
    expect(listener.heard(true)).toEqual(strokesIn(samples, rateHz))
  })
})
