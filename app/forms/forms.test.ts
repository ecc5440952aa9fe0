import { effectScope, nextTick, type EffectScope } from 'vue'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { plainStone } from '#core/geometry/setup/sampleSetup.fixture'
import { ENTRIES } from '#core/log/entry'
import { renamed } from '#core/schema/versioned'
import type { StoneRecord } from '#core/records/storage/kinds'
import { memoryStorage } from '~/saving/memoryStorage'
import { readStone, stoneDrafts, stoneFacts } from '~/shelf/stone/stoneDraft'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { useDescription } from './useDescription'
import { useForm } from './useForm'

const at = '2026-05-01T09:00:00.000Z'
const record: StoneRecord = {
  ...plainStone,
  id: '0197a000-0000-7000-8000-000000000005',
  revision: 3,
  createdAt: at,
  updatedAt: at,
  archivedAt: null,
}
let scope: EffectScope
beforeEach(() => {
  vi.stubGlobal('localStorage', memoryStorage())
  vi.stubGlobal('document', { querySelector: () => null })
  vi.stubGlobal('useToast', () => ({ add: () => undefined }))
  setActivePinia(createPinia())
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.unstubAllGlobals()
})
const inInches = () => (usePreferences().current.unit = 'in')

describe('a small form', () => {
  const begun = () => ({ width: '', side: 'A', taps: [] as number[] })
  const form = () =>
    scope.run(() => useForm('test', begun, (old, inNewUnit) => ({ ...old, width: inNewUnit(old.width) })))!

  it('keeps what is typed until it is used, in whatever unit it is taken up again', async () => {
    form().form.value.width = '25.4'
    await nextTick()
    scope.stop()
    scope = effectScope()
    inInches()
    const again = form()
    expect([again.form.value, again.takenUp.value]).toEqual([{ width: '1', side: 'A', taps: [] }, true])
    await again.beginAnew()
    expect([form().form.value.width, form().takenUp.value]).toEqual(['', false])
  })

  it('takes up what earlier versions kept by its names of today, and leaves out what is of another kind', () => {
    const kept = { version: 1, unit: 'mm', draft: { broad: '2', side: 7, taps: [1] }, step: 0 }
    localStorage.setItem('jaw-tilt-draft:test', JSON.stringify(kept))
    const { form: found } = scope.run(() => useForm('test', begun, undefined, [renamed({ broad: 'width' })]))!
    expect(found.value).toEqual({ width: '2', side: 'A', taps: [1] })
  })

  it('says what is wrong once at each field, with the limit of the schema, until anything is typed', async () => {
    const { form: typed, problems, readFigure, validate, hasProblems } = form()
    expect(readFigure('widthMm', 'broad', 'mm', 'width-missing')).toBeNaN()
    expect(problems.value.widthMm).toBe('Enter how wide the bevel is, as a number.')
    const about = { id: record.id, at, jobId: null, bladeId: null, stoneId: null, instrumentId: null }
    const entry = {
      ...about,
      kind: 'bevel-width' as const,
      side: 'A' as const,
      placeMm: 3,
      zone: null,
      by: 'loupe' as const,
    }
    const widths = ENTRIES['bevel-width'].schema
    expect(validate(widths, [{ ...entry, widthMm: 500, uncertaintyMm: 0.05 }])).toBe(false)
    expect(problems.value).toEqual({ widthMm: 'Enter how wide the bevel is, as a number.' })
    typed.value.width = '500'
    await nextTick()
    expect(hasProblems()).toBe(false)
    expect(readFigure('widthMm', '0,8', 'mm', 'width-missing')).toBe(0.8)
    validate(widths, [{ ...entry, widthMm: 500, uncertaintyMm: 0 }], (path) => `the ${path}`)
    expect(problems.value).toEqual({
      'the widthMm': 'At most 100 mm.',
      'the uncertaintyMm': 'This must be above 0 mm.',
    })
  })
})

describe('a record being described', () => {
  const describeStone = (from: StoneRecord | null, copy = false) =>
    scope.run(() =>
      useDescription({
        kind: 'stones',
        from,
        copy,
        changed: 'is changed',
        drafts: stoneDrafts(from, copy),
        read: (draft, unit) => readStone(draft, unit, from),
        content: ({ stone }) => stone,
        steps: () => ({ ids: ['name', 'rest'], of: (path) => (path === 'name' ? 0 : 1) }),
      }),
    )!

  it('says nothing of an empty field before its step was left, and what was typed at once', () => {
    const { fieldsOf, shown, go, missing } = describeStone(null)
    const { problemTexts, put, textAt } = fieldsOf(({ facts }) => facts, stoneFacts)
    const at = (path: string) => shown(problemTexts.value[path], textAt(path))
    expect([at('name'), missing(0)]).toEqual([undefined, false])
    put('lengthMm', 'long')
    expect(at('lengthMm')).toBe('“long” is not a length.')
    go(1)
    expect([missing(0), missing(1)]).toEqual([true, false])
    go(-1)
    expect(at('name')).toBe('Give it a name.')
  })

  it('is not sent while something is wrong: the first step with it is shown', async () => {
    const keep = vi.spyOn(useCollections(), 'keep')
    const { fieldsOf, save, step, go } = describeStone(record)
    go(1)
    fieldsOf(({ facts }) => facts, stoneFacts).put('name', ' ')
    expect([await save(), step.value, keep.mock.calls.length]).toEqual([null, 0, 0])
  })

  it('is saved over what it began as, and its draft forgotten; a refusal stays at its field until something is typed', async () => {
    const { draft, fieldsOf, save, problems, takenUp } = describeStone(record)
    const fields = fieldsOf(({ facts }) => facts, stoneFacts)
    const keep = vi.spyOn(useCollections(), 'keep')
    keep.mockResolvedValueOnce({
      ok: false,
      status: 422,
      problem: { code: 'wrong-kind', fields: [{ field: 'name', code: 'same-name-twice', figures: { name: 'X' } }] },
    })
    fields.put('name', 'X')
    await nextTick()
    expect(await save()).toBeNull()
    expect(problems.value.map(({ field }) => field)).toEqual(['name'])
    draft.value.facts.name = 'Y'
    await nextTick()
    expect(problems.value).toEqual([])
    keep.mockImplementationOnce((_kind, content, from) =>
      Promise.resolve({ ok: true, value: { ...record, ...content, revision: from!.revision + 1 } as never }),
    )
    expect(await save()).toMatchObject({ name: 'Y', revision: 4 })
    expect(keep.mock.calls[1]).toMatchObject(['stones', { name: 'Y', faceOffsetMm: 6 }, { id: record.id }])
    expect(takenUp.value).toBe(false)
    expect(localStorage.getItem(`jaw-tilt-draft:stone:${record.id}`)).toBeNull()
  })

  it('as a copy it is a new one', async () => {
    const keep = vi.spyOn(useCollections(), 'keep').mockResolvedValue({ ok: true, value: record as never })
    const { save } = describeStone(record, true)
    await save()
    expect(keep.mock.calls[0]).toMatchObject(['stones', { name: `${plainStone.name}, copy` }, null])
  })
})
