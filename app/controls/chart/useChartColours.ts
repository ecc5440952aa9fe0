import { computed } from 'vue'

/** The colours of the bench as figures: charts cannot read variables. */
export function useChartColours() {
  const mode = useColorMode()
  return computed(() => {
    const dark = mode.value === 'dark'
    const style = getComputedStyle(document.documentElement)
    const of = (name: string) => style.getPropertyValue(name).trim()
    return {
      dark,
      ink: of('--ink'),
      soft: of('--ink-soft'),
      rule: of('--rule'),
      fine: of('--rule-fine'),
      set: of('--angle-set'),
      wanted: of('--angle-wanted'),
      read: of('--angle-read'),
      proved: of('--angle-proved'),
      iron: of('--iron'),
    }
  })
}
