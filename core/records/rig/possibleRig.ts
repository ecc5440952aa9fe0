import { refuseAt } from '../../schema/problem'
import { impossibilities } from './impossible'
import { rigMeasures } from './rig'

/**
 * A guided rig as it can be measured with a rule and a calliper: where its pivot stands and how its height is set. One
 * that cannot be is refused, with the reason at its field. Frames and kinds: docs/geometry.md, "Rigs".
 */
export const possibleRig = rigMeasures.superRefine((measured, context) => {
  for (const { field, code, figures } of impossibilities(measured)) refuseAt(context, field.split('.'), code, figures)
})
