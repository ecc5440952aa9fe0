import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  armsRig,
  plainStone,
  postRig,
  scaleRig,
  screwRig,
  slotRig,
  tableRig,
} from '../../geometry/setup/sampleSetup.fixture'
import { readStoneCsv, writeStoneCsv } from './stoneCsv'
import { readToolFile } from './jsonFile'
import { toolFileJsonSchema, type ToolFile } from './toolFile'

const tools: ToolFile = {
  format: 'jaw-tilt-tools',
  version: 2,
  rigs: [postRig, slotRig, armsRig, tableRig, scaleRig, screwRig],
  stones: [{ ...plainStone, log: [{ on: '2026-05-01', did: 'used', faceOffsetMm: null, blades: 4, note: '' }] }],
}
const asText = (content: unknown) => JSON.stringify(content, null, 2)

describe('a file of rigs and stones', () => {
  it('comes back as it was written', () => {
    expect(readToolFile(asText(tools))).toEqual({ ok: true, content: tools })
  })

  it('that is wrong says on which line and at which field', () => {
    const wrong = JSON.parse(asText(tools)) as ToolFile
    wrong.rigs[1]!.pivot.setbackMm = -4
    const text = asText(wrong)
    const line = text.split('\n').findIndex((row) => row.includes('"setbackMm": -4')) + 1
    expect(line).toBeGreaterThan(40)
    expect(readToolFile(text)).toEqual({
      ok: false,
      code: 'invalid',
      problems: [
        {
          line,
          field: 'rigs.1.pivot.setbackMm',
          code: 'too-small',
          figures: { above: 0, unit: 'mm' },
        },
      ],
    })
  })

  it('names the line of what is missing by the thing it is missing from', () => {
    const text = '{\n "format": "jaw-tilt-tools",\n "version": 1,\n "stones": [\n  {\n   "kind": "film"\n  }\n ]\n}'
    const read = readToolFile(text)
    expect(!read.ok && read.problems.every((problem) => problem.line === 5 || problem.line === 6)).toBe(true)
  })

  it('of version 1 comes in with what proofs had made of its rigs', () => {
    const { calibratedBy, fitted, ...rig } = { ...postRig, calibratedBy: ['0197a000-0000-7000-8000-000000000001'] }
    const measures = [{ id: 'setback', doubt: 0.2, written: null, face: null }]
    const before = { at: '2026-05-01T09:00:00.000Z', ofRevision: 1, measures, correlation: [[1]] }
    const file = { format: 'jaw-tilt-tools', version: 1, rigs: [{ ...rig, mendedBy: calibratedBy, fitted: before }] }
    const read = readToolFile(JSON.stringify(file))
    expect(fitted).toBeNull()
    expect(read).toMatchObject({
      ok: true,
      content: { version: 2, rigs: [{ calibratedBy, fitted: { measures: [{ id: 'setback', uncertainty: 0.2 }] } }] },
    })
  })

  it('that is no JSON says where it stops being one', () => {
    expect(readToolFile('{\n "format": "jaw-tilt-tools"\n "version": 1 }')).toEqual({
      ok: false,
      code: 'invalid',
      problems: [{ line: 3, field: '', code: 'not-json', figures: { error: 'CommaExpected' } }],
    })
    expect(readToolFile('')).toMatchObject({ ok: false, problems: [{ line: 1 }] })
  })

  it('that is nested without end, or has more rows than are taken, is told so', () => {
    const deep = `{"format":${'['.repeat(100_000)}`
    expect(readToolFile(deep)).toMatchObject({ ok: false, problems: [{ code: 'nested-too-deep' }] })
    const [head, row] = writeStoneCsv([plainStone]).split('\r\n')
    const rows = (count: number) => readStoneCsv([head, ...Array<string>(count).fill(row!)].join('\n'))
    expect(rows(1000).ok).toBe(true)
    expect(rows(30_000)).toEqual({
      ok: false,
      code: 'invalid',
      problems: [{ line: 1002, field: '', code: 'too-many', figures: { most: 1000 } }],
    })
  })

  it('any text at all is read or refused, never thrown at', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.string(), fc.json()),
        (text) => typeof readToolFile(text).ok === 'boolean' && typeof readStoneCsv(text).ok === 'boolean',
      ),
    )
  })

  it('has a published JSON Schema', async () => {
    await expect(`${asText(toolFileJsonSchema())}\n`).toMatchFileSnapshot(
      '../../../public/schema/jaw-tilt-tools.schema.json',
    )
  })
})

describe('stones as CSV', () => {
  const second = {
    ...plainStone,
    name: 'Long, “odd” and\ntwo lines',
    grit: { standard: 'JIS' as const, number: 1000 },
    grainUm: 11.5,
    faceOffsetEnds: { nearMm: 5.9, farMm: 6.1 },
    wornOutAtMm: 3,
  }

  it.each([
    ['a standard that there is not', 'XYZ,120', 'gritStandard', 'not-one-of-these'],
    ['the same without a number', 'XYZ,', 'gritStandard', 'not-one-of-these'],
    ['a number without a standard', ',120', 'gritStandard', 'not-one-of'],
    ['a standard without a number', 'FEPA F,', 'gritNumber', 'missing'],
    ['a number that the standard has not', 'FEPA F,99999', 'gritNumber', 'grit-out-of-range'],
  ])('name line and field of %s', (_, grit, field, code) => {
    const read = readStoneCsv(
      `name,kind,gritStandard,gritNumber,grainUm,faceOffsetNearMm,lengthMm,widthMm\nGood,film,,,9,6,150,25\nBad,diamond,${grit},20,6,150,25`,
    )
    expect(read).toMatchObject({ ok: false, problems: [{ line: 3, field, code }] })
  })

  it('come back as they were written', () => {
    const read = readStoneCsv(writeStoneCsv([plainStone, second]))
    expect(read).toEqual({ ok: true, content: [{ ...plainStone, faceOffsetEnds: { nearMm: 6, farMm: 6 } }, second] })
  })

  it('take semicolons, decimal commas and columns in any order, and look a grit’s grain up', () => {
    const read = readStoneCsv(
      'kind;name;gritStandard;gritNumber;lengthMm;widthMm;faceOffsetNearMm\r\ndiamond;Coarse;FEPA F;120;150;25;5,6\r\n',
    )
    expect(read).toMatchObject({ ok: true, content: [{ name: 'Coarse', grainUm: 109, faceOffsetMm: 5.6 }] })
  })

  it('a name or note that a spreadsheet would run is text in it, and comes back as it was', () => {
    const notes = ['=1+1', '+44', '-x', '@sum(a1)', "'=x", "''-y", 'it’s', "'quoted'"]
    const text = writeStoneCsv(notes.map((note) => ({ ...plainStone, name: note, notes: note })))
    expect(text).not.toMatch(/(^|,)"?[=+@]|(^|,)"?-[^\d]/m)
    const read = readStoneCsv(text)
    expect(read.ok && read.content.map((stone) => [stone.name, stone.notes])).toEqual(notes.map((note) => [note, note]))
  })

  it('that are wrong say on which line and in which column, also behind a line that is broken in a field', () => {
    const text = writeStoneCsv([second, plainStone, plainStone]).split('\r\n')
    text[2] = text[2]!.replace(',150,', ',hundred,')
    text[3] = text[3]!.replace(',25,', ',,')
    const read = readStoneCsv(text.join('\r\n'))
    expect(!read.ok && read.problems.map(({ line, field }) => [line, field])).toEqual([
      [4, 'lengthMm'],
      [5, 'widthMm'],
    ])
  })

  it('with an unknown or a missing column are refused at the first line', () => {
    const read = readStoneCsv('name,kind,thickness\nOne,film,3')
    expect(!read.ok && read.problems.map((problem) => problem.field)).toEqual([
      'faceOffsetNearMm',
      'lengthMm',
      'widthMm',
      'thickness',
    ])
  })
})
