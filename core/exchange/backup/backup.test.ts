import { describe, expect, it } from 'vitest'
import { readEntry } from '../../log/stored'
import { bellyBlade, plainStone, postRig } from '../../geometry/setup/sampleSetup.fixture'
import { readBackup } from './backup'
import version1 from './fixtures/backup-1.json'
import { readThing, storeThing } from '../../records/kept/stored'
import { THING_KINDS, versionOfKind, type Kept } from '../../records/kept/things'

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
    for (const kind of THING_KINDS)
      for (const thing of things[kind])
        expect(readThing(kind, thing), `${kind} ${thing.id}`).toMatchObject({ ok: true })
    expect(THING_KINDS.map((kind) => things[kind].length)).toEqual([2, 1, 1, 1, 0])
    expect([bladePhotos.length, rigVersions.length, preferences.unit]).toEqual([1, 1, 'in'])
  })

  it('calls how a blade is held its hold, and loses no other field', () => {
    const [stored] = carried().things.jobs
    const read = readThing('jobs', stored!)
    expect(read.ok && read.thing.hold).toEqual(version1.setups[0]!.held)
    expect(read.ok && [read.thing.name, read.thing.notes, read.thing.lookAtMm]).toEqual([
      'Orchard knife',
      'Ask for the sheath.',
      30,
    ])
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

describe('a stored thing', () => {
  const stone: Kept<'stones'> = { ...plainStone, ...meta }

  it('comes back to the last field', () => {
    expect(readThing('stones', storeThing('stones', stone))).toEqual({ ok: true, thing: stone })
    const rig: Kept<'rigs'> = { ...postRig, ...meta }
    expect(readThing('rigs', storeThing('rigs', rig))).toEqual({ ok: true, thing: rig })
    const blade: Kept<'blades'> = { ...bellyBlade, ...meta }
    expect(readThing('blades', storeThing('blades', blade))).toEqual({ ok: true, thing: blade })
  })

  it('that is harmed is named with its id, its name and the field', () => {
    const harmed = { ...storeThing('stones', stone), content: { ...plainStone, lengthMm: -4 } }
    expect(readThing('stones', harmed)).toMatchObject({
      ok: false,
      unreadable: {
        id: meta.id,
        name: 'No. 1',
        why: 'unreadable',
        problems: [{ field: 'lengthMm', code: 'too-small' }],
      },
    })
    expect(readThing('stones', { ...storeThing('stones', stone), content: null })).toMatchObject({ ok: false })
  })

  it('that a later version wrote is not guessed at', () => {
    const later = { ...storeThing('stones', stone), version: versionOfKind('stones') + 1 }
    expect(readThing('stones', later)).toMatchObject({ ok: false, unreadable: { why: 'later-version', problems: [] } })
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
