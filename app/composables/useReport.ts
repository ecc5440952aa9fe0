import { computed } from 'vue'
import type { Side } from '#core/clamping/centring'
import { bevelSectionOf } from '#core/bevel/bevelSectionOf'
import { sectionAt } from '#core/decision/plan'
import type { BevelWidth, LogEntry, Proof, Reading } from '#core/log/entry'
import { ofKind } from '#core/log/inForce'
import type { Vec2 } from '#core/vector/vec2'
import { reportPage, type ReportContent } from '~/card/reportPage'
import { useAnglesAlong } from '~/composables/useAnglesAlong'
import { useInk } from '~/composables/useInk'
import { useLedger } from '~/composables/useLedger'
import { usePaper } from '~/composables/usePaper'
import { useJob } from '~/job/useJob'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { widthText } from '~/words/bevelText'
import { lengthText } from '~/words/lengthText'
import { momentText } from '~/words/momentText'
import { ZONE_WORD } from '~/words/zoneText'

/** Over the shoulder a section is drawn so many times as far as to it. */
const BEYOND_SHOULDER = 3

type Measured = Reading | Proof | BevelWidth
const isMeasured = (entry: LogEntry): entry is Measured =>
  entry.kind === 'reading' || entry.kind === 'proof' || entry.kind === 'bevel-width'

/** The report of the job: one page of what was wanted, set, read and proved, and how it was done. */
export function useReport() {
  const job = useJob()
  const ink = useInk()
  const ledger = useLedger()
  const collections = useCollections()
  const preferences = usePreferences()
  const paper = usePaper()
  const names = computed(() => preferences.current.sideNames)
  const text = (mm: number) => lengthText(mm, preferences.unit)
  const { sides } = job
  const along = useAnglesAlong()
  const { edgeMm } = along

  /** "A 20.1° ± 0.2° proved, belly, 2026-11-02 10:00". */
  function measuredText(one: Measured): string {
    const zone = one.kind !== 'reading' && one.zone ? ZONE_WORD[one.zone] : ''
    const where = zone || (one.placeMm === null ? '' : `${text(one.placeMm)} from the heel`)
    return [`${names.value[one.side]} ${figureText(one)}`, where, momentText(one.at)].filter(Boolean).join(', ')
  }
  function figureText(one: Measured): string {
    if (one.kind === 'bevel-width') {
      const width = (mm: number) => widthText(mm, one.doubtMm, preferences.unit)
      return `bevel ${width(one.widthMm)} ± ${width(one.doubtMm)} wide`
    }
    const what = one.kind === 'reading' ? 'read' : 'proved'
    return `${angleText(one.deg, one.doubtDeg)} ± ${angleText(one.doubtDeg, one.doubtDeg)} ${what}`
  }

  /** The section at the place that the dial is for, as it was (ink, or the blade's own bevel) and as it is proved. */
  function sections(): ReportContent['sections'] {
    const side: Side = 'A'
    const { blade } = job.setup.value
    const zone = ink.zones.value.findIndex(({ toMm }) => job.dialFor.value.station.fromHeelMm <= toMm)
    const beforeDeg = ink.foundOn(side)[zone]?.angle.middleDeg ?? blade.bevelDeg?.[side] ?? null
    const afterDeg = job.proved.value[side]?.deg ?? null
    if (beforeDeg === null || afterDeg === null) return []
    const half = (deg: number): Vec2[] => {
      const { shoulderMm, primaryHalfAngleDeg: primaryDeg } = bevelSectionOf(blade, side, deg)
      const place = {
        zone: 0,
        lengthMm: 1,
        shoulderMm,
        primaryDeg,
        heightMm: blade.widthMm,
        thereDeg: { apex: deg, shoulder: deg },
      }
      const section = sectionAt(place)
      const [shoulder, end] = [section.at(-2)!, section.at(-1)!]
      const long = Math.min(end[0], BEYOND_SHOULDER * shoulder[0])
      const share = (long - shoulder[0]) / (end[0] - shoulder[0])
      return [...section.slice(0, -1), [long, shoulder[1] + share * (end[1] - shoulder[1])]]
    }
    return [
      { word: `before, ${angleText(beforeDeg)}`, half: half(beforeDeg), dashed: true },
      { word: `after, ${angleText(afterDeg)}`, half: half(afterDeg), dashed: false },
    ]
  }

  const content = computed((): ReportContent => {
    const { blade } = job.setup.value
    const { name, wanted, progression } = job.content.value
    const measured = job.entries.value.filter(isMeasured)
    const used = [...new Set(ofKind(job.entries.value, 'dialled').flatMap(({ stoneId }) => stoneId ?? []))]
    const stones = used.length > 0 ? used : progression
    return {
      title: name,
      subtitle: [
        blade.name,
        blade.owner && `of ${blade.owner}`,
        blade.use,
        job.rig.value.name,
        new Date().toLocaleDateString('sv'),
      ]
        .filter(Boolean)
        .join(' · '),
      why: wanted.why,
      angles: {
        columns: [...sides.value.map((side) => `${names.value[side]}, per side`), 'included'],
        rows: ledger.value.map((line) => [
          line.word,
          ...line.sides.slice(0, sides.value.length).map((one) => `${one.text ?? '–'}${one.byInk ? ' ink' : ''}`),
          line.included ?? '–',
        ]),
      },
      readings: measured.toReversed().map(measuredText),
      stones: stones.map((id) => collections.nameOf(id)),
      sides: along.sides.value,
      edgeMm: edgeMm.value,
      edgeText: `tip, ${text(edgeMm.value)}`,
      sections: sections(),
      note: 'Angles per side from the blade’s centre plane. Set: what the rig’s geometry gives; read: what the gauge showed; proved: what is on the steel. ± holds 95 in 100.',
    }
  })
  const pages = computed(() => [reportPage(content.value, paper.value)])
  return { pages, measured: computed(() => content.value.readings.length) }
}
