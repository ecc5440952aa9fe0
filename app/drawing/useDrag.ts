import { onScopeDispose, ref } from 'vue'

interface Handlers {
  /**
   * Pixels moved since the last call. Answers whether the move was taken; what was not is offered again with the next
   * one.
   */
  move(dx: number, dy: number, gesture: string, at: { x: number; y: number }): boolean
  end?(): void
}

let gestures = 0

/** Follows one pointer from press to release, once a frame. Each drag is one gesture of the undo. */
export function useDrag(handlers: Handlers) {
  const dragging = ref(false)
  let gesture = ''
  let last = { x: 0, y: 0 }
  let now = { x: 0, y: 0 }
  let frame = 0

  function apply() {
    frame = 0
    if (handlers.move(now.x - last.x, now.y - last.y, gesture, now)) last = now
  }
  function start(event: PointerEvent) {
    if (event.button !== 0) return
    event.preventDefault()
    const target = event.currentTarget
    if (target instanceof Element) target.setPointerCapture(event.pointerId)
    if (target instanceof HTMLElement || target instanceof SVGElement) target.focus()
    gesture = `drag-${++gestures}`
    last = now = { x: event.clientX, y: event.clientY }
    dragging.value = true
  }
  function move(event: PointerEvent) {
    if (!dragging.value) return
    now = { x: event.clientX, y: event.clientY }
    frame ||= requestAnimationFrame(apply)
  }
  function end() {
    if (!dragging.value) return
    if (frame) {
      cancelAnimationFrame(frame)
      apply()
    }
    dragging.value = false
    handlers.end?.()
  }
  onScopeDispose(() => cancelAnimationFrame(frame))
  return { dragging, on: { pointerdown: start, pointermove: move, pointerup: end, pointercancel: end } }
}
