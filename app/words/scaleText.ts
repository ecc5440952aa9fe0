import type { LengthUnit } from '#core/math/units/length'

/** A place this near to a mark, in steps of the scale, is on it. */
const ON_MARK = 1e-3
const MOST_DECIMALS = 4
const FINEST_FRACTION = 64

/** A place on a scale: what stands at its mark, or at the two marks that it lies between. */
export function onScale(at: number, step: number, figure: (mark: number) => string): string {
  const steps = at / step
  const nearest = Math.round(steps)
  if (Math.abs(steps - nearest) < ON_MARK) return figure(nearest * step)
  const below = Math.floor(steps)
  return `${figure(below * step)}–${figure((below + 1) * step)}`
}

/** What stands at a mark of a scale with such steps: with its decimals, or as a fraction where inches are halved. */
export function scaleFigure(mark: number, step: number, unit: LengthUnit): string {
  const parts = 1 / step
  const isHalved = unit === 'in' && parts <= FINEST_FRACTION && Math.abs(Math.log2(parts) % 1) < 1e-6 && parts > 1
  return (isHalved ? fractionText(mark, Math.round(parts)) : mark.toFixed(decimalsOf(step))).replace('-', '−')
}

/** "1 3/16" of an inch. */
function fractionText(inches: number, parts: number): string {
  let [over, under] = [Math.round(Math.abs(inches) * parts), parts]
  const sign = inches < 0 && over > 0 ? '-' : ''
  while (over > 0 && over % 2 === 0 && under > 1) [over, under] = [over / 2, under / 2]
  const whole = Math.floor(over / under)
  const rest = over % under
  return (
    sign + [whole > 0 || rest === 0 ? String(whole) : '', rest > 0 ? `${rest}/${under}` : ''].filter(Boolean).join(' ')
  )
}

function decimalsOf(step: number): number {
  for (let decimals = 0; decimals < MOST_DECIMALS; decimals++) {
    const scaled = step * 10 ** decimals
    if (Math.abs(scaled - Math.round(scaled)) < 1e-6) return decimals
  }
  return MOST_DECIMALS
}
