import { kindOf, marksOf } from '../warewash/index.ts'
import { heatFieldsOf, madeFor, type HeatField, type HeatWhat } from '../reading/index.ts'
import { interval } from '../quantity/index.ts'
import { judgeInterval, matching, modelCode, type StripPick } from '../rules/index.ts'
import {
  outline,
  readLimits,
  stepsOf,
  type Position,
  type Procedure,
  type RunState,
  type Step,
} from '../procedure/index.ts'
import type { PracticeKnown } from './fault.ts'

/** A test strip held under its card. */
export interface DrawnStrip {
  readonly instrument: string
  readonly unit: 'ppm' | 'pH'
  readonly blocks: readonly number[]
  readonly colours: readonly string[]
  readonly shows: StripPick
}

/** A final rinse this warm, °C, has not sanitized a rack: 176 °F where 180 °F is asked. FDA Food Code 2022, 4-501.112. */
export const lowRinse = 80

/** The site's products for a use, the one that it offers first before the others. */
export const servesFor = ({ products, preferred }: PracticeKnown, use: string): PracticeKnown['products'] =>
  products
    .filter((p) => p.uses.some((u) => u.id === use))
    .toSorted((a, b) => Number(b.id === preferred[use]) - Number(a.id === preferred[use]))

/** The product that a check dips into: what this run mixed for it, else the first of the site's for that use. */
export function dippedIn(known: PracticeKnown, run: Pick<RunState, 'done'>, use: string) {
  const serves = servesFor(known, use)
  const mixed = Object.values(run.done)
    .map((d) => d.facts['product'])
    .findLast((id) => serves.some((p) => p.id === id))
  const product = serves.find((p) => p.id === mixed) ?? serves[0]
  const label = product?.uses.find((u) => u.id === use)
  return product && label ? { product, use: label, isMixed: mixed !== undefined } : null
}

/**
 * The strip of a check: on a block within the label's range, or, where it is to be doubted, between two of which the lower is too
 * weak. Null where the site has no strip for it that is in date, or none that can show it.
 */
export function stripOf(
  known: PracticeKnown,
  run: Pick<RunState, 'done'>,
  use: string,
  doubtful: boolean,
): DrawnStrip | null {
  const found = dippedIn(known, run, use)
  const range = found?.use.range
  const strips = known.instruments.flatMap((i) => (i.kind === 'strip' && i.unit === 'ppm' ? [i] : []))
  const strip = found && madeFor(found.product, strips)[0]
  if (!strip || !range || strip.bestBefore < known.now) return null
  const within = interval(range.lo, range.hi)
  const { blocks, colours, id: instrument } = strip
  const drawn = { instrument, unit: 'ppm', blocks, colours } as const
  if (doubtful) {
    const at = blocks.findIndex((lo, i) => {
      const hi = blocks[i + 1]
      return lo < range.lo && hi !== undefined && judgeInterval(interval(lo, hi), within) === 'too-close'
    })
    const [lo, hi] = [blocks[at], blocks[at + 1]]
    return lo === undefined || hi === undefined ? null : { ...drawn, shows: { between: [lo, hi] } }
  }
  const block = blocks.find((_, i) => judgeInterval(matching(strip, i), within) === 'in')
  return block === undefined ? null : { ...drawn, shows: { matches: block } }
}

/** The strip for pH that stands beside one for chlorine or iodine: at the block nearest to neutral; null where the site has none. */
export function phStripOf(known: PracticeKnown): DrawnStrip | null {
  const strip = known.instruments.find((i) => i.kind === 'strip' && i.unit === 'pH')
  if (strip?.kind !== 'strip' || strip.bestBefore < known.now) return null
  const { blocks, colours, id: instrument } = strip
  const [nearest] = blocks.toSorted((a, b) => Math.abs(a - 7) - Math.abs(b - 7))
  return nearest === undefined
    ? null
    : { instrument, unit: 'pH', blocks, colours, shows: { matches: nearest } }
}

/** What gauges, thermometers and the watch show: °C, kPa, seconds. */
export type Gauges = Readonly<Partial<Record<HeatField, number>>>

const warmer = { wash: 3, rinse: 3, washWater: 3 } as const
/** What a good day shows where nothing else is asked: milk well below 5 °C, hot water and ware well above their least. */
const usual = {
  pressure: 140,
  surface: 74,
  product: 3,
  hotWater: 80,
  seconds: 35,
  hours: 2,
  bath: 24,
} as const

/** What is shown at a check of heat. @param low the final rinse is too cold. */
export function gaugesOf(
  known: PracticeKnown,
  run: Pick<RunState, 'parameters'>,
  what: HeatWhat,
  low: boolean,
): Gauges {
  const kind = kindOf(known.family) ?? 'stationary-dual'
  const marks = marksOf(kind, run.parameters)
  const rinse = low ? lowRinse : Math.min(marks.rinse + warmer.rinse, marks.rinseMost - 1)
  const pressure = Math.min(Math.max(usual.pressure, marks.pressureLow + 5), marks.pressureHigh - 5)
  const water = Math.max(modelCode.washWater.pair.c, known.washLabel?.c ?? 0) + warmer.washWater
  const temperature = what === 'hot-water' ? usual.hotWater : what === 'utensils' ? usual.product : water
  const shown: Record<HeatField, number> = {
    ...{ wash: marks.wash + warmer.wash, rinse, pressure, temperature },
    ...{ surface: usual.surface, product: usual.product, seconds: usual.seconds, hours: usual.hours },
  }
  return Object.fromEntries(heatFieldsOf(what, kind).map((f) => [f, shown[f]]))
}

/** How warm the water of a sanitizer bath is that a thermometer is held into: within its label's temperatures, °C. */
export function bathTemperature(known: PracticeKnown, run: Pick<RunState, 'done'>, use: string): number {
  const least = dippedIn(known, run, use)?.use.temperature?.c
  return Math.max(usual.bath, least ?? 0)
}

/** Stands on a display where the model has no limits for it, by the unit. */
const plain = { mL: 1000, min: 5, count: 4, '°C': 20, K: 10, g: 20, µm: 200, ppm: 200 } as const

/** The number that a display shows, in the step's unit: between the model's limits, where it has any. */
export function displayOf(
  known: PracticeKnown,
  run: Pick<RunState, 'parameters'>,
  step: Step & { readonly kind: 'read' },
): number {
  const { from, to } = readLimits(step, run.parameters, (step.recipe && known.recipe[step.recipe]) ?? null)
  const value =
    typeof from === 'number' && typeof to === 'number'
      ? (from + to) / 2
      : typeof from === 'number'
        ? from * 1.05
        : typeof to === 'number'
          ? to * 0.95
          : plain[step.unit]
  return step.unit === 'count' ? Math.round(value) : Math.round(value * 10) / 10
}

/** The uses that a procedure checks with a strip while the site has none that could be drawn: it cannot be practised then. */
export const usesUndrawn = (procedure: Procedure, run: RunState, known: PracticeKnown): string[] =>
  outline(procedure, run).flatMap((p) =>
    p.kind === 'step' &&
    p.step.kind === 'check' &&
    p.step.what === 'sanitizer' &&
    stripOf(known, run, p.step.use, false) === null
      ? [p.step.use]
      : [],
  )

/** What is looked at closely, by the inspection's name; the others are not drawn. */
const closeLooks = {
  blades: 'blade',
  burrs: 'burr',
  look: 'ring',
  gasket: 'ring',
  gaskets: 'ring',
  rings: 'ring',
  seals: 'ring',
  seal: 'ring',
  hub: 'ring',
} as const
export type CloseLook = (typeof closeLooks)[keyof typeof closeLooks]

/** What an inspection is drawn as; null where it is not, or nothing could be replaced. */
export function closeLookOf(step: Step): CloseLook | null {
  if (step.kind !== 'inspect' || !step.choices.some((c) => c.outcome === 'replace')) return null
  return (closeLooks as Readonly<Record<string, CloseLook>>)[step.id] ?? null
}

/** Whether a repeated rinse is judged by how clear the water is. */
export const runsClear = (position: Position): boolean =>
  position.kind === 'sign' && stepsOf(position.group.steps).some((s) => s.effects?.contents === 'rinse')
