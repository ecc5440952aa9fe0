import { lastOf, nth } from '../../../math/list'
import { clamp } from '../../../math/units/figures'
import type { Dial } from './dial'
import type { ReadingOf, SettingOf } from './readings'

type Reading = ReadingOf<'slot'>
type Setting = SettingOf<'slot'>

const fromLowest = ({ slots }: Reading) => [...slots].sort((a, b) => a.heightMm - b.heightMm)
const settingOf = (slot: { label: string }): Setting => ({ by: 'slot', label: slot.label })

export const slotDial: Dial<Reading, Setting> = {
  heightMm: ({ slots }, { label }) => slots.find((slot) => slot.label === label)?.heightMm ?? null,
  rangeMm(reading) {
    const slots = fromLowest(reading)
    return [nth(slots, 0).heightMm, lastOf(slots).heightMm]
  },
  settingAt: ({ slots }, heightMm) => {
    const off = (slot: { heightMm: number }) => Math.abs(slot.heightMm - heightMm)
    return settingOf(slots.reduce((best, slot) => (off(slot) < off(best) ? slot : best)))
  },
  nearestMark: (_, setting) => setting,
  stepped(reading, { label }, marks) {
    const slots = fromLowest(reading)
    const at = slots.findIndex((slot) => slot.label === label)
    return settingOf(nth(slots, clamp(at + marks, [0, slots.length - 1])))
  },
  marks: (reading) => fromLowest(reading).map(settingOf),
  figure: (reading, { label }) => fromLowest(reading).findIndex((slot) => slot.label === label) + 1,
  fixed: ({ slots }) => slots.map(settingOf),
  slideMm: ({ slideMm }) => slideMm,
  corrected: (reading, { heightMm }) => ({
    ...reading,
    slots: reading.slots.map((slot) => ({ ...slot, heightMm: Math.max(0, slot.heightMm + heightMm) })),
  }),
  impossible: ({ slots }) =>
    new Set(slots.map((slot) => slot.label)).size < slots.length ? [{ field: 'slots', code: 'same-label-twice' }] : [],
  odd: () => [],
}
