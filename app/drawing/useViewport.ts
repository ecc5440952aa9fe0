import { computed, shallowRef, watchEffect, type Ref } from 'vue'
import { useElementSize } from '@vueuse/core'
import { fit, type Bounds, type Viewport } from './viewport'

/**
 * The viewport of a drawing that fills an element. While `grabbed` it stays as it is, so that nothing jumps under the
 * hand.
 */
export function useViewport(
  element: Ref<HTMLElement | null>,
  bounds: () => Bounds | null,
  grabbed: Ref<boolean>,
  margin: { x: number; top: number; bottom: number },
) {
  const { width, height } = useElementSize(element)
  const viewport = shallowRef<Viewport | null>(null)
  watchEffect(() => {
    const now = bounds()
    if (!now || width.value === 0 || height.value === 0 || (grabbed.value && viewport.value)) return
    viewport.value = fit(now, width.value, height.value, margin)
  })
  const box = computed(() => `0 0 ${Math.max(width.value, 1)} ${Math.max(height.value, 1)}`)
  /** As large as its element, told in pixels: what is drawn in it is not laid out again with all that stands around. */
  const filling = computed(() => ({ width: `${width.value}px`, height: `${height.value}px` }))
  return { viewport, box, filling, height }
}
