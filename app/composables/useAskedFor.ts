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
