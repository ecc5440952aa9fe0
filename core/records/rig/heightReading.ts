import { refuseAt } from '../../schema/problem'
import { dialOf } from './dials/dials'
import { anyReading } from './dials/readings'

/**
 * How a rig says its pivot height: the language of its dial. Pivot heights are above the clamp's centre plane (or the
 * table).
 */
export const heightReading = anyReading.superRefine((of, context) => {
  for (const { field, code, figures } of dialOf(of).impossible(of)) refuseAt(context, [field], code, figures)
})
