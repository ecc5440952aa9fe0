import { shallowRef, type ShallowRef } from 'vue'
import { isOneOf } from '#core/schema/keys'
import type { Unreadable } from '#core/records/storage/stored'
import { RECORD_KINDS, type RecordOf, type RecordKind } from '#core/records/storage/kinds'
import type { Standing } from '#core/use/standing'
import type { Problem } from '#core/schema/problem'

/** What is described by its measures. */
export type Tool = Exclude<RecordKind, 'jobs'>
/** What there are few of is fetched whole. */
export type Few = Exclude<Tool, 'blades'>
export const FEW = RECORD_KINDS.filter((kind): kind is Few => kind !== 'jobs' && kind !== 'blades')

export const isRecordKind = (name: string): name is RecordKind => isOneOf(RECORD_KINDS, name)

/** A part of the jobs or the blades, on the bench or the shelf unless they are to be those put away. */
export interface AskedPart {
  readonly away?: boolean
  readonly search?: string
  /** Whose, by the name. */
  readonly owner?: string
  /** Of jobs: where they stand. */
  readonly standing?: Standing | ''
  readonly from?: string | null
  readonly limit?: number
}
/** What was asked for as a query, without what was left open. */
export const queryOf = (asked: AskedPart): string => {
  const said = Object.entries(asked).filter(([, value]) => value !== null && value !== undefined && value !== '')
  return new URLSearchParams(said.map(([name, value]) => [name, String(value)])).toString()
}

/** The records that are known here, and what went wrong in asking for more. */
export interface Known {
  readonly all: ShallowRef<{ [K in RecordKind]: RecordOf<K>[] }>
  /** What lies on the disk and cannot be read by this version. */
  readonly unreadable: ShallowRef<Unreadable[]>
  readonly problem: ShallowRef<Problem | null>
  /** Things that came. `replaced`: an earlier state may have been put in the place of what is known. */
  learn<K extends RecordKind>(kind: K, records: readonly RecordOf<K>[], replaced?: boolean): void
}

export function knownRecords(): Known {
  const all: Known['all'] = shallowRef({ rigs: [], blades: [], stones: [], jobs: [], instruments: [], owners: [] })
  return {
    all,
    unreadable: shallowRef([]),
    problem: shallowRef(null),
    learn(kind, records, replaced = false) {
      all.value = { ...all.value, [kind]: merged<{ id: string; revision: number }>(all.value[kind], records, replaced) }
    },
  }
}

/** What is known with what came; an answer that was on its way while something newer was kept takes nothing back. */
export function merged<T extends { id: string; revision: number }>(
  known: readonly T[],
  came: readonly T[],
  replaced: boolean,
): T[] {
  const all = new Map(known.map((one) => [one.id, one]))
  for (const one of came) if (replaced || (all.get(one.id)?.revision ?? 0) <= one.revision) all.set(one.id, one)
  return [...all.values()]
}

export const usable = <T extends { archivedAt: string | null }>(records: readonly T[]) =>
  records.filter((one) => one.archivedAt === null)
