import { onBeforeUnmount, ref, shallowRef } from 'vue'
import { settling, type Settling } from '#core/observe/gauge/settling'
import type { LevelGauge } from './levelGauge'

/** Nothing for so long is told. */
const SILENT_MS = 2000

export type GaugeTrouble = 'silent' | 'gone' | 'refused'

/** A gauge that is being read: what it comes to, whether it has settled, its zero, and what went wrong on the way. */
export function useLevelGauge() {
  const gauge = shallowRef<LevelGauge | null>(null)
  const state = shallowRef<Settling | null>(null)
  const trouble = ref<GaugeTrouble | null>(null)
  /** What it showed standing on what it is zeroed on, degrees. */
  const zeroDeg = ref(0)
  const lost = ref(0)
  const garbled = ref(0)
  let follow = settling()
  let silence: ReturnType<typeof setTimeout> | undefined

  function heard() {
    trouble.value = null
    clearTimeout(silence)
    silence = setTimeout(() => (trouble.value = 'silent'), SILENT_MS)
  }
  async function start(of: LevelGauge) {
    await stop()
    gauge.value = of
    follow = settling()
    lost.value = garbled.value = 0
    try {
      await of.start({
        onEvent(event) {
          if (event.is === 'garbled') return void garbled.value++
          heard()
          lost.value += event.lost
          state.value = follow(performance.now(), event.reading.deg)
        },
        onGone() {
          clearTimeout(silence)
          state.value = null
          trouble.value = 'gone'
        },
      })
      silence = setTimeout(() => (trouble.value = 'silent'), SILENT_MS)
    } catch {
      gauge.value = null
      trouble.value = 'refused'
    }
  }
  async function stop() {
    clearTimeout(silence)
    const now = gauge.value
    gauge.value = null
    state.value = null
    trouble.value = null
    await now?.stop()
  }
  /** Takes what it shows now for nothing. */
  function zeroHere() {
    if (state.value) zeroDeg.value = state.value.deg
    // What it showed before is of another place.
    follow = settling()
  }
  onBeforeUnmount(() => void stop())
  return { gauge, state, trouble, zeroDeg, lost, garbled, start, stop, zeroHere }
}
