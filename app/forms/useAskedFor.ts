import { watch } from 'vue'

/** The address may ask for a new record to be described at once (`?new=stone`): does it, and takes that out again. */
export function useAskedFor(record: string, describe: () => void): void {
  const [route, router] = [useRoute(), useRouter()]
  watch(
    () => route.query.new,
    (asked) => {
      if (asked !== record) return
      describe()
      void router.replace({ query: {} })
    },
    { immediate: true },
  )
}

/** Measures a record anew that the address asks for by its id: "?measure=…". */
export function useAskedToMeasure<T extends { readonly id: string }>(
  records: () => readonly T[],
  measure: (record: T) => void,
): void {
  const [route, router] = [useRoute(), useRouter()]
  watch(
    () => route.query.measure,
    (asked) => {
      const record = records().find(({ id }) => id === asked)
      if (!record) return
      measure(record)
      void router.replace({ query: {} })
    },
    { immediate: true },
  )
}

/** The hand at the field of a description that the address asks for: "?at=pivot.setbackMm". `show`: its step. */
export function useAskedField(show: (path: string) => void): void {
  const { at } = useRoute().query
  onMounted(async () => {
    if (typeof at !== 'string') return
    show(at)
    await nextTick()
    document.querySelector<HTMLElement>(`[data-focus="rig-${at}"]`)?.focus()
  })
}
