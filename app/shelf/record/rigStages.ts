import { ofKind } from '#core/log/activeEntries'
import type { LogEntry, Proof } from '#core/log/entry'
import type { Rig } from '#core/records/rig/rig'
import type { RigRecord } from '#core/records/storage/kinds'
import type { RigVersion } from '#core/records/storage/rigVersion'
import type { LengthUnit } from '#core/math/units/length'
import { rigDraftOf } from '~/shelf/rig/rigDraft'
import { rigSteps } from '~/shelf/rig/rigSteps'

/** A measure of a rig that was another before, both as they are typed. */
export interface RigChange {
  readonly label: string
  readonly before: string
  readonly now: string
}

const at = (path: string, of: object): unknown =>
  path.split('.').reduce<unknown>((part, key) => (part instanceof Object ? Reflect.get(part, key) : undefined), of)
const said = (value: unknown): string => (value === '' || value == null ? 'not said' : String(value as string))

/** What was measured anew between two versions of a rig, in the order in which it is described. */
function rigChanges(before: Rig, now: Rig, unit: LengthUnit): RigChange[] {
  const [then, today] = [rigDraftOf(before, unit), rigDraftOf(now, unit)]
  return rigSteps(today, unit).flatMap(({ fields, lists, choices = [] }) => [
    ...[...fields, ...choices].flatMap(({ path, label }): RigChange[] => {
      const [was, is] = [said(at(path, then)), said(at(path, today))]
      return was === is ? [] : [{ label, before: was, now: is }]
    }),
    ...lists.flatMap(({ path, word }): RigChange[] => {
      const [was, is] = [at(path, then), at(path, today)].map((rows) =>
        Array.isArray(rows) ? (rows as unknown[]) : [],
      )
      if (JSON.stringify(was) === JSON.stringify(is)) return []
      return [{ label: `Each ${word}`, before: `${was?.length ?? 0} of them`, now: `${is?.length ?? 0} of them` }]
    }),
  ])
}

/** One time that a rig was described, measured anew or calibrated. */
export interface RigStage {
  readonly revision: number
  /** Null: on a day that was not kept. */
  readonly since: string | null
  /** Null: described first. */
  readonly changes: readonly RigChange[] | null
  /** Calibrated by so many proofs. */
  readonly proofs: number
}

/** The measures of a rig over time, the newest first; a version in which no measure changed is left out. */
export function rigStages(rig: RigRecord, earlier: readonly RigVersion[], unit: LengthUnit): RigStage[] {
  const former = earlier
    .filter(({ rigId }) => rigId === rig.id)
    .sort((one, other) => one.revision - other.revision)
    .map(({ revision, until, content }) => ({ revision, until, content }))
  const all: readonly Omit<RigVersion, 'rigId'>[] = [...former, { revision: rig.revision, until: null, content: rig }]
  return all
    .map(({ revision, content }, i): RigStage => {
      const before = all[i - 1]
      if (!before) return { revision, since: rig.createdAt, changes: null, proofs: 0 }
      const isCalibrated = content.fitted?.ofRevision === before.revision
      return {
        ...{ revision, since: before.until, changes: rigChanges(before.content, content, unit) },
        proofs: isCalibrated ? content.calibratedBy.length : 0,
      }
    })
    .filter(({ changes }) => changes === null || changes.length > 0)
    .reverse()
}

/** What was proved against what was set, degrees; the difference only where the bevel was cut through to the apex. */
export const againstSet = (log: readonly LogEntry[]) =>
  ofKind(log, 'proof').map((proof: Proof) => {
    const setDeg = proof.setup?.setDeg[proof.side] ?? null
    return { ...proof, setDeg, offDeg: setDeg === null || !proof.toApex ? null : proof.deg - setDeg }
  })
