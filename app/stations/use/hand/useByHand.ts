import { computed } from 'vue'
import { spineRise, widthsOf, type SpineRise } from '#core/geometry/freehand/freehand'
import { MM_PER_INCH } from '#core/math/units/length'
import { wantedAtApexDeg } from '#core/records/job/stoneUses'
import { cardsOn, type HandCard } from './handCards'
import { useJob } from '~/job/useJob'
import { usePaper } from '~/print/usePaper'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { lengthText } from '~/words/lengthText'
import { zoneName } from '~/words/zoneText'

/** The wanted angle of the side that is up, by hand over a flat stone: zone by zone, and on cards to carry. */
export function useByHand() {
  const job = useJob()
  const preferences = usePreferences()
  const paper = usePaper()
  const deg = computed(() => wantedAtApexDeg(job.content.value, job.side.value))
  const risesAt = (angle: number) => {
    const widths = widthsOf(job.blade.value)
    const zones = widths.map(({ zone }) => zone)
    return widths.map(({ widthMm, spineThicknessMm }, i) => ({
      name: zoneName(zones, i),
      widthMm,
      ...spineRise(angle, widthMm, spineThicknessMm),
    }))
  }
  const rises = computed(() => risesAt(deg.value))
  /** A step of the spine that a hand can tell: what it changes is said. */
  const stepMm = computed(() => (preferences.unit === 'in' ? MM_PER_INCH / 32 : 1))
  const stepText = computed(() => (preferences.unit === 'in' ? '1/32 in' : '1 mm'))
  const riseText = ({ riseMm }: SpineRise): string =>
    riseMm === 0 ? 'on the stone' : lengthText(riseMm, preferences.unit)

  /** A card for the wanted angle, then a degree more, a degree less, and so on, as many as a sheet has room for. */
  const cards = computed((): HandCard[] => {
    const offs = Array.from({ length: cardsOn(paper.value) }, (_, i) => Math.ceil(i / 2) * (i % 2 === 1 ? 1 : -1))
    return offs
      .map((off) => deg.value + off)
      .filter((angle) => angle > 0)
      .map((angle) => ({
        title: job.blade.value.name,
        angle: angleText(angle),
        rows: risesAt(angle).map((one) => [
          one.name,
          riseText(one),
          `${stepText.value} = ${angleText(one.degPerMm * stepMm.value)}`,
        ]),
        foot: 'Spine over a flat stone, to its near face; per side. Fingers behind the edge.',
      }))
  })
  return { deg, rises, stepMm, stepText, riseText, cards }
}
