import type { Rig } from '#core/records/rig/rig'
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
export function rigChanges(before: Rig, now: Rig, unit: LengthUnit): RigChange[] {
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
