import PDFDocument from 'pdfkit'
import { fontFiles, fontFor, type Weight } from './fonts.ts'

export const papers = ['A4', 'LETTER'] as const
export type PaperSize = (typeof papers)[number]

interface Style {
  readonly weight?: Weight
  /** Points. */
  readonly size?: number
}

/** A cell of a row: its text, and how much of the row's width it takes. */
export interface Cell extends Style {
  readonly text: string
  readonly share: number
}

interface Word {
  readonly text: string
  readonly font: number
  readonly width: number
}

const margin = 42
const foot = 34
const leading = 1.32

/** A document laid out from top to bottom, in black on white; what does not fit goes on the next page. Lengths are points. */
export class Paper {
  readonly #doc: PDFKit.PDFDocument
  readonly #widths = new Map<string, number>()
  #y = margin
  #isFresh = true

  /** @param says what stands at the foot of every page, beside its number. */
  constructor(size: PaperSize, title: string) {
    this.#doc = new PDFDocument({
      size,
      margin,
      bufferPages: true,
      info: { Title: title },
      autoFirstPage: true,
    })
    for (const weight of ['plain', 'bold'] as const)
      fontFiles[weight].forEach((file, i) => this.#doc.registerFont(`${weight}${i}`, file))
  }

  /** The bytes, as they come. */
  get out(): NodeJS.ReadableStream {
    return this.#doc
  }
  get width(): number {
    return this.#doc.page.width - 2 * margin
  }
  get #bottom(): number {
    return this.#doc.page.height - margin - foot
  }

  /** Goes on a new page where less is left than this. */
  need(height: number): void {
    if (this.#y + height > this.#bottom && !this.#isFresh) this.page()
  }
  page(): void {
    if (this.#isFresh) return
    this.#doc.addPage()
    this.#y = margin
    this.#isFresh = true
  }
  gap(height: number): void {
    if (!this.#isFresh) this.#y += height
  }

  heading(text: string, size = 14): void {
    this.gap(size * 0.9)
    this.need(size * 5)
    this.text(text, { weight: 'bold', size })
    this.rule(1)
  }

  rule(thick = 0.4): void {
    this.#doc.lineWidth(thick).strokeColor('#000000')
    this.#doc
      .moveTo(margin, this.#y + 1)
      .lineTo(margin + this.width, this.#y + 1)
      .stroke()
    this.#y += 4
    this.#isFresh = false
  }

  text(text: string, style: Style & { readonly indent?: number } = {}): void {
    const { indent = 0 } = style
    for (const line of this.#lines(text, this.width - indent, style)) {
      const high = (style.size ?? 9.5) * leading
      this.need(high)
      this.#line(line, margin + indent, this.#y, style)
      this.#y += high
      this.#isFresh = false
    }
  }

  /** One row of a table, its cells wrapped each in its own width; whole on one page where a page can hold it. */
  row(cells: readonly Cell[], under = true): void {
    const whole = cells.reduce((n, c) => n + c.share, 0)
    const gutter = 8
    const laid = cells.map((c) => {
      const width = (c.share / whole) * this.width
      return { c, width, lines: this.#lines(c.text, width - gutter, c) }
    })
    const high = Math.max(
      ...laid.map(({ c, lines }) => Math.max(1, lines.length) * (c.size ?? 9.5) * leading),
    )
    this.need(high + 3)
    let x = margin
    for (const { c, width, lines } of laid) {
      lines.forEach((line, i) => this.#line(line, x, this.#y + i * (c.size ?? 9.5) * leading, c))
      x += width
    }
    this.#y += high + 1.5
    this.#isFresh = false
    if (under) {
      this.#doc.lineWidth(0.3).strokeColor('#999999')
      this.#doc
        .moveTo(margin, this.#y)
        .lineTo(margin + this.width, this.#y)
        .stroke()
    }
    this.#y += 2
  }

  /** Draws in a frame of its own. @param draw gets the document and the frame's left, top and width. */
  figure(high: number, draw: (doc: PDFKit.PDFDocument, x: number, y: number, width: number) => void): void {
    this.need(high)
    this.#doc.save()
    draw(this.#doc, margin, this.#y, this.width)
    this.#doc.restore()
    this.#y += high
    this.#isFresh = false
  }

  /** Small words inside a figure. */
  label(text: string, x: number, y: number, size = 7.5): void {
    const [line] = this.#lines(text, Infinity, { size })
    if (line) this.#line(line, x, y, { size })
  }

  /** Ends it: page numbers, then the rest of its bytes. @param says by the number of a page and how many there are. */
  end(says: (page: number, of: number) => string): void {
    const { start, count } = this.#doc.bufferedPageRange()
    for (let i = 0; i < count; i++) {
      this.#doc.switchToPage(start + i)
      // What stands below the margin must not make a page of its own.
      this.#doc.page.margins.bottom = 0
      this.label(says(i + 1, count), margin, this.#doc.page.height - margin - 8)
    }
    this.#doc.end()
  }

  #line(words: readonly Word[], x: number, y: number, { weight = 'plain', size = 9.5 }: Style): void {
    const space = this.#widthOf(' ', 0, weight, size)
    // Words of one font are set together, so that they are found and copied as they are read.
    let at = x
    let i = 0
    while (i < words.length) {
      const font = words[i]?.font ?? 0
      const run: Word[] = []
      for (let w = words[i]; w?.font === font; w = words[++i]) run.push(w)
      const isLast = i >= words.length
      const text = run.map((w) => w.text).join(' ') + (isLast ? '' : ' ')
      this.#doc.font(`${weight}${font}`).fontSize(size).fillColor('#000000')
      this.#doc.text(text, at, y, { lineBreak: false })
      at += run.reduce((n, w) => n + w.width + space, 0)
    }
  }

  #lines(text: string, width: number, { weight = 'plain', size = 9.5 }: Style): Word[][] {
    const space = this.#widthOf(' ', 0, weight, size)
    const lines: Word[][] = []
    for (const paragraph of text.split('\n')) {
      let line: Word[] = []
      let used = 0
      for (const word of paragraph
        .split(' ')
        .filter(Boolean)
        .flatMap((w) => this.#parts(w, width, weight, size))) {
        const wide = used === 0 ? word.width : used + space + word.width
        if (wide > width && line.length > 0) {
          lines.push(line)
          line = []
          used = 0
        }
        line.push(word)
        used = used === 0 ? word.width : used + space + word.width
      }
      if (line.length > 0) lines.push(line)
    }
    return lines
  }

  /** A word, or the pieces that fit a line where it is longer than one. */
  #parts(text: string, width: number, weight: Weight, size: number): Word[] {
    const font = fontFor(text, weight)
    const word = { text, font, width: this.#widthOf(text, font, weight, size) }
    if (word.width <= width || text.length < 2) return [word]
    const half = Math.ceil(text.length / 2)
    return [text.slice(0, half), text.slice(half)].flatMap((part) => this.#parts(part, width, weight, size))
  }

  #widthOf(text: string, font: number, weight: Weight, size: number): number {
    const key = `${weight}${font} ${text}`
    const known = this.#widths.get(key)
    if (known !== undefined) return known * size
    const width = this.#doc.font(`${weight}${font}`).fontSize(100).widthOfString(text) / 100
    this.#widths.set(key, width)
    return width * size
  }
}
