import { Refusal } from '../refusal/index.ts'
import type { Strip } from './instrument.ts'
import { isShowable, showableTarget } from './kit.ts'
import { modelCode, type Profile } from './profile.ts'

/** A question on which sites differ; a school sets what crew aim at, inside the limits, and never loosens one. */
export interface School {
  readonly id: string
  readonly question: string
  readonly choices: readonly { readonly id: string; readonly says: string }[]
  readonly fallback: string
  readonly why: string
}

/** Common practice, no source. */
export const schools: readonly School[] = [
  {
    id: 'chlorine',
    question: 'Which chlorine band do crew aim at?',
    choices: [
      { id: 'table', says: 'the whole table, by pH and temperature' },
      { id: 'fifty', says: '50 to 99 ppm, water 21 °C (70 °F) or more, 10 s' },
      { id: 'wide', says: '50 to 200 ppm' },
      { id: 'hundred', says: '100 ppm for frozen-dessert machines' },
    ],
    fallback: 'table',
    why: 'Crew aim at the band; the table judges.',
  },
  {
    id: 'quat',
    question: 'Which quat band do crew aim at?',
    choices: [
      { id: 'label', says: 'the label’s' },
      { id: 'wide', says: '150 to 400 ppm' },
      { id: 'two-hundred', says: '200 ppm' },
    ],
    fallback: 'label',
    why: 'The code sets no ppm of its own; without a label nothing passes.',
  },
  {
    id: 'hot-water-machine',
    question: 'How is a hot-water machine checked?',
    choices: [
      { id: 'manifold', says: '82 °C (180 °F) at the manifold' },
      {
        id: 'surface',
        says: '71 °C (160 °F) at the surface of the ware; the manifold judges too where it was read',
      },
      {
        id: 'last-seconds',
        says: '82 °C (180 °F) at the manifold, held in the last 15 s where a probe watches',
      },
    ],
    fallback: 'manifold',
    why: 'The manifold can be read at every check.',
  },
  {
    id: 'wash-water',
    question: 'How warm is the sink’s wash water?',
    choices: [
      { id: 'code', says: '43 °C (110 °F) or more' },
      { id: 'label', says: 'the detergent label’s' },
    ],
    fallback: 'code',
    why: 'The code’s figure, or the label’s.',
  },
]

/** What a site chose, question by question; the default where it chose nothing or something unknown. */
export function chosenSchool(id: string, choices: Readonly<Record<string, string>>): string {
  const school = schools.find((s) => s.id === id)
  const chosen = choices[id]
  if (school && chosen !== undefined && school.choices.some((c) => c.id === chosen)) return chosen
  return school?.fallback ?? ''
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
  const chosen = agent && chosenSchool(agent, choices)
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
