import { createRequire } from 'node:module'
import * as fontkit from 'fontkit'

const files = createRequire(import.meta.url)
const own = (subset: string, weight: number) =>
  files.resolve(
    `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-${subset}-${weight}-normal.woff`,
  )

export type Weight = 'plain' | 'bold'

/** The fonts of each weight, the one that is read best first; the last has nearly every letter and sign that people write. */
export const fontFiles: Readonly<Record<Weight, readonly string[]>> = {
  plain: [own('latin', 400), own('latin-ext', 400), files.resolve('dejavu-fonts-ttf/ttf/DejaVuSans.ttf')],
  bold: [own('latin', 700), own('latin-ext', 700), files.resolve('dejavu-fonts-ttf/ttf/DejaVuSans-Bold.ttf')],
}

const opened = new Map<string, fontkit.Font>()
function fontAt(file: string): fontkit.Font {
  const known = opened.get(file)
  if (known) return known
  const font = fontkit.openSync(file)
  if (!('hasGlyphForCodePoint' in font)) throw new TypeError(`${file} is a collection of fonts`)
  opened.set(file, font)
  return font
}

const found = new Map<string, number>()
/** Which font of a weight, by its place, has every letter of a word: words are never set in two. */
export function fontFor(word: string, weight: Weight): number {
  const key = weight + word
  const known = found.get(key)
  if (known !== undefined) return known
  const all = fontFiles[weight]
  const has = (file: string) =>
    [...word].every((c) => fontAt(file).hasGlyphForCodePoint(c.codePointAt(0) ?? 0))
  const at = all.findIndex(has)
  const place = at < 0 ? all.length - 1 : at
  found.set(key, place)
  return place
}
