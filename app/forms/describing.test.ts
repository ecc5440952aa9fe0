import { z } from 'zod'
import { describe, expect, it } from 'vitest'
import { SHAPES } from '#core/records/blade/shapes'
import type { GritStandard } from '#core/records/stone/grit'
import { deg, label, mm } from '#core/schema/measure'
import type { FieldProblem } from '#core/schema/problem'
import {
  armsRig,
  bellyBlade,
  plainStone,
  postRig,
  scaleRig,
  screwRig,
  slotRig,
  tableRig,
} from '#core/geometry/setup/sampleSetup.fixture'
import { bladeDraftOf, bladeDrafts, emptyBladeDraft, readBlade, type BladeDraft } from '~/shelf/blade/bladeDraft'
import { lengthInUnit, completed, emptyDraft, exactFigure, inUnit, readDraft, toDraft, usualDraft } from './draft'
import { emptyRigDraft, readRig, rigDraftOf, rigDrafts } from '~/shelf/rig/rigDraft'
import { rigSteps, stepOf } from '~/shelf/rig/rigSteps'
import { readStone, stoneDrafts } from '~/shelf/stone/stoneDraft'

const record = z.object({
  name: label(20),
  widthMm: mm({ above: 0, most: 100 }),
  offDeg: deg({ least: 0, most: 90 }).default(5),
  wornAtMm: mm({ least: 0, most: 50 }).nullable().default(null),
  mark: z
    .object({ what: label(10), alongMm: mm({ least: 0, most: 10 }) })
    .nullable()
    .default(null),
  rows: z.array(z.object({ heightMm: mm({ least: 0, most: 10 }) })).default([]),
})
const codes = (problems: readonly FieldProblem[]) => Object.fromEntries(problems.map((one) => [one.field, one.code]))

describe('a length that is being typed', () => {
  it('means the same after the unit is switched, and what is no length stays as it was typed', () => {
    expect(lengthInUnit('31', 'mm', 'in')).toBe('1.22047')
    expect(lengthInUnit('1 3/16', 'in', 'mm')).toBe('30.162')
    expect(lengthInUnit('31 mm', 'in', 'mm')).toBe('31')
    expect([lengthInUnit('', 'mm', 'in'), lengthInUnit('about 3', 'mm', 'in')]).toEqual(['', 'about 3'])
    expect(lengthInUnit('31,50', 'mm', 'mm')).toBe('31,50')
  })
})

describe('a draft', () => {
  const whole = { name: 'Bar', widthMm: 23.8125, offDeg: 1.25, wornAtMm: null, mark: null, rows: [{ heightMm: 2.54 }] }

  it('shows lengths in the unit in use, and gives back to the last digit what was not touched', () => {
    const inches = toDraft(whole, record, 'in')
    expect(inches).toMatchObject({ widthMm: '0.9375', offDeg: '1.25', wornAtMm: '', rows: [{ heightMm: '0.1' }] })
    expect(readDraft(inches, record, 'in', { base: whole })).toEqual({ content: whole, problems: [] })
    const odd = { ...whole, widthMm: 1 / 3 }
    expect(readDraft(toDraft(odd, record, 'in'), record, 'in', { base: odd }).content).toEqual(odd)
  })

  it('means the same length whatever unit is shown; what cannot be read stays as it was typed', () => {
    // What is usual is round in either unit.
    const usual = { ...whole, widthMm: 150, rows: [{ heightMm: 0.1 }, { heightMm: 25 }, { heightMm: 2 }] }
    expect(usualDraft(usual, record, 'mm')).toMatchObject({ widthMm: '150', rows: [{ heightMm: '0.1' }, {}, {}] })
    expect(usualDraft(usual, record, 'in')).toMatchObject({
      widthMm: '6',
      rows: [{ heightMm: '0.004' }, { heightMm: '1' }, { heightMm: '0.08' }],
    })
    const typed = { ...(toDraft(whole, record, 'mm') as object), widthMm: '25,4', wornAtMm: 'about 3', offDeg: '7' }
    const inches = inUnit(typed, record, 'mm', 'in')
    expect(inches).toMatchObject({ widthMm: '1', wornAtMm: 'about 3', offDeg: '7' })
    expect(readDraft(inches, record, 'in').content).toMatchObject({ widthMm: 25.4 })
    expect(inUnit(inches, record, 'in', 'mm')).toMatchObject({ widthMm: '25.4', wornAtMm: 'about 3' })
  })

  it('begins empty, with what the record’s own schema gives', () => {
    const empty = { name: '', widthMm: '', offDeg: '5', wornAtMm: '', mark: { what: '', alongMm: '' }, rows: [] }
    expect(emptyDraft(record, 'mm')).toEqual(empty)
  })

  it('tells what is missing and what is no figure at its path; what may be left empty, or out whole, is nothing', () => {
    const draft = { ...(emptyDraft(record, 'mm') as object), offDeg: 'flat', rows: [{ heightMm: 'low' }] }
    const { content, problems } = readDraft(draft, record, 'mm')
    expect(codes(problems)).toEqual({ widthMm: 'missing', offDeg: 'not-a-number', 'rows.0.heightMm': 'not-a-length' })
    expect(content).toMatchObject({ wornAtMm: null, mark: null })
    const { problems: needed } = readDraft(draft, record, 'mm', { needed: ['mark'] })
    expect(codes(needed)).toMatchObject({ 'mark.alongMm': 'missing' })
    expect(exactFigure(12.34567, 'mm')).toBe('12.346')
  })

  it('of before goes on with what has come since empty, and without what is of another kind', () => {
    const old = { name: 'Bar', widthMm: 12, mark: 'none', rows: [{ heightMm: '2' }], gone: 'x' }
    expect(completed(old, record, emptyDraft(record, 'mm'))).toEqual({
      name: 'Bar',
      widthMm: '',
      offDeg: '5',
      wornAtMm: '',
      mark: { what: '', alongMm: '' },
      rows: [{ heightMm: '2' }],
    })
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
      expect(readRig(rigDraftOf(rig, unit), unit, rig)).toEqual({ rig, problems: [] })
  })

  it('keeps what proofs left open of its measures until one of them is measured anew', () => {
    const fitted = {
      at: '2026-03-01T10:00:00.000Z',
      ofRevision: 1,
      measures: [{ id: 'setback' as const, uncertainty: 0.213, written: 0.22, face: null }],
      correlation: [[1]],
    }
    const rig = { ...postRig, tolerance: { ...postRig.tolerance, setbackMm: 0.22 }, fitted }
    const draft = rigDraftOf(rig, 'in')
    expect(readRig({ ...draft, notes: 'oiled' }, 'in', rig).rig).toEqual({ ...rig, notes: 'oiled' })
    draft.pivot.setbackMm = '3.75'
    expect(readRig(draft, 'in', rig).rig!.fitted).toBeNull()
  })

  it('forgets nothing when kind or language are changed and changed back', () => {
    const draft = rigDraftOf(scaleRig, 'mm')
    draft.kind = 'table-post'
    draft.height.by = 'millimetres'
    expect(readRig(draft, 'mm', scaleRig).rig).toBeNull()
    draft.kind = 'turning-post'
    draft.height.by = 'degree-scale'
    expect(readRig(draft, 'mm', scaleRig).rig).toEqual(scaleRig)
  })

  it('of the first version is taken up: it had its language beside the measures', () => {
    const { by, ...height } = rigDraftOf(screwRig, 'mm').height
    const taken = rigDrafts(null, false).takenUp({ ...rigDraftOf(screwRig, 'mm'), by, height }, 'mm', 1)!
    expect(readRig(taken, 'mm', null).rig).toEqual(screwRig)
  })

  it('an empty one names every measure that is missing, each at a step that has it', () => {
    const draft = { ...emptyRigDraft('two-arm', 'mm'), name: 'New' }
    const { rig, problems } = readRig(draft, 'mm', null)
    expect(rig).toBeNull()
    expect(problems.map((one) => one.field)).toEqual(
      expect.arrayContaining([
        'pivot.setbackMm',
        'pivotB.setbackMm',
        'jaws.widthMm',
        'rodLengthMm',
        'height.lowestMarkDeg',
      ]),
    )
    const steps = rigSteps(draft, 'mm')
    expect(
      ['pivot.setbackMm', 'height.lowestMarkDeg', 'jaws.widthMm', 'rodLengthMm', 'tolerance.heightMm'].map(
        (path) => steps[stepOf(steps, path)]!.id,
      ),
    ).toEqual(['pivot', 'height', 'jaws', 'rod', 'sure'])
  })

  it('rules between measures are told only when all can be read', () => {
    const draft = rigDraftOf(postRig, 'mm')
    draft.rodLengthMm = '80'
    expect(readRig(draft, 'mm', postRig).problems).toEqual([
      { field: 'rodLengthMm', code: 'rod-before-jaws', figures: { setbackMm: 95 } },
    ])
    draft.height.lowestMm = 'low'
    expect(codes(readRig(draft, 'mm', postRig).problems)).toEqual({ 'height.lowestMm': 'not-a-length' })
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
    expect(codes(marked('stud', '').problems)).toEqual({ 'landmark.alongMm': 'missing' })
    expect(codes(marked('', '34').problems)).toEqual({ 'landmark.what': 'text-missing' })
  })

  it('a draft kept before a fact was asked for goes on with that fact empty', () => {
    const { facts, source, ...old } = named(emptyBladeDraft('mm'))
    const { landmark: _landmark, bevelDeg: _bevel, ...before } = facts
    const taken = bladeDrafts(null, false).takenUp({ ...old, way: source, facts: before }, 'mm', 1)!
    expect(readBlade(taken, 'mm', null).blade).toMatchObject({ name: 'Blade', landmark: null, bevelDeg: null })
  })

  it('from the library has the edge of its shape and keeps its measures', () => {
    const { blade } = readBlade(named(emptyBladeDraft('mm')), 'mm', null)
    expect(blade!.shape).toEqual({ id: 'drop-point', measures: SHAPES['drop-point'].usual })
    expect(blade!.edge).toEqual(SHAPES['drop-point'].build(SHAPES['drop-point'].usual).edge)
    expect(blade!.widthMm).toBeCloseTo(24, 6)
  })

  it('typed points are read in the unit in use; what is wrong with them is told by line', () => {
    const typed = (points: string, unit: 'mm' | 'in' = 'mm') =>
      readBlade({ ...named(emptyBladeDraft(unit)), source: 'points', points }, unit, null)
    expect(typed('0 1\n2 1\n3 0.5', 'in').outline!.widthMm).toBeCloseTo(25.4, 6)
    expect(typed('0 20\n4 20\n5 18.6\n7 18\n9 18.6\n10 20\n60 18').outline).toMatchObject({
      choil: true,
      edge: [{ type: 'line', from: [expect.closeTo(0, 6), expect.closeTo(20, 6)] }],
    })
    expect(typed('0 20\n60 18').outline!.choil).toBe(false)
    expect(typed('0 20\n0 20\n50 18').problems).toMatchObject([{ code: 'same-point-twice', figures: { line: 2 } }])
    expect(typed('0 20\n60 0\n60 30\n20 -5').problems).toMatchObject([{ field: 'points', code: 'crosses-itself' }])
    expect(typed('').problems).toMatchObject([{ field: 'points', code: 'too-few-points' }])
  })

  it('typed points mean the same in another unit', () => {
    const draft: BladeDraft = { ...named(emptyBladeDraft('in')), source: 'points', points: '0 1\n2 1\nsoon' }
    expect(bladeDrafts(null, false).inUnit(draft, 'in', 'mm').points).toBe('0  25.4\n50.8  25.4\nsoon')
  })

  it('measures that make no shape are told at their fields', () => {
    const draft = named(emptyBladeDraft('mm'))
    draft.measures = { ...draft.measures, bellyFromMm: '120' }
    expect(codes(readBlade(draft, 'mm', null).problems)).toEqual({ 'measures.bellyFromMm': 'between-heel-and-tip' })
  })
})

describe('the draft of a stone', () => {
  const stone = { ...plainStone, faceOffsetEnds: { nearMm: 5.9, farMm: 6.1 }, wornOutAtMm: 3 }
  const begun = (from: typeof stone | null, unit: 'mm' | 'in') => stoneDrafts(from, false).begun(unit)

  it('comes back as it was, in either unit', () => {
    for (const unit of ['mm', 'in'] as const)
      expect(readStone(begun(stone, unit), unit, stone)).toEqual({ stone, problems: [] })
  })

  it('has its grain from the grit printed on it, or says what that standard goes to', () => {
    const draft = begun(stone, 'mm')
    const of = (standard: GritStandard, number: string) =>
      readStone({ facts: { ...draft.facts, grit: { standard, number } }, byGrit: true }, 'mm', stone)
    expect(of('JIS', '800').stone).toMatchObject({ grit: { standard: 'JIS', number: 800 }, grainUm: 14 })
    expect(of('JIS', '99999').problems).toMatchObject([{ field: 'grit.number' }])
    expect(of('FEPA F', '2').problems).toMatchObject([{ code: 'grit-out-of-range', figures: { coarsest: 16 } }])
  })

  it('an empty one names what is missing, and nothing that follows from it', () => {
    expect(codes(readStone(begun(null, 'mm'), 'mm', null).problems)).toEqual({
      name: 'text-missing',
      'grit.number': 'missing',
      'faceOffsetEnds.nearMm': 'missing',
      'faceOffsetEnds.farMm': 'missing',
    })
  })
})
