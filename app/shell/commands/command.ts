import type { JobView } from '~/job/view'

export interface Command {
  id: string
  /** What it does, as the palette and the list of keys say it. */
  label: string
  group: 'Go' | 'Angles' | 'Bench' | 'Job' | 'Look'
  icon: string
  /** Other words by which a person would look for it. */
  finds?: string
  /** A key or a chord as the interface kit writes it (meta_k, shift_d). */
  keys?: string
  /** Its keys work while a field is being typed in, too. */
  fromFields?: boolean
  run: () => void
}

/** A command as the tables have it: one for a job is run with the job that is shown, and is not there without one. */
export type CommandEntry = Omit<Command, 'run'> & ({ run: () => void } | { onJob: (job: JobView) => void })

/** A chord as keys to show: "meta_shift_z" is Ctrl, Shift, Z. */
export const keysShown = (chord: string): string[] =>
  chord === '?' ? ['?'] : chord.split('_').map((key) => (key.length === 1 ? key.toUpperCase() : key))
