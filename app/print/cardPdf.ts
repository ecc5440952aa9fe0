import type { PDFDocument, PDFFont } from '@cantoo/pdf-lib'
import { nth } from '#core/math/list'
import { MM_PER_POINT } from '#core/math/units/length'
import type { CardPage } from './paper'

/** Points of the page to a millimetre. */
const MM = 1 / MM_PER_POINT

/** What a card is written with. */
export interface CardLettering {
  /** The shipped font, file by file as its letters are divided among them. */
  readonly regular: readonly Uint8Array[]
  readonly bold: readonly Uint8Array[]
  /** A line in letters that the shipped font lacks, as a picture (PNG), its letters so high in mm. */
  picture(text: string, bold: boolean, sizeMm: number): Promise<LetteringPicture>
}
export interface LetteringPicture {
  readonly png: Uint8Array
  readonly widthMm: number
  readonly heightMm: number
  /** From the picture's top down to the line that the letters stand on. */
  readonly baselineMm: number
}

/** A card as a PDF at 1:1, in any script: the font goes with it, and what it lacks is drawn as it looks. */
export async function cardPdf(
  cards: readonly CardPage[],
  title: string,
  lettering: CardLettering,
): Promise<Uint8Array> {
  const [{ LineCapStyle, PDFDocument, rgb }, { default: fontkit }] = await Promise.all([
    import('@cantoo/pdf-lib'),
    import('@cantoo/fontkit'),
  ])
  const document = await PDFDocument.create()
  document.registerFontkit(fontkit)
  document.setTitle(title)
  const [regular, bold] = [await embedded(document, lettering.regular), await embedded(document, lettering.bold)]
  const ink = rgb(0.1, 0.1, 0.12)
  for (const card of cards) await addPage(card)
  return document.save()

  async function addPage(card: CardPage) {
    const page = document.addPage([card.width * MM, card.height * MM])
    const at = (x: number, y: number) => ({ x: x * MM, y: (card.height - y) * MM })
    for (const { x, y, size, bold: isBold, text } of card.texts) {
      const runs = inRuns(text, isBold ? bold : regular)
      if (!runs) {
        const { png, widthMm, heightMm, baselineMm } = await lettering.picture(text, isBold, size)
        page.drawImage(await document.embedPng(png), {
          ...at(x, y - baselineMm + heightMm),
          width: widthMm * MM,
          height: heightMm * MM,
        })
        continue
      }
      let along = 0
      for (const { font, letters } of runs) {
        const { x: left, y: line } = at(x, y)
        page.drawText(letters, { x: left + along, y: line, size: size * MM, font, color: ink })
        along += font.widthOfTextAtSize(letters, size * MM)
      }
    }
    for (const { points, width, closed, dashed } of card.lines) {
      const chain = closed ? [...points, nth(points, 0)] : points
      for (let i = 1; i < chain.length; i++) {
        page.drawLine({
          start: at(...nth(chain, i - 1)),
          end: at(...nth(chain, i)),
          thickness: width * MM,
          color: ink,
          lineCap: LineCapStyle.Round,
          ...(dashed ? { dashArray: [4, 3] } : {}),
        })
      }
    }
  }
}

interface Embedded {
  readonly font: PDFFont
  readonly has: ReadonlySet<number>
}
interface Run {
  readonly font: PDFFont
  letters: string
}

const embedded = (document: PDFDocument, files: readonly Uint8Array[]): Promise<Embedded[]> =>
  Promise.all(
    files.map(async (file) => {
      const font = await document.embedFont(file, { subset: true })
      return { font, has: new Set(font.getCharacterSet()) }
    }),
  )

/** A text as stretches of one font file each; null where a letter is in none of them. */
function inRuns(text: string, fonts: readonly Embedded[]): Run[] | null {
  const runs: Run[] = []
  for (const letter of text) {
    const font = fonts.find(({ has }) => has.has(letter.codePointAt(0)!))?.font
    if (!font) return null
    const last = runs.at(-1)
    if (last?.font === font) last.letters += letter
    else runs.push({ font, letters: letter })
  }
  return runs
}
