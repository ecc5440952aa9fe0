import { degrees } from '../units/angle'
import type { Station } from './stations'

/**
 * How much the heading turns from one station to the next, degrees; to the left (out of a hollow) is positive, a belly
 * turns negative.
 */
export function turningDeg(stations: readonly Station[]): number[] {
  return stations.slice(1).map((station, i) => {
    const [ax, ay] = stations[i]!.heading
    const [bx, by] = station.heading
    return degrees(Math.atan2(ax * by - ay * bx, ax * bx + ay * by))
  })
}
