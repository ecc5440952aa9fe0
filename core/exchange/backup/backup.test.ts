import { describe, expect, it } from 'vitest'
import { kindOfStored } from '../../log/entry'
import { readEntry } from '../../log/stored'
import { readRigVersion } from '../../records/storage/rigVersion'
import { bellyBlade, plainStone, postRig } from '../../geometry/setup/sampleSetup.fixture'
import { readBackup } from './backup'
import version1 from './fixtures/backup-1.json'
import version2 from './fixtures/backup-2.json'
import { readRecord, storeRecord } from '../../records/storage/stored'
import { keysOf } from '../../schema/keys'
import { RECORD_KINDS, versionOfKind, type RecordOf, type RecordKind } from '../../records/storage/kinds'

const meta = {
  id: '0197a000-0000-7000-8000-0000000000aa',
  revision: 3,
  createdAt: '2026-03-01T08:00:00.000Z',
  updatedAt: '2026-03-01T08:00:00.000Z',
  archivedAt: null,
}

const carried = () => {
  const read = readBackup(version1)
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return read.backup
}

describe('a backup of the first version', () => {
  it('is read whole: every thing, every photo, earlier rig versions, preferences', () => {
    const { things, bladePhotos, rigVersions, preferences } = carried()
    for (const kind of RECORD_KINDS)
      for (const thing of things[kind])
        expect(readRecord(kind, thing), `${kind} ${thing.id}`).toMatchObject({ ok: true })
    expect(RECORD_KINDS.map((kind) => things[kind].length)).toEqual([2, 1, 1, 1, 0, 0])
    expect([bladePhotos.length, rigVersions.length, preferences.unit]).toEqual([1, 1, 'in'])
  })

  it('calls how a blade is held its hold, and loses no other field', () => {
    const [stored] = carried().things.jobs
    const read = readRecord('jobs', stored!)
    expect(read.ok && read.record.hold).toEqual(version1.setups[0]!.held)
    expect(read.ok && [read.record.name, read.record.notes]).toEqual(['Orchard knife', 'Ask for the sheath.'])
  })

  it('has what was read and proved, and the stone’s wear, as entries: the same ones each time it is read', () => {
    const entries = carried().log.map(readEntry)
    const said = entries.map((one) => one.ok && [one.entry.kind, 'deg' in one.entry ? one.entry.deg : null])
    expect(said).toEqual([
      ['reading', 19.8],
      ['proof', 20.2],
      ['proof', 20.6],
      ['stone-wear', null],
      ['stone-wear', null],
      ['stone-wear', null],
    ])
    const ids = carried().log.map((entry) => entry.id)
    expect(ids).toEqual(carried().log.map((entry) => entry.id))
    expect(new Set(ids).size).toBe(6)
  })
})

describe('a backup from before uncertainties were called so', () => {
  const read = readBackup(version2)
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  const { things, log, rigVersions } = read.backup
  const content = (kind: RecordKind) => {
    const record = readRecord(kind, things[kind][0]!)
    if (!record.ok) throw new Error(JSON.stringify(record.unreadable))
    return record.record
  }
  /** Every figure and name in it, whatever its fields are called. */
  const values = (of: unknown): unknown[] => (of && typeof of === 'object' ? Object.values(of).flatMap(values) : [of])

  it('comes in whole: each record, the rig’s earlier version and each kind of entry, with every value', () => {
    for (const kind of keysOf(version2.things))
      expect(values(content(kind)).sort()).toEqual(expect.arrayContaining(values(version2.things[kind][0]!.content)))
    expect(readRigVersion(rigVersions[0]!)).toMatchObject({
      content: { calibratedBy: version2.things.rigs[0]!.content.mendedBy },
    })
    // As many as there were then.
    expect(new Set(log.map(({ kind }) => kind)).size).toBe(10)
    for (const stored of log) {
      const entry = readEntry(stored)
      expect(entry, stored.kind).toMatchObject({ ok: true })
      const { kind, ...rest } = stored.content as Record<string, unknown>
      if (entry.ok)
        expect(values(entry.entry)).toEqual(expect.arrayContaining([...values(rest), kindOfStored(String(kind))]))
    }
  })

  it('has them under the names of today', () => {
    const uncertain = {
      measures: [
        { id: 'setback', uncertainty: 0.2 },
        { id: 'face-offset', uncertainty: 0.1 },
      ],
    }
    expect(content('rigs')).toMatchObject({ fitted: uncertain })
    expect(content('blades')).toMatchObject({ edgeUncertainty: { placeMm: 0.4 } })
    expect(content('instruments')).toMatchObject({ uncertaintyDeg: 0.15 })
    const named = Object.fromEntries(log.map((one) => [one.kind, readEntry(one)]))
    expect(named).toMatchObject({
      reading: { entry: { uncertaintyDeg: 0.15 } },
      proof: { entry: { uncertaintyDeg: 0.3 } },
      'ink-look': { entry: { setUncertaintyDeg: 0.4, zones: [{ fraction: 0.6 }] } },
      'bevel-width': { entry: { uncertaintyMm: 0.05 } },
      strike: { entry: { kind: 'retraction', entryId: version2.log[5]!.id } },
    })
  })
})

describe('a stored thing', () => {
  const stone: RecordOf<'stones'> = { ...plainStone, ...meta }

  it('comes back to the last field', () => {
    expect(readRecord('stones', storeRecord('stones', stone))).toEqual({ ok: true, record: stone })
    const rig: RecordOf<'rigs'> = { ...postRig, ...meta }
    expect(readRecord('rigs', storeRecord('rigs', rig))).toEqual({ ok: true, record: rig })
    const blade: RecordOf<'blades'> = { ...bellyBlade, ...meta }
    expect(readRecord('blades', storeRecord('blades', blade))).toEqual({ ok: true, record: blade })
  })

  it('that is harmed is named with its id, its name and the field', () => {
    const harmed = { ...storeRecord('stones', stone), content: { ...plainStone, lengthMm: -4 } }
    expect(readRecord('stones', harmed)).toMatchObject({
      ok: false,
      unreadable: {
        id: meta.id,
        name: 'No. 1',
        why: 'unreadable',
        problems: [{ field: 'lengthMm', code: 'too-small' }],
      },
    })
    expect(readRecord('stones', { ...storeRecord('stones', stone), content: null })).toMatchObject({ ok: false })
  })

  it('that a later version wrote is not guessed at', () => {
    const later = { ...storeRecord('stones', stone), version: versionOfKind('stones') + 1 }
    expect(readRecord('stones', later)).toMatchObject({ ok: false, unreadable: { why: 'later-version', problems: [] } })
  })
})

describe('a backup', () => {
  it.each([
    [{ format: 'something-else' }, 'not-this-format'],
    [{ format: 'jaw-tilt', version: 9 }, 'later-version'],
    [null, 'wrong-kind'],
  ])('%j is refused as %s', (file, code) => {
    const read = readBackup(file)
    expect(!read.ok && read.problems.map((one) => one.code)).toContain(code)
  })
})
