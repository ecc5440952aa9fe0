import { usePreferences } from '~/stores/preferences'
import { lengthText } from './lengthText'
import { problemText, type Explained } from './problemText'

/** Words in the unit in use. */
export function useWords() {
  const preferences = usePreferences()
  return {
    /** What is wrong. `field`: its dotted path, where it is about one. */
    problem: (finding: Explained, field = '') => problemText(finding, preferences.unit, field),
    length: (mm: number) => lengthText(mm, preferences.unit),
  }
}
