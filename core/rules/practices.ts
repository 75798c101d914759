import { Refusal } from '../refusal/index.ts'
import type { Strip } from './instrument.ts'
import { isShowable, showableTarget } from './kit.ts'
import { modelCode, type Profile } from './profile.ts'

/** A question on which good sites differ; a choice sets what crew aim for, inside the limits, and never loosens one. */
export interface Practice {
  readonly id: string
  readonly choices: readonly string[]
  readonly fallback: string
}

/** Common practice, no source. */
export const practices: readonly Practice[] = [
  { id: 'chlorine', choices: ['table', 'fifty', 'wide', 'hundred'], fallback: 'table' },
  { id: 'quat', choices: ['label', 'wide', 'two-hundred'], fallback: 'label' },
  { id: 'hot-water-machine', choices: ['manifold', 'surface', 'last-seconds'], fallback: 'manifold' },
  { id: 'wash-water', choices: ['code', 'label'], fallback: 'code' },
]

/** What a site chose, question by question; the default where it chose nothing or something unknown. */
export function chosenPractice(id: string, choices: Readonly<Record<string, string>>): string {
  const practice = practices.find((s) => s.id === id)
  const chosen = choices[id]
  if (practice && chosen !== undefined && practice.choices.includes(chosen)) return chosen
  return practice?.fallback ?? ''
}

interface Band {
  readonly lo: number
  readonly hi: number
}
const bands: Readonly<Record<string, Readonly<Record<string, Band>>>> = {
  chlorine: { fifty: { lo: 50, hi: 99 }, wide: { lo: 50, hi: 200 }, hundred: { lo: 100, hi: 100 } },
  quat: { wide: { lo: 150, hi: 400 }, 'two-hundred': { lo: 200, hi: 200 } },
}

/** The label's use that the 100 ppm practice is about. */
const frozenDessert = 'frozen-dessert'

/** One use of a label, as a mix is aimed by it. ppm. */
export interface AimedUse {
  readonly id: string
  readonly range: Band | null
  readonly target: number | null
}

/**
 * The ppm band that crew aim at under the site's practices, kept inside the label's; null: the table or the label decides.
 * @param choices what the site chose, question by question.
 */
export function aimedBand(
  agent: string | null,
  use: Pick<AimedUse, 'id' | 'range'>,
  choices: Readonly<Record<string, string>>,
): Band | null {
  const chosen = agent && chosenPractice(agent, choices)
  const band = agent && chosen && bands[agent]?.[chosen]
  if (!band || !use.range || (chosen === 'hundred' && use.id !== frozenDessert)) return null
  const [lo, hi] = [Math.max(band.lo, use.range.lo), Math.min(band.hi, use.range.hi)]
  return lo <= hi ? { lo, hi } : null
}

/**
 * The ppm that a mix aims at: the label's target moved into the band that crew aim at, and from there to the nearest block that the
 * strip at hand can show wholly within the label, so that what was mixed right can also be seen to be. Null: the label names none.
 */
export function aimedTarget(
  agent: string | null,
  use: AimedUse,
  choices: Readonly<Record<string, string>>,
  strip: Pick<Strip, 'blocks' | 'unit'> | null,
): number | null {
  const { target, range } = use
  if (target === null || range === null) return target
  const aim = aimedBand(agent, use, choices) ?? range
  const wanted = Math.min(Math.max(target, aim.lo), aim.hi)
  if (!strip || isShowable(strip, range, wanted)) return wanted
  return showableTarget(strip, range, wanted) ?? wanted
}

/**
 * Refuses a target that the label does not allow, or that asks for a rinse which the label does not give.
 * @param target ppm. Throws `target_over_label`, `target_under_label`, `target_needs_rinse`.
 * Source: the label; 40 CFR 180.940 for chlorine without a potable rinse.
 */
export function checkTarget(
  agent: string | null,
  use: { readonly range: Band | null; readonly rinseAfter: boolean },
  target: number,
  profile: Profile = modelCode,
): void {
  const { range, rinseAfter } = use
  const most = profile.chlorine.ceiling
  if (agent === 'chlorine' && !rinseAfter && target > most)
    throw new Refusal('target_needs_rinse', { field: 'target', most })
  if (!range) return
  if (target > range.hi) throw new Refusal('target_over_label', { field: 'target', most: range.hi })
  if (target < range.lo) throw new Refusal('target_under_label', { field: 'target', least: range.lo })
}
