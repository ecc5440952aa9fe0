import type { CardPage } from './cardPage'

const MM = 72 / 25.4

/** What the standard fonts cannot write, as near as they can: no accents they lack, a plain minus. */
const plain = (text: string): string =>
  text.replace(/−/g, '-').replace(/[^ -ÿ’‘“”–—•…]/g, (letter) => letter.normalize('NFKD').replace(/[^ -ÿ]/g, '') || '?')

/** The card as a PDF at 1:1. */
export async function cardPdf(card: CardPage, title: string): Promise<Uint8Array> {
  const { LineCapStyle, PDFDocument, StandardFonts, rgb } = await import('pdf-lib')
  const document = await PDFDocument.create()
  document.setTitle(plain(title))
  const page = document.addPage([card.width * MM, card.height * MM])
  const [regular, bold] = [
    await document.embedFont(StandardFonts.Helvetica),
    await document.embedFont(StandardFonts.HelveticaBold),
  ]
  const at = (x: number, y: number) => ({ x: x * MM, y: (card.height - y) * MM })
  const ink = rgb(0.1, 0.1, 0.12)
  for (const { x, y, size, bold: isBold, text } of card.texts)
    page.drawText(plain(text), { ...at(x, y), size: size * MM, font: isBold ? bold : regular, color: ink })
  for (const { points, width, closed, dashed } of card.lines) {
    const chain = closed ? [...points, points[0]!] : points
    for (let i = 1; i < chain.length; i++) {
      page.drawLine({
        start: at(...chain[i - 1]!),
        end: at(...chain[i]!),
        thickness: width * MM,
        color: ink,
        lineCap: LineCapStyle.Round,
        ...(dashed ? { dashArray: [4, 3] } : {}),
      })
    }
  }
  return document.save()
}
