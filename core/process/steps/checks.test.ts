import { describe, expect, it } from 'vitest'
import type { Proof, Reading } from '../../log/entry'
import { gripOf } from '../../geometry/hold/grip'
import { armsRig, bellyBlade, plainStone, postRig, slotRig, tableRig } from '../../geometry/setup/sampleSetup.fixture'
import type { Blade } from '../../records/blade/blade'
import type { Rig } from '../../records/rig/rig'
import { anglesAsGround } from './asGround'
import { bench, type Bench } from './robot.fixture'
import type { NextStep } from './nextStep'
import { FAR_OFF_DEG } from './step'
import { stepsOf } from './steps'

const sabre: Blade = { ...bellyBlade, primaryGrindHeightMm: 14, widthMm: 28 }
const start = (rig: Rig = postRig, blade = sabre) => bench(rig, blade, plainStone, 'new-angle')
const jaws = (change: Partial<NonNullable<Rig['jaws']>>): Rig => ({ ...postRig, jaws: { ...postRig.jaws!, ...change } })
function upTo(of: Bench, does: NextStep['toDo']['does']): NextStep {
  for (let i = 0; i < 60; i++) {
    const next = of.next()
    if (!next) break
    if (next.toDo.does === does) return next
    if (!of.press(next)) throw new Error(`${next.toDo.does} stands before ${does}`)
  }
  throw new Error(`never came to ${does}`)
}
const stateOf = (of: Bench, id: string, side: 'A' | 'B' | null = null) =>
  stepsOf(of.now()).find((one) => one.id === id && (side === null || one.side === side))?.state

describe('the wanted angle', () => {
  it('is asked for while it is what every job begins with; a figure is one without a reason too', () => {
    const of = start()
    expect(of.next()).toMatchObject({ id: 'wanted', station: 'blade', leavable: false })
    of.change({ wanted: { deg: { A: 20, B: 21 }, linked: false, why: '' } })
    expect(of.next()?.id).not.toBe('wanted')
    of.change({ wanted: { deg: { A: 20, B: 20 }, linked: true, why: 'Kitchen.' } })
    expect(of.next()?.id).not.toBe('wanted')
  })

  it('may be left to the bevel that is followed; of a blade with one bevel that side alone counts', () => {
    const follow = bench(postRig, sabre, plainStone, 'sharpen')
    expect(follow.next()).toMatchObject({ id: 'wanted', leavable: true })
    const one = start(postRig, { ...sabre, bevels: 'A' })
    one.change({ wanted: { deg: { A: 20, B: 24 }, linked: false, why: '' } })
    expect(one.next()?.id).toBe('wanted')
  })
})

describe('what stands against a hold', () => {
  const wanted = { deg: { A: 21, B: 21 }, linked: true, why: 'Kitchen.' }
  const after = (of: Bench) => {
    of.change({ wanted })
    return of.next()
  }

  it('comes before anything else, with the nearest hold that can be', () => {
    const of = start()
    of.change({ hold: { ...of.job().hold, bladeYMm: 2 } })
    const next = after(of)
    expect(next).toMatchObject({ id: 'hold', leavable: false, toDo: { does: 'mend-grip', trouble: 'too-little-held' } })
    const instead = next?.toDo.does === 'mend-grip' ? next.toDo.instead : null
    expect(instead && gripOf(sabre, postRig).trouble(instead)).toBeNull()
    expect(after(start(jaws({ widthMm: 120 })))).toMatchObject({ toDo: { trouble: 'off-the-blade', instead: null } })
    expect(after(start(tableRig))?.toDo.does).not.toBe('mend-grip')
  })

  it('is a side without an angle, a spine that slips, an angle that runs far along the edge', () => {
    expect(after(start({ ...postRig, rodLengthMm: 110 }))).toMatchObject({
      side: 'A',
      toDo: { does: 'mend-hold', refusal: { code: 'beyond-rod' } },
    })
    const thick = { ...sabre, spineThicknessMm: 10 }
    expect(after(start(postRig, thick))).toMatchObject({ toDo: { does: 'hold-otherwise', spineMm: 10, mostMm: 9 } })
    const falseEdge = { ...sabre, falseEdge: true }
    expect(after(start(postRig, falseEdge))).toMatchObject({ toDo: { does: 'hold-otherwise', mostMm: 0 } })
    const turned = start()
    expect(after(turned)).toMatchObject({ id: 'hold', leavable: true, toDo: { does: 'even-angle' } })
    turned.leaveOut(turned.next()!)
    expect(turned.next()?.id).toBe('height')
  })

  it('is jaws that the stone would meet, said with the angle from which on it clears them', () => {
    const of = start(jaws({ halfThicknessMm: 8 }))
    const next = upTo(of, 'clear-jaws')
    expect(next.toDo.does === 'clear-jaws' && next.toDo.lowestDeg).toBeGreaterThan(21)
    expect(next).toMatchObject({ id: 'dial', leavable: false })
  })
})

describe('what is dialled', () => {
  it('one dial for two sides that want other marks is set once it is as good for both as it can be', () => {
    const of = start({ ...armsRig, pivotB: { setbackMm: 101, alongMm: 0, overScaleMm: 0 } })
    upTo(of, 'dial')
    of.change({ dialled: { ...of.job().dialled, linked: true } })
    of.press(upTo(of, 'dial'))
    expect(stepsOf(of.now()).filter(({ id, state }) => id === 'dial' && state.is !== 'done')).toEqual([])
  })

  it('and another angle wanted since is dialled anew, as the reason says', () => {
    const of = start()
    upTo(of, 'read')
    of.change({ wanted: { deg: { A: 25, B: 25 }, linked: true, why: 'Chipped.' } })
    expect(of.next()).toMatchObject({ id: 'dial', side: 'A', state: { is: 'out-of-date', because: ['wanted'] } })
  })
})

describe('what the gauge read', () => {
  it('is done where it is what it must be, to be explained where it is not, and read anew with another dial', () => {
    const of = start()
    upTo(of, 'read')
    of.read('A')
    expect(stateOf(of, 'read', 'A')).toMatchObject({ is: 'done' })
    const last = of.log.at(-1)!
    if (last.kind === 'reading') of.log.splice(-1, 1, { ...last, deg: last.deg + 2 })
    const next = of.next()
    expect(next).toMatchObject({ id: 'read', side: 'A', toDo: { does: 'explain-reading' } })
    expect(next?.toDo.does === 'explain-reading' && next.toDo.offDeg).toBeCloseTo(2, 6)
    const { dialled } = of.job()
    const other = { by: 'millimetres', mm: 60 } as const
    of.change({ dialled: { ...dialled, A: other, B: other } })
    expect(stateOf(of, 'read', 'A')).toMatchObject({ is: 'out-of-date', because: ['dial'] })
  })
})

describe('what is proved', () => {
  const proved = (change: Partial<Proof>) => {
    const of = start()
    upTo(of, 'prove')
    of.prove('A')
    const last = of.log.at(-1)!
    if (last.kind === 'proof') of.log.splice(-1, 1, { ...last, ...change })
    return stateOf(of, 'prove', 'A')
  }

  it('counts where it was cut to the apex, a degree sure, at the hold and the dial of now', () => {
    expect(proved({})).toMatchObject({ is: 'done' })
    expect(proved({ toApex: false })).toMatchObject({ because: ['not-to-apex'] })
    expect(proved({ toApex: null })).toMatchObject({ because: ['apex-not-said'] })
    expect(proved({ uncertaintyDeg: 1 })).toMatchObject({ is: 'done' })
    expect(proved({ uncertaintyDeg: 1.1 })).toMatchObject({ because: ['unsure'] })
    expect(proved({ setup: null })).toEqual({ is: 'missing' })
  })

  it('and is put to use with the worst of it, less what was wanted', () => {
    const of = start()
    for (let next = upTo(of, 'prove'); next.toDo.does === 'prove'; next = of.next()!) of.press(next)
    const next = upTo(of, 'put-to-use')
    // The worst place counts: here the tip, which is set steeper than the rest.
    const off = stepsOf(of.now()).flatMap(({ id, side, state }) =>
      id === 'prove' && side && state.is === 'done' ? [state.fact.deg! - of.job().wanted.deg[side]] : [],
    )
    const worst = off.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a))
    expect(next.toDo).toMatchObject({ does: 'put-to-use', offDeg: worst })
  })

  it('after another hold was looked for, where only a slot far off clears the jaws', () => {
    const of = start(slotRig)
    of.change({ wanted: { deg: { A: 12, B: 12 }, linked: true, why: 'Thin.' } })
    const next = of.next()!
    expect(next).toMatchObject({ id: 'hold', leavable: true, toDo: { does: 'clear-jaws' } })
    of.leaveOut(next)
    const { toDo } = upTo(of, 'dial')
    expect(toDo.does === 'dial' && toDo.offDeg).toBeGreaterThan(FAR_OFF_DEG)
    expect(upTo(of, 'grind').toDo.does).toBe('grind')
  })

  it('with what each side has from heel to tip: what was set there, corrected by the nearest proof', () => {
    const of = start()
    for (let next = upTo(of, 'prove'); next.toDo.does === 'prove'; next = of.next()!) of.press(next)
    const { toDo } = upTo(of, 'put-to-use')
    const { sides } = of.now().evaluation
    const wantedDeg = of.job().wanted.deg.A
    const along = toDo.does === 'put-to-use' ? toDo.along : []
    expect(along.map(({ side }) => side)).toEqual(['A', 'B'])
    for (const one of along) {
      const set = sides[one.side]
      if (!set.ok) throw new Error('no angle')
      expect(one).toMatchObject({
        proved: true,
        lowestDeg: expect.closeTo(set.lowestDeg, 1),
        highestDeg: expect.closeTo(set.highestDeg, 1),
      })
      const worst = Math.max(set.highestDeg - wantedDeg, wantedDeg - set.lowestDeg)
      expect(Math.abs(one.worstDeg)).toBeCloseTo(worst, 1)
    }
    // Another setting since changes nothing of what was ground; a proof that is off by half a degree moves all of it.
    of.change({ hold: { ...of.job().hold, bladeXMm: of.job().hold.bladeXMm + 20 } })
    expect(anglesAsGround(of.now())).toEqual(along)
    const other = start()
    other.press(upTo(other, 'grind'))
    const before = anglesAsGround(other.now())[0]!
    expect(before.proved).toBe(false)
    other.prove('A', 0.5)
    const after = anglesAsGround(other.now())[0]!
    expect(after).toMatchObject({ proved: true, lowestDeg: expect.closeTo(before.lowestDeg + 0.5, 6) })
  })

  it('where nothing is, and that was left out, nothing is claimed of the angle', () => {
    const of = start()
    for (let next = upTo(of, 'prove'); next.toDo.does === 'prove'; next = of.next()!) of.leaveOut(next)
    expect(of.next()?.toDo).toMatchObject({ does: 'put-to-use', offDeg: null })
  })
})

describe('what was accepted or left out', () => {
  it('is asked for again once the steel is another: a proof that was off, a burr that nobody felt for', () => {
    const of = start()
    upTo(of, 'prove')
    of.prove('A', 3)
    of.leaveOut(of.next()!)
    expect(stateOf(of, 'prove', 'A')).toMatchObject({ is: 'left-out', fact: { uncertaintyDeg: 0.3 } })
    of.grind('A')
    expect(stateOf(of, 'prove', 'A')).toMatchObject({ is: 'out-of-date', because: ['ground-since'] })
    const unfelt = start()
    unfelt.leaveOut(upTo(unfelt, 'remove-burr'))
    expect(stateOf(unfelt, 'burr')).toMatchObject({ is: 'left-out', fact: null })
    unfelt.grind('B')
    expect(stateOf(unfelt, 'burr')).toEqual({ is: 'missing' })
  })

  it('an angle that runs along the edge is accepted for the hold of then; an accepted proof counts in what is claimed', () => {
    const of = start()
    upTo(of, 'measure-height')
    expect(stateOf(of, 'hold')).toMatchObject({ is: 'left-out' })
    of.change({ hold: { ...of.job().hold, bladeYMm: of.job().hold.bladeYMm - 1 } })
    expect(stateOf(of, 'hold')).toEqual({ is: 'missing' })
    const off = start()
    upTo(off, 'prove')
    off.prove('A', 3)
    off.leaveOut(off.next()!)
    const next = upTo(off, 'put-to-use')
    expect(next.toDo.does === 'put-to-use' && next.toDo.offDeg).toBeGreaterThan(2.5)
  })
})

describe('a proof', () => {
  const ground = () => {
    const of = start()
    upTo(of, 'prove')
    return of
  }

  it('of a zone that differs says nothing of the side, nor the other way round; both are of the last strokes alone', () => {
    const of = ground()
    const ofTip = stepsOf(of.now()).find(({ id, side, zone }) => id === 'prove' && side === 'A' && zone === 'tip')!
    of.press({ ...ofTip, toDo: { does: 'prove' } })
    const states = () =>
      stepsOf(of.now()).flatMap(({ id, side, state }) => (id === 'prove' && side === 'A' ? [state.is] : []))
    expect(states()).toEqual(['missing', 'done'])
    of.prove('A')
    expect(states()).toEqual(['done', 'done'])
    of.grind('A')
    expect(states()).toEqual(['out-of-date', 'out-of-date'])
  })

  it('of a bevel that does not reach the apex leads back to the stone; a burr that was felt says that it does', () => {
    const of = ground()
    of.prove('A')
    const last = of.log.at(-1)!
    if (last.kind === 'proof') of.log.splice(-1, 1, { ...last, toApex: false })
    expect(of.next()).toMatchObject({ id: 'prove', side: 'A', toDo: { does: 'grind' } })
    if (last.kind === 'proof') of.log.splice(-1, 1, { ...last, toApex: null })
    const at = of.log.findIndex((entry) => entry.kind === 'sharpness')
    const none = of.log[at]!
    if (none.kind === 'sharpness') of.log.splice(at, 0, { ...none, id: none.id.replace(/^0197/, '0198'), burr: 'both' })
    expect(stateOf(of, 'prove', 'A')).toMatchObject({ is: 'done' })
  })

  it('does not stand for strokes that were removed', () => {
    const of = ground()
    of.prove('A')
    const kept = of.log.filter((entry) => entry.kind !== 'strokes')
    of.log.splice(0, of.log.length, ...kept)
    expect(stateOf(of, 'grind', 'A')).toEqual({ is: 'missing' })
  })
})

describe('a dial', () => {
  const wanted = { deg: { A: 21, B: 21 }, linked: true, why: 'Kitchen.' }

  it('that both sides share, and that lets the stone meet the jaws on one of them, is none', () => {
    const of = bench(jaws({ halfThicknessMm: 4.25 }), sabre, plainStone, 'touch-up')
    of.change({ wanted, hold: { ...of.job().hold, centreOffsetMm: -0.8 } })
    const next = upTo(of, 'clear-jaws')
    expect(next).toMatchObject({ id: 'dial', side: 'A', state: { is: 'missing' } })
    const { lowestDeg } = next.toDo as { lowestDeg: number }
    // At the wanted angle it would clear them: it is the dial for both that does not.
    const set = of.now().evaluation.sides.A
    expect(lowestDeg).toBeGreaterThan(set.ok ? set.contact.edgeAngleDeg + 0.05 : Infinity)
    expect(lowestDeg).toBeLessThan(21)
  })

  it('is out of date by what changed since it was dialled, and by another wanted angle', () => {
    const of = start()
    of.change({ wanted })
    const dialled = upTo(of, 'dial')
    of.press(dialled)
    const side = dialled.side!
    expect(stateOf(of, 'dial', side)).toMatchObject({ is: 'done', fact: { deg: expect.closeTo(21, 0) } })
    of.change({ wanted: { ...wanted, deg: { A: 24, B: 24 } } })
    expect(stateOf(of, 'dial', side)).toMatchObject({ is: 'out-of-date', because: ['wanted'] })
    of.change({ wanted, hold: { ...of.job().hold, bladeYMm: of.job().hold.bladeYMm - 2 } })
    expect(stateOf(of, 'dial', side)).toMatchObject({ because: expect.arrayContaining(['hold']) })
  })
})

describe('a reading of the gauge', () => {
  function read(): Bench {
    const of = start()
    of.change({ wanted: { deg: { A: 21, B: 21 }, linked: true, why: 'Kitchen.' } })
    of.press(upTo(of, 'read'))
    return of
  }
  const readSide = (of: Bench) => of.log.findLast((one): one is Reading => one.kind === 'reading')!

  it('is done when it shows what it must, with its figure', () => {
    const of = read()
    const { side, deg, at } = readSide(of)
    expect(stateOf(of, 'read', side)).toMatchObject({
      is: 'done',
      fact: { at, deg, uncertaintyDeg: expect.any(Number) },
    })
  })

  it('that differs by more than is known is explained first', () => {
    const of = read()
    const { side, deg } = readSide(of)
    of.log.splice(of.log.indexOf(readSide(of)), 1, { ...readSide(of), deg: deg + 1.5 })
    expect(stateOf(of, 'read', side)).toMatchObject({ is: 'out-of-date', because: ['differs'] })
    expect(of.next()).toMatchObject({ id: 'read', toDo: { does: 'explain-reading', offDeg: expect.closeTo(1.5, 1) } })
    of.log.splice(of.log.indexOf(readSide(of)), 1, { ...readSide(of), deg: deg + 0.2 })
    expect(stateOf(of, 'read', side)?.is).toBe('done')
  })

  it('is out of date once the gauge is zeroed on something else, or the dial is another', () => {
    const of = read()
    const { side } = readSide(of)
    const { gaugeZero } = of.job()
    of.change({ gaugeZero: 'clamp' })
    expect(stateOf(of, 'read', side)).toMatchObject({ is: 'out-of-date', because: ['gauge-zero'] })
    of.change({ gaugeZero, wanted: { deg: { A: 24, B: 24 }, linked: true, why: 'Chipped.' } })
    of.press(upTo(of, 'dial'))
    expect(stateOf(of, 'read', side)).toMatchObject({ is: 'out-of-date', because: ['dial'] })
  })
})
