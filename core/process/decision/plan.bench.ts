import { bench } from 'vitest'
import { heldSetup } from '../../geometry/setup/sampleSetup.fixture'
import { edgePointAt } from '../../math/curve/edgePoints'
import { zonesOfBlade } from '../../records/blade/zones'
import { steelAlong } from '../../steel/alongEdge/steelAlong'
import { bladeLife } from '../../steel/removal/life'
import { ordersFor, stoneOrder } from '../../steel/stones/orders'
import { stoneRate } from '../../steel/stones/rate'
import { toGrind } from './toGrind'

const zones = zonesOfBlade(heldSetup.blade)
const edgePoint = edgePointAt(heldSetup.blade.edge, 40)
const sides = (['A', 'B'] as const).map((side) => ({
  side,
  wantedDeg: 18,
  there: { deg: 21, uncertaintyDeg: 0.5 },
}))
const ground = () => toGrind({ setup: heldSetup, edgePoint, zones, sides })
const known = ground()
if (!known.ok) throw new Error(known.code)
const box = [115, 80, 45, 29, 15, 9.5, 5, 3, 1].map((grainUm) => ({ grainUm, kind: 'diamond' as const }))
const ask = {
  box,
  pace: 1.5,
  sides: known.sides,
  rateOf: ({ grainUm }: (typeof box)[number]) => stoneRate(grainUm, []),
}
const { place } = known.sides[0]!.firstDue

bench('the steel of both sides', () => void ground())
bench('the ways through a box of nine stones, each in full', () => {
  for (const { order } of ordersFor(ask, 'polished')) stoneOrder(order, ask)
})
bench('a blade over 60 sharpenings, at 40 of them', () => {
  bladeLife(
    place,
    Array.from({ length: 40 }, (_, i) => Math.round(i * 1.5)),
  )
})
bench('where 400 strokes took steel off, at 60 places', () => {
  const worked = { stretch: { fromMm: 0, toMm: 95 }, zones, stoneWidthMm: 24 }
  const along = steelAlong([{ count: 400, zone: null }], worked)
  for (let i = 0; i < 60; i++) along((i / 60) * 95)
})
