import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { standInGauge } from '../../simulation/standIn/gaugeLines'
import { checksumOf, gaugeLine, gaugeLines, type GaugeReading } from './lines'
import { settling } from './settling'

const readings = fc.array(
  fc.record({
    number: fc.integer({ min: 0, max: 65535 }),
    deg: fc.integer({ min: -18000, max: 18000 }).map((n) => n / 100),
    rollDeg: fc.option(fc.integer({ min: -9000, max: 9000 }).map((n) => n / 100)),
  }),
  { maxLength: 12 },
)
const read = (pieces: readonly string[]) => {
  const feed = gaugeLines()
  return pieces.flatMap((piece) => feed(piece))
}
const readingsIn = (pieces: readonly string[]): GaugeReading[] =>
  read(pieces).flatMap((one) => (one.is === 'reading' ? [one.reading] : []))

describe('the lines of a gauge', () => {
  it('say what the protocol says they do', () => {
    expect(checksumOf('17 20.35')).toBe('0C')
    expect(gaugeLine({ number: 17, deg: 20.35, rollDeg: null })).toBe('#17 20.35*0C\n')
    expect(readingsIn(['#17 20.35*0c\r\n'])).toEqual([{ number: 17, deg: 20.35, rollDeg: null }])
  })

  it('are read alike however they are cut into pieces', () => {
    fc.assert(
      fc.property(readings, fc.array(fc.nat(200), { maxLength: 20 }), (sent, cuts) => {
        const text = sent.map(gaugeLine).join('')
        const at = [0, ...cuts.map((cut) => cut % (text.length + 1)).sort((a, b) => a - b), text.length]
        const pieces = at.slice(1).map((to, i) => text.slice(at[i], to))
        expect(readingsIn(pieces)).toEqual(sent)
      }),
    )
  })

  it('with one character harmed are never taken for another reading', () => {
    fc.assert(
      fc.property(readings, fc.nat(), fc.string({ minLength: 1, maxLength: 1 }), (sent, where, letter) => {
        const text = sent.map(gaugeLine).join('')
        if (text === '') return
        const at = where % text.length
        const known = sent.map((one) => JSON.stringify(one))
        for (const one of readingsIn([`${text.slice(0, at)}${letter}${text.slice(at + 1)}`]))
          expect(known).toContain(JSON.stringify(one))
      }),
    )
  })

  it('tell how many were lost, over the turn of the count too, and a gauge that began anew', () => {
    const line = (number: number) => gaugeLine({ number, deg: 20, rollDeg: null })
    const lost = (...numbers: number[]) => read(numbers.map(line)).map((one) => one.is === 'reading' && one.lost)
    expect(lost(65534, 65535, 2)).toEqual([0, 0, 2])
    expect(lost(500, 3)).toEqual([0, 0])
  })

  it('with another sum, a number past the turn or an angle that cannot be are garbled, and said so', () => {
    const line = (between: string) => `#${between}*${checksumOf(between)}\n`
    const is = (text: string) => read([text]).map((one) => one.is)
    expect(is('#17 20.35*0D\n')).toEqual(['garbled'])
    expect(is(line('65535 20.00'))).toEqual(['reading'])
    expect(is(line('65536 20.00'))).toEqual(['garbled'])
    expect(is(line('1 180.00 -180.00'))).toEqual(['reading'])
    expect(is(line('1 180.01'))).toEqual(['garbled'])
    expect(is(line('1 20.00 -180.01'))).toEqual(['garbled'])
    expect(is('\r\n\n')).toEqual([])
  })

  it('without an end are dropped, and what follows is read', () => {
    expect(read(['x'.repeat(500), `\n${gaugeLine({ number: 1, deg: 5, rollDeg: null })}`]).map(({ is }) => is)).toEqual(
      ['garbled', 'reading'],
    )
  })
})

describe('a needle', () => {
  /** What readings come to that were taken so far apart. */
  const after = (degs: readonly number[], apartMs = 200, follow = settling(), fromMs = 0) =>
    degs.map((deg, i) => follow(fromMs + i * apartMs, deg)).at(-1)!
  const still = (count: number) => Array.from({ length: count }, () => 20)

  it('is at rest after five readings over three quarters of a second', () => {
    expect(after(still(5))).toEqual({ deg: 20, uncertaintyDeg: 0, settled: true })
    expect(after(still(4), 300).settled).toBe(false)
    expect(after(still(5), 180).settled).toBe(false)
    expect(after(still(1))).toEqual({ deg: 20, uncertaintyDeg: 0, settled: false })
  })

  it('comes to the mean of the newer half, as sure as its noise lets it be', () => {
    const noisy = after([20.1, 19.9, 20.1, 19.9, 20.1])
    expect(noisy.settled).toBe(true)
    expect(noisy.deg).toBeCloseTo((20.1 + 19.9 + 20.1) / 3, 12)
    expect(noisy.uncertaintyDeg).toBeCloseTo((2.4 * Math.sqrt(0.012)) / Math.sqrt(3), 9)
    expect(after([20.2, 19.9, 20.2, 19.9, 20.2]).settled).toBe(false)
  })

  it('that creeps is not at rest, and less sure by how far it still may go', () => {
    const creeping = (perSecond: number) => after([0, 1, 2, 3, 4].map((i) => 20 + 0.2 * i * perSecond))
    expect(creeping(0.06).settled).toBe(false)
    const slow = creeping(0.04)
    expect(slow.settled).toBe(true)
    expect(slow.uncertaintyDeg).toBeCloseTo(Math.hypot((2.4 * 0.008 * Math.sqrt(2.5)) / Math.sqrt(3), 0.04 * 0.375), 9)
  })

  it('forgets what it showed more than one and a half seconds ago, and all of a clock that was put back', () => {
    const follow = settling()
    follow(0, 30)
    expect(after(still(5), 200, follow, 1600).settled).toBe(true)
    follow(9000, 30)
    expect(after(still(5), 200, follow, 100).settled).toBe(true)
  })

  it('is held only once it has come to rest, at what it comes to, as surely as it says', () => {
    let inside = 0
    const trials = 200
    for (let i = 0; i < trials; i++) {
      const of = { noiseDeg: 0.04, zeroDeg: 0.2, driftPerMinuteDeg: 0.1, garbled: 0.05, lost: 0.05 }
      const gauge = standInGauge({ seed: (i + 0.5) / trials, ...of })
      const [feed, follow] = [gaugeLines(), settling()]
      for (let atMs = 0; ; atMs += 200) {
        expect(atMs).toBeLessThan(10_000)
        const states = feed(gauge(20, atMs)).flatMap((one) =>
          one.is === 'reading' ? [follow(atMs, one.reading.deg)] : [],
        )
        const rest = states.find(({ settled }) => settled)
        if (!rest) continue
        if (Math.abs(rest.deg - 20.2) <= rest.uncertaintyDeg) inside++
        break
      }
    }
    expect(inside / trials).toBeGreaterThan(0.93)
  })
})
