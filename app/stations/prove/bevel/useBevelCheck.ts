import { computed } from 'vue'
import { bevelAt } from '#core/steel/bevel/bevelAlong'
import { checkWidths, widthCauses, type WidthChecked } from '#core/observe/bevelWidth/bevelCheck'
import { edgeAngleThere } from '#core/observe/bevelWidth/edgeAngleThere'
import { perSide, type Side } from '#core/records/common/side'
import { edgePointAt } from '#core/math/curve/edgePoints'
import type { BevelWidth } from '#core/log/entry'
import { ofKind } from '#core/log/activeEntries'
import { contactFor } from '#core/geometry/setup/setup'
import { useAgainst } from '~/composables/useAgainst'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'

/** One edge point in so many is drawn. */
const DRAWN_EVERY = 4

/** A width as it was noted, and how it stands to the predicted one; null where there is no angle to predict it from. */
export interface NotedWidth {
  readonly entry: BevelWidth
  readonly checked: WidthChecked | null
}

/** The widths of the bevel that were measured on this job against what its angle and thickness give. */
export const useBevelCheck = () => useJob().share(bevelCheck)

function bevelCheck(job: JobView) {
  const { sides } = job
  const against = useAgainst()
  const { edgeMm } = job

  function setAt(side: Side, placeMm: number): number | null {
    const edgePoint = edgePointAt(job.blade.value.edge, placeMm)
    const contact = contactFor(job.setup.value, side, job.content.value.dialled[side], edgePoint)
    return contact.ok ? contact.edgeAngleDeg : null
  }
  /** The angle that a width at a place is predicted from: by the nearest proof, where there is one. */
  function angleAt(side: Side, placeMm: number) {
    const set = job.dialFor.value.sides[side]
    const [nearest] = against
      .provedAlong(side)
      .sort((a, b) => Math.abs(a.placeMm - placeMm) - Math.abs(b.placeMm - placeMm))
    const whereProved = nearest ? setAt(side, nearest.placeMm) : null
    const uncertaintyDeg = set.ok ? set.uncertaintyDeg : 0
    return edgeAngleThere({ here: setAt(side, placeMm), whereProved, uncertaintyDeg }, nearest?.amount ?? null)
  }
  const widthsAt = (side: Side, placeMm: number) =>
    bevelAt(job.blade.value, side, placeMm / edgeMm.value, angleAt(side, placeMm)?.deg ?? null)

  const noted = computed(() =>
    ofKind(job.entries.value, 'bevel-width')
      .filter(({ bladeId }) => bladeId === job.content.value.bladeId)
      .map((entry): NotedWidth => {
        const angle = angleAt(entry.side, entry.placeMm)
        const { side, placeMm, widthMm, uncertaintyMm } = entry
        const found = angle && {
          side,
          placeMm,
          widthMm,
          uncertaintyMm,
          edgeDeg: angle.deg,
          edgeUncertaintyDeg: angle.uncertaintyDeg,
        }
        return { entry, checked: (found && checkWidths(job.blade.value, [found])[0]) ?? null }
      }),
  )
  const checked = computed(() => noted.value.flatMap((one) => one.checked ?? []))
  const through = computed(() =>
    perSide((side) => {
      const last = job.proved.value[side]?.of.at(-1)
      return last?.kind === 'proof' ? last.toApex : null
    }),
  )
  return {
    sides,
    edgeMm,
    angleAt,
    widthsAt,
    noted,
    checked,
    causes: computed(() => widthCauses(job.blade.value, checked.value, through.value)),
    /** Widths of the side along the edge: as it was, and as its angle gives it; places without either are left out. */
    drawn: computed(() => {
      const side = sides.value.length > 1 ? job.side.value : 'A'
      const places = job.edgePoints.value.filter(
        ({ fromHeelMm }, i) => i % DRAWN_EVERY === 0 || fromHeelMm >= edgeMm.value,
      )
      return { side, along: places.map(({ fromHeelMm }) => ({ fromHeelMm, ...widthsAt(side, fromHeelMm) })) }
    }),
  }
}
