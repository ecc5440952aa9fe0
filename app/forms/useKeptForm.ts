import type { Ref } from 'vue'
import { storeToRefs } from 'pinia'
import { versionOf, type Migration, type Raw } from '#core/schema/versioned'
import { usePreferences } from '~/stores/preferences'
import { lengthInUnit } from './draft'
import { useKeptDraft } from './useKeptDraft'

interface KeptForm<T> {
  /** What stands in it; nothing that was not there when it was begun is taken up again. */
  readonly form: Ref<T>
  /** Whether it was begun earlier. */
  readonly takenUp: Ref<boolean>
  /** Empties it: what stood in it was used, or is thrown away. */
  beginAnew(): Promise<void>
}

/**
 * What is typed in a small form, kept over leaving it and over a reload until it is used or thrown away. `lengths`
 * writes the form anew with each of its lengths through the function that it is given: for another unit they then mean
 * what they meant. `migrations` lead from the form as earlier versions kept it to today's.
 */
export function useKeptForm<T extends object>(
  key: string,
  begun: () => T,
  lengths: (form: T, inNewUnit: (text: string) => string) => T = (form) => form,
  migrations: readonly Migration[] = [],
): KeptForm<T> {
  const { unit } = storeToRefs(usePreferences())
  const { draft, takenUp, beginAnew } = useKeptDraft<T>(key, unit, {
    version: versionOf({ migrations }),
    begun,
    takenUp(kept, _unit, version) {
      if (typeof kept !== 'object' || kept === null) return null
      const before = migrations.slice(version - 1).reduce((form, migrate) => migrate(form), kept as Raw)
      const fits = ([name, empty]: [string, unknown]) =>
        typeof before[name] === typeof empty && Array.isArray(before[name]) === Array.isArray(empty)
      const now = Object.entries(begun())
      return Object.fromEntries(now.map((part) => [part[0], fits(part) ? before[part[0]] : part[1]])) as T
    },
    inUnit: (form, from, to) => lengths(form, (text) => lengthInUnit(text, from, to)),
  })
  return { form: draft, takenUp, beginAnew }
}
