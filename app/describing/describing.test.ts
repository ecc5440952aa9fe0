import { describe, expect, it } from 'vitest'
import { SHAPES } from '#core/blade/shapes'
import { armsRig, bellyBlade, postRig, scaleRig, screwRig, slotRig, tableRig } from '#core/setup/sampleSetup.fixture'
import { bladeDraftOf, completed, emptyBladeDraft, readBlade, type BladeDraft } from './bladeDraft'
import { exactFigure, readDraft, toDraft } from './draft'
import { emptyRigDraft, readRig, rigDraftOf } from './rigDraft'
import { rigSteps, stepOf } from './rigSteps'

describe('a draft', () => {
  it('shows lengths in the unit in use, and gives back to the last digit what was not touched', () => {
    const thing = { widthMm: 23.8125, note: 'as found', deep: [{ offDeg: 1.25 }] }
    const inches = toDraft(thing, 'in')
    expect(inches).toEqual({ widthMm: '0.9375', note: 'as found', deep: [{ offDeg: '1.25' }] })
    expect(readDraft(inches, 'in', thing)).toEqual({ content: thing, problems: {} })
    const odd = { widthMm: 1 / 3 }
    expect((readDraft(toDraft(odd, 'in'), 'in', odd).content as typeof odd).widthMm).toBe(1 / 3)
  })

  it('tells what cannot be read at its path, and leaves what may be empty empty', () => {
    const { content, problems } = readDraft({ a: { widthMm: 'wide' }, b: [{ heightMm: '' }], wornOutAtMm: '' }, 'mm')
    expect(problems).toEqual({ 'a.widthMm': '“wide” is no length.', 'b.0.heightMm': 'Measure it and write it here.' })
    expect(content).toMatchObject({ wornOutAtMm: null })
    expect(exactFigure(12.34567, 'mm')).toBe('12.346')
  })
})

describe('the draft of a rig', () => {
  it.each([
    ['post', postRig],
    ['slots', slotRig],
    ['screw', screwRig],
    ['degrees', scaleRig],
    ['two arms', armsRig],
    ['table', tableRig],
  ])('of %s comes back as it was, in either unit', (_, rig) => {
    for (const unit of ['mm', 'in'] as const)
      expect(readRig(rigDraftOf(rig, unit), unit, rig)).toEqual({ rig, problems: {} })
  })

  it('forgets nothing when kind or language are changed and changed back', () => {
    const draft = rigDraftOf(scaleRig, 'mm')
    draft.kind = 'table-post'
    draft.by = 'millimetres'
    expect(readRig(draft, 'mm', scaleRig).rig).toBeNull()
    draft.kind = 'turning-post'
    draft.by = 'degree-scale'
    expect(readRig(draft, 'mm', scaleRig).rig).toEqual(scaleRig)
  })

  it('an empty one names every measure that is missing, each at a step that has it', () => {
    const draft = { ...emptyRigDraft('two-arm', 'mm'), name: 'New' }
    const { rig, problems } = readRig(draft, 'mm', null)
    expect(rig).toBeNull()
    expect(Object.keys(problems)).toEqual(
      expect.arrayContaining([
        'pivot.setbackMm',
        'pivotB.setbackMm',
        'jaws.widthMm',
        'rodLengthMm',
        'height.lowestMarkDeg',
      ]),
    )
    const steps = rigSteps(draft)
    expect(
      ['pivot.setbackMm', 'height.lowestMarkDeg', 'jaws.widthMm', 'rodLengthMm', 'tolerance.heightMm'].map(
        (path) => steps[stepOf(steps, path)]!.id,
      ),
    ).toEqual(['pivot', 'height', 'jaws', 'rod', 'sure'])
  })

  it('rules between measures are told only when all can be read', () => {
    const draft = rigDraftOf(postRig, 'mm')
    draft.rodLengthMm = '80'
    expect(readRig(draft, 'mm', postRig).problems).toEqual({
      rodLengthMm: 'The rod would end before the jaws: it must be longer than the setback of 95 mm.',
    })
    draft.height.lowestMm = 'low'
    expect(readRig(draft, 'mm', postRig).problems).toMatchObject({ 'height.lowestMm': '“low” is no length.' })
  })
})

describe('the draft of a blade', () => {
  const named = (draft: BladeDraft): BladeDraft => ({
    ...draft,
    facts: {
      ...draft.facts,
      name: 'Blade',
      spineThicknessMm: '2.5',
      thicknessBehindEdgeMm: '0.4',
      primaryGrindHeightMm: '14',
    },
  })

  it('comes back as it was, in either unit', () => {
    for (const unit of ['mm', 'in'] as const)
      expect(readBlade(bladeDraftOf(bellyBlade, unit), unit, bellyBlade).blade).toEqual(bellyBlade)
  })

  it('a landmark is there as a whole or not at all', () => {
    const marked = (what: string, alongMm: string) => {
      const draft = named(emptyBladeDraft('mm'))
      return readBlade({ ...draft, facts: { ...draft.facts, landmark: { what, alongMm } } }, 'mm', null)
    }
    expect(marked('', '').blade!.landmark).toBeNull()
    expect(marked('stud', '34,5').blade!.landmark).toEqual({ what: 'stud', alongMm: 34.5 })
    expect(marked('stud', '').problems).toEqual({ 'landmark.alongMm': 'Measure it and write it here.' })
    expect(marked('', '34').problems).toEqual({ 'landmark.what': 'Say what it is.' })
  })

  it('a draft kept before a fact was asked for goes on with that fact empty', () => {
    const old = named(emptyBladeDraft('mm'))
    delete old.facts.landmark
    delete old.facts.bevelDeg
    expect(readBlade(completed(old), 'mm', null).blade).toMatchObject({ name: 'Blade', landmark: null, bevelDeg: null })
  })

  it('from the library has the edge of its shape and keeps its measures', () => {
    const { blade } = readBlade(named(emptyBladeDraft('mm')), 'mm', null)
    expect(blade!.shape).toEqual({ id: 'drop-point', measures: SHAPES['drop-point'].usual })
    expect(blade!.edge).toEqual(SHAPES['drop-point'].build(SHAPES['drop-point'].usual).edge)
    expect(blade!.widthMm).toBeCloseTo(24, 6)
  })

  it('typed points are read in the unit in use; what is wrong with them is told by line', () => {
    const typed = (points: string, unit: 'mm' | 'in' = 'mm') =>
      readBlade({ ...named(emptyBladeDraft(unit)), way: 'points', points }, unit, null)
    expect(typed('0 1\n2 1\n3 0.5', 'in').outline!.widthMm).toBeCloseTo(25.4, 6)
    expect(typed('0 20\n4 20\n5 18.6\n7 18\n9 18.6\n10 20\n60 18').outline).toMatchObject({
      choil: true,
      edge: [{ type: 'line', from: [expect.closeTo(0, 6), expect.closeTo(20, 6)] }],
    })
    expect(typed('0 20\n60 18').outline!.choil).toBe(false)
    expect(typed('0 20\n0 20\n50 18').problems.points).toBe('Line 2 is the same point as the one before.')
    expect(typed('0 20\n60 0\n60 30\n20 -5').problems.points).toBe('With these measures the edge crosses itself.')
    expect(typed('').problems.points).toMatch(/^Measure along the blade/)
  })

  it('measures that make no shape are told at their fields', () => {
    const draft = named(emptyBladeDraft('mm'))
    draft.measures = { ...draft.measures, bellyFromMm: '120' }
    expect(readBlade(draft, 'mm', null).problems).toEqual({
      'measures.bellyFromMm': 'This lies between the heel and the tip.',
    })
  })
})
