import latinBold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url'
import latin from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url'
import moreBold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff?url'
import more from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff?url'
import { context2d } from '~/workers/context2d'
import type { CardLettering, LetteringPicture } from './cardPdf'

/** Of a picture of letters: fine enough for print. */
const DOTS_PER_MM = 24
/** Room above and below the line, in heights of the letters, for what any script may need. */
const [ABOVE, BELOW] = [1.3, 0.5]

/** What a browser writes a card with: the shipped font, and its own where that lacks letters. */
export async function cardLettering(): Promise<CardLettering> {
  const bytes = (urls: string[]) =>
    Promise.all(urls.map(async (url) => new Uint8Array(await (await fetch(url)).arrayBuffer())))
  return { regular: await bytes([latin, more]), bold: await bytes([latinBold, moreBold]), picture }
}

async function picture(text: string, bold: boolean, sizeMm: number): Promise<LetteringPicture> {
  const font = `${bold ? 700 : 400} ${sizeMm * DOTS_PER_MM}px 'Atkinson Hyperlegible Next Variable', sans-serif`
  const canvas = document.createElement('canvas')
  const measuring = context2d(canvas)
  measuring.font = font
  canvas.width = Math.max(1, Math.ceil(measuring.measureText(text).width))
  canvas.height = Math.ceil(sizeMm * (ABOVE + BELOW) * DOTS_PER_MM)
  // A canvas of another size has forgotten its font.
  const context = context2d(canvas)
  context.font = font
  context.fillStyle = '#1a1a1f'
  context.fillText(text, 0, sizeMm * ABOVE * DOTS_PER_MM)
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done))
  return {
    png: new Uint8Array(await blob!.arrayBuffer()),
    widthMm: canvas.width / DOTS_PER_MM,
    heightMm: canvas.height / DOTS_PER_MM,
    baselineMm: sizeMm * ABOVE,
  }
}
