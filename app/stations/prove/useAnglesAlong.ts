import { computed } from 'vue'
import { recordedBevel } from '#core/log/foundBevel'
import { nth } from '#core/math/list'
import type { Side } from '#core/records/common/side'
import { contactFor } from '#core/geometry/setup/setup'
import type { Vec2 } from '#core/math/vector/vec2'
import { useAgainst } from '~/composables/useAgainst'
import { useInk } from '~/composables/useInk'
import type { DrawnFinding, DrawnSide } from './anglesAlong'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { usePreferences } from '~/stores/preferences'

/** One edge point in so many is drawn. */
const DRAWN_EVERY = 4
/** A place is drawn as wide as this fraction of the edge. */
const PLACE = 1 / 60

/** The four angles of each side along the edge: wanted and set as lines, read and proved where they were found. */
export const useAnglesAlong = () => useJob().share(anglesAlong)

function anglesAlong(job: JobView) {
  const ink = useInk()
  const against = useAgainst()
  const preferences = usePreferences()
  const names = computed(() => preferences.current.sideNames)
  const { edgeMm } = job
  const sides = computed(() => job.sides.value.map(drawnSide))

  /** A place of the edge as a short stretch; all of it where no place was said. */
  function stretch(placeMm: number | null): Pick<DrawnFinding, 'fromMm' | 'toMm'> {
    if (placeMm === null) return { fromMm: 0, toMm: edgeMm.value }
    const half = PLACE * edgeMm.value
    return { fromMm: Math.max(0, placeMm - half), toMm: Math.min(edgeMm.value, placeMm + half) }
  }

  /** What was found on a side: gauge and proofs at their places, the ink zone by zone. */
  function findingsOn(side: Side): DrawnFinding[] {
    const means = [against.readAlong(side), against.provedAlong(side)].flat()
    const noted = means.flatMap(({ amount }) => amount.of)
    const found = noted.map((one): DrawnFinding => {
      const { deg, uncertaintyDeg } = one
      if (one.kind === 'reading') {
        const placeMm = one.placeMm ?? job.dialFor.value.edgePoint.fromHeelMm
        return { angle: 'read', word: 'read', ...stretch(placeMm), deg, uncertaintyDeg }
      }
      const zone = job.zones.value.find(({ kind }) => kind === one.zone)
      const at = one.placeMm === null && zone ? zone : stretch(one.placeMm)
      const word = one.by === 'ink' ? 'ink' : 'proved'
      return { angle: 'proved', word, fromMm: at.fromMm, toMm: at.toMm, deg, uncertaintyDeg }
    })
    // Until it is ground, ink shows the same.
    const recorded = job.cutWith(side, null) ? recordedBevel(job.entriesOfBlade.value, side) : null
    const before = (recorded?.entry.zones ?? []).map(({ fromMm, toMm, deg, uncertaintyDeg }): DrawnFinding => ({
      angle: 'proved',
      word: 'before',
      fromMm,
      toMm,
      deg,
      uncertaintyDeg,
    }))
    const inked = ink.foundOn(side).flatMap((face, i): DrawnFinding[] => {
      if (!face) return []
      const { fromMm, toMm } = nth(ink.zones.value, i)
      const { fromDeg, middleDeg, toDeg } = face.angle
      return [{ angle: 'proved', word: 'ink', fromMm, toMm, deg: middleDeg, uncertaintyDeg: (toDeg - fromDeg) / 2 }]
    })
    return [...before, ...inked, ...found]
  }

  function drawnSide(side: Side): DrawnSide {
    const { dialled } = job.content.value
    const set = job.edgePoints.value.flatMap((edgePoint, i): Vec2[] => {
      if (i % DRAWN_EVERY !== 0 && edgePoint.fromHeelMm < edgeMm.value) return []
      const contact = contactFor(job.setup.value, side, dialled[side], edgePoint)
      return contact.ok ? [[edgePoint.fromHeelMm, contact.edgeAngleDeg]] : []
    })
    const flat = (deg: number): Vec2[] => [
      [0, deg],
      [edgeMm.value, deg],
    ]
    return {
      side,
      name: names.value[side],
      angles: [
        { angle: 'wanted', line: flat(job.toProveDeg(side)) },
        { angle: 'set', line: set },
      ],
      findings: findingsOn(side),
    }
  }

  return { sides, edgeMm }
}
