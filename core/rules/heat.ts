import { atLeast, atMost, interval, toPsi, type Interval } from '../quantity/index.ts'
import { limitIn, type JudgedTemperature } from './chlorine.ts'
import {
  layerVerdict,
  limitVerdict,
  type Judgement,
  type LayerVerdict,
  type LimitVerdict,
  type MissingValue,
  type LimitNote,
} from './judgement.ts'
import { modelCode, type Profile, type TemperaturePair } from './profile.ts'
import { strictest } from './verdict.ts'

export type DishMachineKind = keyof Profile['dishMachine']['wash']

/** What the data plate asks; null where it is silent. */
export interface DataPlate {
  readonly wash: TemperaturePair | null
  readonly rinse: TemperaturePair | null
  /** kPa. */
  readonly pressure: { readonly lo: number; readonly hi: number } | null
}

export interface DishMachineReading {
  readonly kind: DishMachineKind
  readonly wash: JudgedTemperature | null
  /** Final rinse at the manifold. Not asked of a chemical machine. */
  readonly rinse: JudgedTemperature | null
  /** Flow pressure beside the rinse control valve, in `pressureUnit`. */
  readonly pressure: Interval | null
  /** The gauge's own unit; absent: kPa. */
  readonly pressureUnit?: PressureUnit | undefined
  /** The utensil's surface, by an irreversible registering indicator; null where none was run this time. */
  readonly surface: JudgedTemperature | null
  readonly plate: DataPlate | null
  /** How the site checks a hot-water machine: `surface` asks for the ware's surface, and the manifold only votes where it was read. */
  readonly practice?: HotWaterPractice | undefined
}

export type PressureUnit = 'kPa' | 'psi'
export const hotWaterPractices = ['manifold', 'surface', 'last-seconds'] as const
export type HotWaterPractice = (typeof hotWaterPractices)[number]

const limitPair = (
  quantity: LimitVerdict['quantity'],
  source: string,
  pair: TemperaturePair,
  t: JudgedTemperature | null,
  side: typeof atLeast,
  note?: LimitNote,
): LimitVerdict => {
  const unit = t?.unit ?? '°C'
  return limitVerdict(quantity, unit, source, side(limitIn(pair, unit)), t?.reading ?? null, note)
}

/**
 * A dish machine against the code and its data plate. Temperatures are judged in the unit of the instrument.
 * Source: FDA Food Code 2022, 4-501.110 (wash), .112 (final rinse), .113 (pressure), 4-703.11(B) with 4-302.13 (surface).
 */
export function judgeDishMachine(r: DishMachineReading, profile: Profile = modelCode): Judgement {
  const code = profile.dishMachine
  const from = (section: string) => `${profile.name}, ${section}`
  const { pair, section } = code.wash[r.kind]
  const limits = [limitPair('wash', from(section), pair, r.wash, atLeast)]
  if (r.kind !== 'chemical') {
    const least = r.kind === 'stationary-single' ? code.rinse.leastSingle : code.rinse.leastOther
    if (asked(r, r.rinse)) {
      limits.push(limitPair('rinse', from(code.rinse.section), least, r.rinse, atLeast))
      limits.push(limitPair('rinse', from(code.rinse.section), code.rinse.most, r.rinse, atMost))
    }
    if (asked(r, r.pressure)) {
      const unit = r.pressureUnit ?? 'kPa'
      const { lo, hi } = code.pressure[unit]
      limits.push(limitVerdict('pressure', unit, from(code.pressure.section), interval(lo, hi), r.pressure))
    }
    if (r.surface || r.practice === 'surface')
      limits.push(limitPair('surface', from(code.surface.section), code.surface.pair, r.surface, atLeast))
  }
  const layers = [layerVerdict('code', profile.name, limits)]
  if (r.plate) {
    const plated = plateLimits(r.plate, r)
    if (plated.length > 0) layers.push(layerVerdict('plate', '', plated))
  }
  return judged(profile, layers)
}

/** What stands at the manifold is asked for, unless the site reads the surface in its place; read, it is judged in any case. */
const asked = (r: DishMachineReading, reading: unknown): boolean =>
  r.practice !== 'surface' || reading !== null

/** How hot the ware's surface became, by itself. Source: FDA Food Code 2022, 4-703.11(B). */
export function judgeSurface(surface: JudgedTemperature | null, profile: Profile = modelCode): Judgement {
  const { section, pair } = profile.dishMachine.surface
  const limit = limitPair('surface', `${profile.name}, ${section}`, pair, surface, atLeast)
  return judged(profile, [layerVerdict('code', profile.name, [limit])])
}

function plateLimits(plate: DataPlate, r: DishMachineReading): LimitVerdict[] {
  const limits: LimitVerdict[] = []
  if (plate.wash) limits.push(limitPair('wash', '', plate.wash, r.wash, atLeast, 'data-plate'))
  if (r.kind === 'chemical') return limits
  if (plate.rinse && asked(r, r.rinse))
    limits.push(limitPair('rinse', '', plate.rinse, r.rinse, atLeast, 'data-plate'))
  if (plate.pressure && asked(r, r.pressure)) {
    const unit = r.pressureUnit ?? 'kPa'
    const { lo, hi } = plate.pressure
    const range = unit === 'kPa' ? interval(lo, hi) : interval(toPsi(lo), toPsi(hi))
    limits.push(limitVerdict('pressure', unit, '', range, r.pressure, 'data-plate'))
  }
  return limits
}

export function judged(profile: Profile, layers: readonly LayerVerdict[]): Judgement {
  const overall = strictest(layers.map((l) => l.verdict))
  // What nothing can rescue asks for nothing more.
  const unread = layers.flatMap((l) =>
    overall === 'out' ? [] : l.limits.filter((x) => x.reading === null).map((x) => x.quantity),
  )
  const missing = [...new Set(unread)].map((quantity): MissingValue => ({
    quantity,
    best: 'in',
    worst: 'out',
  }))
  return {
    overall,
    layers,
    missing,
    profile: { id: profile.id, version: profile.version },
  }
}

/** Sanitizing by hand in hot water: the water, and how long. Source: FDA Food Code 2022, 4-501.111 and 4-703.11(A). */
export function judgeHotWaterByHand(
  t: JudgedTemperature | null,
  seconds: number | null,
  profile: Profile = modelCode,
): Judgement {
  const { section, pair, seconds: least } = profile.hotWaterByHand
  const from = `${profile.name}, ${section}`
  const time = seconds === null ? null : interval(seconds, seconds)
  return judged(profile, [
    layerVerdict('code', profile.name, [
      limitPair('hotWater', from, pair, t, atLeast),
      limitVerdict('time', 's', `${profile.name}, 4-703.11(A)`, atLeast(least), time),
    ]),
  ])
}

/**
 * Wash water in the sink: the code's figure, or the detergent label's where that is lower.
 * Source: FDA Food Code 2022, 4-501.19.
 */
export function judgeWashWater(
  t: JudgedTemperature | null,
  label: TemperaturePair | null,
  profile: Profile = modelCode,
): Judgement {
  const { section, pair } = profile.washWater
  const source = `${profile.name}, ${section}`
  return judged(profile, [
    layerVerdict(label ? 'label' : 'code', label ? '' : profile.name, [
      limitPair('washWater', source, label ?? pair, t, atLeast, label ? 'detergent-label' : undefined),
    ]),
  ])
}
