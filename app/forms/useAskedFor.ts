import { watch } from 'vue'

/** The address may ask for a new thing to be described at once (`?new=stone`): does it, and takes that out again. */
export function useAskedFor(thing: string, describe: () => void): void {
  const [route, router] = [useRoute(), useRouter()]
  watch(
    () => route.query.new,
    (asked) => {
      if (asked !== thing) return
      describe()
      void router.replace({ query: {} })
    },
    { immediate: true },
  )
}

/** Measures a thing anew that the address asks for by its id: "?measure=…". */
export function useAskedToMeasure<T extends { readonly id: string }>(
  things: () => readonly T[],
  measure: (thing: T) => void,
): void {
  const [route, router] = [useRoute(), useRouter()]
  watch(
    () => route.query.measure,
    (asked) => {
      const thing = things().find(({ id }) => id === asked)
      if (!thing) return
      measure(thing)
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
