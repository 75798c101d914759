import { atLeast, atMost, interval, type Interval } from '../quantity/index.ts'
import { judgeChlorine, limitIn, type JudgedTemperature } from './chlorine.ts'
import {
  layerVerdict,
  limitVerdict,
  type Judgement,
  type LayerVerdict,
  type LimitVerdict,
  type MissingValue,
} from './judgement.ts'
import type { Profile } from './profile.ts'
import { strictest, type Verdict } from './verdict.ts'

export const agents = ['chlorine', 'quat', 'iodine', 'other'] as const
export type Agent = (typeof agents)[number]

/** What a sanitizer's label says of one use. Null: the label is silent. */
export interface LabelUse {
  readonly name: string
  /** ppm. */
  readonly range: { readonly lo: number; readonly hi: number }
  readonly temperature: { readonly c: number; readonly f: number } | null
  /** mg/L as CaCO3. */
  readonly hardestWater: number | null
  readonly contactSeconds: number | null
  /** A rinse with drinking water follows, by the label; absent: none does. */
  readonly rinseAfter?: true | undefined
}

export interface SanitizerReading {
  readonly agent: Agent
  /** ppm of the agent. */
  readonly strength: Interval | null
  readonly temperature: JudgedTemperature | null
  readonly ph: Interval | null
  /** mg/L as CaCO3. */
  readonly hardness: Interval | null
  readonly label: LabelUse | null
  /** What the manual of the machine that takes it asks for, ppm; null at an end that it leaves open. */
  readonly plate?: Interval | undefined
  /** Extra limits of the site's own authority, ppm. */
  readonly local?: readonly { readonly name: string; readonly range: Interval; readonly source: string }[]
}

/**
 * Judges a sanitizer in solution against every layer that speaks: the code, the site's authority, the label.
 * Returns each layer's verdict, the strictest overall, and what each missing value could change.
 * Source: FDA Food Code 2022, 4-501.114; 40 CFR 180.940 for the chlorine ceiling.
 */
export function judgeSanitizer(profile: Profile, reading: SanitizerReading): Judgement {
  const layers = judgeLayers(profile, reading)
  const overall = strictest(layers.map((l) => l.verdict))
  return {
    overall,
    layers,
    missing: overall === 'cannot-tell' ? missingValues(profile, reading) : [],
    profile: { id: profile.id, version: profile.version },
  }
}

function judgeLayers(profile: Profile, r: SanitizerReading): LayerVerdict[] {
  const layers = [layerVerdict('code', profile.name, codeLimits(profile, r))]
  for (const local of r.local ?? [])
    layers.push(
      layerVerdict('local', local.name, [
        limitVerdict('strength', 'ppm', local.source, local.range, r.strength),
      ]),
    )
  layers.push(
    r.label
      ? layerVerdict('label', r.label.name, labelLimits(r.label, r))
      : layerVerdict('label', '', [limitVerdict('strength', 'ppm', '', null, r.strength, 'no-label')]),
  )
  if (r.plate)
    layers.push(layerVerdict('plate', '', [limitVerdict('strength', 'ppm', '', r.plate, r.strength)]))
  return layers
}

function codeLimits(profile: Profile, r: SanitizerReading): LimitVerdict[] {
  if (r.agent === 'chlorine')
    return judgeChlorine(profile, r.strength, r.temperature, r.ph, r.label?.rinseAfter === true)
  if (r.agent === 'iodine') {
    const { source, range, temperature, highestPh } = profile.iodine
    const from = `${profile.name}, ${source}`
    return [
      limitVerdict('iodine', 'ppm', from, interval(range.lo, range.hi), r.strength),
      warmEnough('iodineWater', from, temperature, r.temperature),
      limitVerdict('pH', 'pH', from, atMost(highestPh), r.ph),
    ]
  }
  if (r.agent === 'quat') {
    const { source, temperature, hardestWater } = profile.quat
    const from = `${profile.name}, ${source}`
    const byLabel = r.label ? interval(r.label.range.lo, r.label.range.hi) : null
    return [
      limitVerdict('quat', 'ppm', from, byLabel, r.strength, 'as-label'),
      warmEnough('quatWater', from, temperature, r.temperature),
      limitVerdict('hardness', 'mg/L', from, atMost(r.label?.hardestWater ?? hardestWater), r.hardness),
    ]
  }
  const byLabel = r.label ? interval(r.label.range.lo, r.label.range.hi) : null
  return [limitVerdict('strength', 'ppm', `${profile.name}, 4-501.114(E)`, byLabel, r.strength, 'as-label')]
}

function labelLimits(label: LabelUse, r: SanitizerReading): LimitVerdict[] {
  const limits = [
    limitVerdict('strength', 'ppm', label.name, interval(label.range.lo, label.range.hi), r.strength),
  ]
  if (label.temperature)
    limits.push(warmEnough(waterOf[r.agent], label.name, label.temperature, r.temperature))
  if (label.hardestWater !== null)
    limits.push(limitVerdict('hardness', 'mg/L', label.name, atMost(label.hardestWater), r.hardness))
  return limits
}

const waterOf = {
  chlorine: 'chlorineWater',
  iodine: 'iodineWater',
  quat: 'quatWater',
  other: 'sanitizerWater',
} as const

function warmEnough(
  quantity: (typeof waterOf)[Agent],
  source: string,
  pair: { c: number; f: number },
  t: JudgedTemperature | null,
): LimitVerdict {
  const unit = t?.unit ?? '°C'
  return limitVerdict(quantity, unit, source, atLeast(limitIn(pair, unit)), t?.reading ?? null)
}

/** Values that harm, to try for what was not read. */
const harmful = {
  temperature: { unit: '°C', reading: interval(0, 0) },
  ph: interval(12, 12),
  hardness: interval(2000, 2000),
} as const

function missingValues(profile: Profile, r: SanitizerReading): MissingValue[] {
  const missing: MissingValue[] = []
  const helped = fill(r)
  const overall = (changed: Partial<SanitizerReading>): Verdict =>
    strictest(judgeLayers(profile, { ...helped, ...changed }).map((l) => l.verdict))
  if (r.strength === null) missing.push({ quantity: 'strength', best: 'in', worst: 'out' })
  if (r.label === null) missing.push({ quantity: 'label', best: 'in', worst: 'out' })
  const tried = (quantity: MissingValue['quantity'], name: keyof typeof harmful) => {
    const [best, worst] = [overall({}), overall({ [name]: harmful[name] })]
    if (r[name] === null && best !== worst) missing.push({ quantity, best, worst })
  }
  tried(waterOf[r.agent], 'temperature')
  tried('pH', 'ph')
  tried('hardness', 'hardness')
  return missing
}

/** The reading with helpful values for all that is missing, so that one missing value can be tried at a time. */
function fill(r: SanitizerReading): SanitizerReading {
  return {
    ...r,
    temperature: r.temperature ?? { unit: '°C', reading: interval(60, 60) },
    ph: r.ph ?? (r.agent === 'iodine' ? interval(4, 4) : interval(7, 7)),
    hardness: r.hardness ?? interval(0, 0),
  }
}

/**
 * Contact time in seconds: the code's, or the label's where longer.
 * Source: FDA Food Code 2022, 4-703.11(C): chlorine 10 s, 7 s at 50 mg/L with pH 10 or less and 38 °C (100 °F) or
 * more, or pH 8 or less and 24 °C (75 °F) or more; other chemicals 30 s.
 */
export function contactSeconds(profile: Profile, r: SanitizerReading): number {
  const { contact, chlorine } = profile
  let code = r.agent === 'chlorine' ? contact.chlorine : contact.other
  const row = chlorine.rows.find((x) => x.from === 50)
  if (r.agent === 'chlorine' && row && r.temperature && r.ph && (r.strength?.lo ?? 0) >= 50) {
    const coldest = r.temperature.reading.lo ?? -Infinity
    const highest = r.ph.hi ?? Infinity
    const warm = (pair: { c: number; f: number }) => coldest >= limitIn(pair, r.temperature?.unit ?? '°C')
    if ((highest <= 10 && warm(row.ph10)) || (highest <= 8 && warm(row.ph8))) code = contact.chlorineShort
  }
  return Math.max(code, r.label?.contactSeconds ?? 0)
}
