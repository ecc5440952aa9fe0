import { computed } from 'vue'
import { SIDES, type Side } from '#core/clamping/centring'
import { bevelThicknessMm } from '#core/blade/bevelThickness'
import { primaryFaceDeg } from '#core/blade/primaryFace'
import { sectionAt } from '#core/decision/plan'
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
import { lengthText } from '~/words/lengthText'
import { momentText } from '~/words/momentText'
import { ZONE_WORD } from '~/words/zoneText'

/** Over the shoulder a section is drawn so many times as far as to it. */
const BEYOND_SHOULDER = 3

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
  const sides = computed(() => (job.blade.value.bevels === 'A' ? (['A'] as const) : SIDES))
  const along = useAnglesAlong()
  const { edgeMm } = along

  /** The section at the place that the dial is for, as it was (ink, or the blade's own bevel) and as it is proved. */
  function sections(): ReportContent['sections'] {
    const side: Side = 'A'
    const { blade } = job.setup.value
    const zone = ink.zones.value.findIndex(({ toMm }) => job.dialFor.value.station.fromHeelMm <= toMm)
    const beforeDeg = ink.foundOn(side)[zone]?.angle.middleDeg ?? blade.bevelDeg?.[side] ?? null
    const afterDeg = job.proved.value[side]?.deg ?? null
    if (beforeDeg === null || afterDeg === null) return []
    const half = (deg: number): Vec2[] => {
      const place = {
        zone: 0,
        lengthMm: 1,
        shoulderMm: bevelThicknessMm(blade),
        primaryDeg: Math.max(0, primaryFaceDeg(blade, side)),
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
    const measured = job.entries.value.filter((entry) => entry.kind === 'reading' || entry.kind === 'proof')
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
      readings: measured.toReversed().map((one) => {
        const where =
          one.kind === 'proof' && one.zone
            ? ZONE_WORD[one.zone]
            : one.placeMm === null
              ? ''
              : `${text(one.placeMm)} from the heel`
        const what = one.kind === 'reading' ? 'read' : 'proved'
        const figure = `${angleText(one.deg, one.doubtDeg)} ± ${angleText(one.doubtDeg, one.doubtDeg)}`
        return [`${names.value[one.side]} ${figure} ${what}`, where, momentText(one.at)].filter(Boolean).join(', ')
      }),
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
