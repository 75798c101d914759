import { interval, millilitres, volumeFrom } from '@tadka/core/quantity'
import { describe, expect, it } from 'vitest'
import { dark, light, type Palette } from '../src/look/palette.ts'
import { bandScale, commonBand } from '../src/pieces/band.ts'
import { jugMarks, onTool } from '../src/pieces/jug.ts'
import { parseField } from '../src/pieces/field.ts'

/** Relative luminance and contrast ratio: WCAG 2.2, definitions. */
function luminance(colour: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5]
    .map((at) => parseInt(colour.slice(at, at + 2), 16) / 255)
    .map((v) => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4))
  return 0.2126 * r + 0.7152 * g + 0.0722 * b
}
function contrast(a: string, b: string): number {
  const [hi = 0, lo = 0] = [luminance(a), luminance(b)].toSorted((x, y) => y - x)
  return (hi + 0.05) / (lo + 0.05)
}

const textOn: [keyof Palette, keyof Palette][] = [
  ...(
    [
      'paper',
      'raised',
      'seaWash',
      'outWash',
      'closeWash',
      'inWash',
      'tide',
      'tideCrest',
      'glass',
      'slate',
      'sand',
      'cinnamon',
    ] as const
  ).map((ground): [keyof Palette, keyof Palette] => ['ink', ground]),
  ['ink2', 'paper'],
  ['ink2', 'raised'],
  ['ink3', 'paper'],
  ['sea', 'paper'],
  ['sea', 'raised'],
  ['seaInk', 'sea'],
  ['seaInk', 'seaHover'],
  ['in', 'paper'],
  ['out', 'paper'],
  ['out', 'raised'],
  ['outInk', 'out'],
  ['closeInk', 'close'],
  ['blank', 'paper'],
]

describe.each([
  ['light', light],
  ['dark', dark],
] as const)('in the %s theme', (_, palette) => {
  it.each(textOn)('%s reads on %s: 4.5 to 1 at least (WCAG 2.2, 1.4.3)', (ink, ground) => {
    expect(contrast(palette[ink], palette[ground])).toBeGreaterThanOrEqual(4.5)
  })
})

describe('the band', () => {
  const brackets = [
    { label: 'code', limit: interval(50, 200) },
    { label: 'label', limit: interval(100, null) },
  ]
  it('shades what every bracket allows', () => {
    expect(commonBand(brackets)).toEqual({ lo: 100, hi: 200 })
    expect(commonBand([...brackets, { label: 'local', limit: interval(300, 400) }])).toBeNull()
  })
  it('has room for all that is drawn on it', () => {
    const model = { unit: 'ppm', brackets, reading: interval(250, 300), verdict: 'out' as const }
    const scale = bandScale(model, interval(120, 150), 700, 20)
    for (const v of [0, 50, 200, 300]) {
      expect(scale(v)).toBeGreaterThanOrEqual(20)
      expect(scale(v)).toBeLessThanOrEqual(680)
    }
  })
})

describe('the jug', () => {
  const tool = (capacity: number, graduation: number) => ({
    name: 't',
    capacity: millilitres(capacity),
    graduation: millilitres(graduation),
    error: millilitres(0),
  })
  it('shows its own marks, as many as can be told apart', () => {
    expect(jugMarks(tool(50, 1)).length).toBe(25)
    expect(jugMarks(tool(1000, 50)).length).toBe(20)
    for (const m of jugMarks(tool(150, 5))) expect(m.at % 5).toBe(0)
  })
  it('is drawn with the numbers that are printed on it, in their unit', () => {
    const cup = { ...tool(volumeFrom(8, 'fl oz'), volumeFrom(0.5, 'fl oz')), marks: 'fl oz' as const }
    const long = jugMarks(cup).filter((m) => m.long)
    expect(long.map((m) => onTool(m.at, cup).figure)).toEqual(['2.5', '5', '7.5'])
    expect(onTool(volumeFrom(1.5, 'fl oz'), cup)).toEqual({ figure: '1.5', unit: 'fl oz' })
    expect(onTool(57, tool(150, 1))).toEqual({ figure: '57', unit: 'mL' })
  })
})

describe('a typed number', () => {
  it.each([
    ['2,5', 2.5, null],
    ['2.5', 2.5, null],
    ['', null, 'fieldNeeded'],
    ['two', null, 'fieldNeeded'],
    ['-1', null, 'fieldNegative'],
  ])('"%s"', (text, value, fault) => expect(parseField(text)).toEqual({ value, fault }))
  it('may have to be above zero', () => {
    expect(parseField('0', { positive: true }).fault).toBe('fieldPositive')
  })
})
