import { millilitres, volumeFrom, volumeIn, type VolumeUnit } from '@tadka/core/quantity'
import type { InstrumentSet } from '@tadka/core/house'
import type { Agent } from '@tadka/core/rules'
import { parseField } from '../pieces/field.ts'

export type InstrumentKind = InstrumentSet['kind']
export const instrumentKinds = [
  'strip',
  'titration',
  'thermometer',
  'pressure-gauge',
  'indicator',
  'tool',
  'scale',
  'dispenser',
] as const satisfies readonly InstrumentKind[]

/** An instrument as it is typed. `blocks`: the strip's values in order, with spaces; `date` as "2027-03-01". */
export interface InstrumentDraft {
  readonly kind: InstrumentKind
  readonly name: string
  readonly unit: string
  readonly agent: Agent
  readonly blocks: string
  readonly colours: readonly string[]
  readonly date: string
  readonly numbers: Readonly<Record<string, string>>
  readonly product: string
  readonly by: 'stroke' | 'second'
  /** The machine whose own gauge it is; empty: a probe that goes anywhere. */
  readonly station: string
  /** Products that a strip or kit is made for; none: any with its agent. */
  readonly madeFor: readonly string[]
  /** The unit that a tool's marks are printed in. */
  readonly marks: VolumeUnit
}

/** The numbers that each kind has. */
export const numbersOfKind: Record<InstrumentKind, readonly string[]> = {
  strip: [],
  titration: ['perDrop'],
  thermometer: ['accuracy'],
  'pressure-gauge': ['accuracy'],
  indicator: ['turnsAt'],
  tool: ['capacity', 'graduation', 'error'],
  scale: ['graduation', 'error'],
  dispenser: ['millilitres'],
}

/** All of them are typed at one place, and what is wrong with one is told there. */
export const numberFields: Readonly<Record<string, 'numbers'>> = Object.fromEntries(
  Object.values(numbersOfKind).flatMap((names) => names.map((n) => [n, 'numbers'])),
)

export const emptyInstrument: InstrumentDraft = {
  kind: 'strip',
  name: '',
  unit: 'ppm',
  agent: 'quat',
  blocks: '',
  colours: [],
  date: '',
  numbers: {},
  product: '',
  by: 'stroke',
  station: '',
  madeFor: [],
  marks: 'mL',
}

const dated: readonly InstrumentKind[] = ['strip', 'titration', 'thermometer', 'pressure-gauge', 'indicator']
export const hasDate = (kind: InstrumentKind) => dated.includes(kind)
/** Kinds that come due for a check, and are not used up. */
export const isChecked = (kind: InstrumentKind) => kind === 'thermometer' || kind === 'pressure-gauge'
/** The units that each kind is read in; the first is taken where nothing else was chosen. */
export const unitsOfKind: Readonly<Partial<Record<InstrumentKind, readonly [string, ...string[]]>>> = {
  strip: ['ppm', 'pH'],
  thermometer: ['°C', '°F'],
  indicator: ['°C', '°F'],
  'pressure-gauge': ['kPa', 'psi'],
}

export type InstrumentFault = 'station' | 'name' | 'blocks' | 'date' | 'product' | 'numbers'

const parts = (typed: string) => typed.split(/[\s/;]+/).filter(Boolean)
const blocksOf = (typed: string) => parts(typed).map((b) => parseField(b).value)

/** What is wrong with what was typed; empty where it can be kept. */
export function instrumentFaults(d: InstrumentDraft): InstrumentFault[] {
  const faults: InstrumentFault[] = []
  if (d.name.trim() === '') faults.push('name')
  if (d.kind === 'strip') {
    const blocks = blocksOf(d.blocks)
    const rising = blocks.every((b, i) => b !== null && (i === 0 || b > (blocks[i - 1] ?? Infinity)))
    if (blocks.length < 2 || blocks.length > 12 || !rising) faults.push('blocks')
  }
  if (hasDate(d.kind) && Number.isNaN(Date.parse(d.date))) faults.push('date')
  if (d.kind === 'dispenser' && d.product === '') faults.push('product')
  if (d.kind === 'pressure-gauge' && d.station === '') faults.push('station')
  const zeroOk = (name: string) => name === 'error'
  if (
    numbersOfKind[d.kind].some((n) => parseField(d.numbers[n] ?? '', { positive: !zeroOk(n) }).value === null)
  )
    faults.push('numbers')
  return faults
}

/** Shades from paper to slate, for a strip whose colours nobody entered: order, not the card's own colour. */
export function plainShades(count: number): string[] {
  return Array.from({ length: count }, (_, i) => {
    const level = Math.round(235 - (i * 150) / Math.max(1, count - 1))
    const hex = level.toString(16).padStart(2, '0')
    return `#${hex}${hex}${Math.min(255, level + 10)
      .toString(16)
      .padStart(2, '0')}`
  })
}

/** The instrument that was typed; null while something is wrong with it. */
export function instrumentOf(d: InstrumentDraft): InstrumentSet | null {
  if (instrumentFaults(d).length > 0) return null
  const number = (name: string) => parseField(d.numbers[name] ?? '').value ?? 0
  const name = d.name.trim()
  const date = Date.parse(d.date)
  const madeFor = d.madeFor.length > 0 ? { madeFor: d.madeFor } : {}
  const mL = (typed: string) => volumeFrom(number(typed), d.marks)
  const degrees = d.unit === '°F' ? ('°F' as const) : ('°C' as const)
  switch (d.kind) {
    case 'strip': {
      const blocks = blocksOf(d.blocks).map((b) => b ?? 0)
      const colours = d.colours.length === blocks.length ? d.colours : plainShades(blocks.length)
      const unit = d.unit === 'pH' ? ('pH' as const) : ('ppm' as const)
      return {
        kind: 'strip',
        name,
        unit,
        agent: unit === 'pH' ? null : d.agent,
        blocks,
        colours,
        bestBefore: date,
        ...madeFor,
      }
    }
    case 'titration':
      return {
        kind: 'titration',
        name,
        agent: d.agent,
        perDrop: number('perDrop'),
        bestBefore: date,
        ...madeFor,
      }
    case 'thermometer':
      return {
        kind: 'thermometer',
        name,
        unit: degrees,
        accuracy: number('accuracy'),
        checkDue: date,
        ...(d.station === '' ? {} : { station: d.station }),
      }
    case 'pressure-gauge':
      return {
        kind: 'pressure-gauge',
        name,
        unit: d.unit === 'psi' ? 'psi' : 'kPa',
        accuracy: number('accuracy'),
        checkDue: date,
        station: d.station,
      }
    case 'indicator':
      return { kind: 'indicator', name, unit: degrees, turnsAt: number('turnsAt'), bestBefore: date }
    case 'tool':
      return {
        kind: 'tool',
        name,
        capacity: mL('capacity'),
        ...(d.marks === 'mL' ? {} : { marks: d.marks }),
        graduation: mL('graduation'),
        error: mL('error'),
      }
    case 'scale':
      return { kind: 'scale', name, graduation: number('graduation'), error: number('error') }
    case 'dispenser':
      return {
        kind: 'dispenser',
        name,
        product: d.product,
        by: d.by,
        millilitres: millilitres(number('millilitres')),
      }
  }
}

/** An instrument entered before, to be changed. */
export function instrumentTyped(i: InstrumentSet): InstrumentDraft {
  const marks = (i.kind === 'tool' && i.marks) || 'mL'
  const shown = (value: number | undefined) =>
    value === undefined || i.kind !== 'tool' ? value : Number(volumeIn(millilitres(value), marks).toFixed(4))
  const numbers = Object.fromEntries(
    numbersOfKind[i.kind].map((n) => [n, String(shown((i as unknown as Record<string, number>)[n]) ?? '')]),
  )
  const day = (at: number) => new Date(at).toISOString().slice(0, 10)
  return {
    ...emptyInstrument,
    kind: i.kind,
    name: i.name,
    numbers,
    ...('unit' in i ? { unit: i.unit } : {}),
    ...('agent' in i && i.agent ? { agent: i.agent } : {}),
    ...(i.kind === 'strip' ? { blocks: i.blocks.join(' '), colours: i.colours } : {}),
    ...('bestBefore' in i ? { date: day(i.bestBefore) } : {}),
    ...('checkDue' in i ? { date: day(i.checkDue) } : {}),
    marks,
    ...('station' in i ? { station: i.station ?? '' } : {}),
    ...('madeFor' in i ? { madeFor: i.madeFor ?? [] } : {}),
    ...(i.kind === 'dispenser' ? { product: i.product, by: i.by } : {}),
  }
}
