import { expect, it } from 'vitest'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { evaluate } from '../../uncertainty/evaluate'
import { RECORDS, type StoneRecord } from '../../records/storage/kinds'
import { ANGLE_ALONE, type LogEntry } from '../../log/entry'
import { heldSetup, plainStone } from '../../geometry/setup/sampleSetup.fixture'
import { readRecord } from '../../records/storage/stored'
import { readRigVersion } from '../../records/storage/rigVersion'
import { readEntry } from '../../log/stored'
import { readBackup } from '../backup/backup'
import { backupOfJob } from './jobBackup'
import { readJobFile } from './jsonFile'
import { jobFile, jobRecordJsonSchema, recordOf, type RecordedJob } from './jobFile'

const id = (n: number) => `01980000-0000-7000-8000-00000000000${n}`
const AT = '2026-05-01T09:00:00.000Z'
const meta = (n: number) => ({ id: id(n), createdAt: AT, updatedAt: AT, revision: 1, archivedAt: null })
const setting = { by: 'millimetres', mm: 60 } as const
const edgePoints = evenEdgePoints(heldSetup.blade.edge, 8)
const job = RECORDS.jobs.kept.parse({
  ...meta(1),
  name: 'Kitchen',
  rigId: id(2),
  rigRevision: 1,
  bladeId: id(3),
  stoneId: id(4),
  progression: [id(4)],
  hold: heldSetup.hold,
  dialled: { A: setting, B: setting, linked: true },
  wanted: { deg: { A: 20, B: 20 }, linked: true },
})
const stone = (n: number): StoneRecord => ({ ...plainStone, ...meta(n) })
const log = [19.65, 19.75].map((deg, i): LogEntry => ({
  kind: 'proof',
  id: id(7 + i),
  at: AT,
  jobId: id(1),
  bladeId: id(3),
  stoneId: id(5),
  instrumentId: null,
  side: 'A',
  placeMm: 20,
  zone: null,
  deg,
  uncertaintyDeg: 0.2,
  by: 'goniometer',
  ...ANGLE_ALONE,
}))
const of: RecordedJob = {
  job,
  rig: { ...heldSetup.rig, ...meta(2) },
  blade: { ...heldSetup.blade, ...meta(3) },
  stones: [stone(4), stone(5), stone(6)],
  instruments: [],
  log,
  evaluation: evaluate(heldSetup, job, edgePoints),
  edgePoints,
}

it('a job’s record holds what the job and its log name, and the four angles that come of them', () => {
  const record = recordOf(of, AT)
  expect(jobFile.parse(JSON.parse(JSON.stringify(record)))).toEqual(record)
  expect(record.stones.map((one) => one.id)).toEqual([id(4), id(5)])
  const set = of.evaluation.sides.A
  expect(record.angles.A).toEqual({
    wanted: { deg: 20, uncertaintyDeg: null },
    set: set.ok && { deg: set.contact.edgeAngleDeg, uncertaintyDeg: set.uncertaintyDeg },
    read: null,
    proved: { deg: expect.closeTo(19.7, 9), uncertaintyDeg: expect.closeTo(0.2 / Math.SQRT2, 9) },
  })
  expect(record.setAlong).toHaveLength(edgePoints.length)
  const oneSided = recordOf({ ...of, blade: { ...of.blade, bevels: 'A' } }, AT)
  expect([oneSided.angles.B, oneSided.setAlong[0]!.B]).toEqual([null, null])
})

it('comes back in as a backup of that job, with all that it names', () => {
  const record = recordOf(of, AT)
  const read = readJobFile(JSON.stringify(record))
  if (!read.ok) throw new Error(read.code)
  const backup = readBackup(JSON.parse(JSON.stringify(backupOfJob(read.content))))
  if (!backup.ok) throw new Error(backup.code)
  const { things, log: entries } = backup.backup
  expect(things.jobs.map((one) => readRecord('jobs', one))).toEqual([{ ok: true, record: record.job }])
  expect(backup.backup.rigVersions.map((one) => readRigVersion(one)?.revision)).toEqual([record.rig.revision])
  expect([...things.rigs, ...things.blades, ...things.stones].map(({ id }) => id)).toEqual([id(2), id(3), id(4), id(5)])
  expect(entries.map(readEntry)).toEqual(record.log.map((entry) => ({ ok: true, entry })))
  expect(readJobFile(JSON.stringify({ ...record, job: { ...record.job, stoneId: 7 } }))).toMatchObject({
    ok: false,
    problems: [{ line: 1, field: 'job.stoneId' }],
  })
})

it('has a published JSON Schema', async () => {
  await expect(`${JSON.stringify(jobRecordJsonSchema(), null, 2)}\n`).toMatchFileSnapshot(
    '../../../public/schema/jaw-tilt-job.schema.json',
  )
})
