/** A canvas's drawing context. Every browser has this one; where memory has run out there is none, and it is thrown. */
export function context2d(
  canvas: HTMLCanvasElement,
  settings?: CanvasRenderingContext2DSettings,
): CanvasRenderingContext2D
export function context2d(
  canvas: OffscreenCanvas,
  settings?: CanvasRenderingContext2DSettings,
): OffscreenCanvasRenderingContext2D
export function context2d(canvas: HTMLCanvasElement | OffscreenCanvas, settings?: CanvasRenderingContext2DSettings) {
  const context = canvas.getContext('2d', settings)
  if (context === null) throw new Error('The canvas has no drawing context.')
  return context
}
