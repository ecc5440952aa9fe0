/** The steps of a job, in the order of the work. Which are expected, and what completes each: core/process. */
export const STEP_IDS = [
  'wanted',
  'hold',
  'height',
  'dial',
  'read',
  'mark',
  'decide',
  'stones',
  'put-on',
  'grind',
  'burr',
  'prove',
  'put-to-use',
  'outcome',
] as const
export type StepId = (typeof STEP_IDS)[number]
