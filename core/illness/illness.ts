/** What somebody who handles food has to tell: FDA Food Code 2022, 2-201.11(A)(1), from memory. */
export const symptoms = ['vomiting', 'diarrhoea', 'jaundice', 'sore-throat', 'wound'] as const
export type Symptom = (typeof symptoms)[number]
/** Illnesses that a doctor found: 2-201.11(A)(2), from memory. */
export const diagnoses = ['norovirus', 'hepatitis-a', 'shigella', 'stec', 'typhi', 'salmonella'] as const
export type Diagnosis = (typeof diagnoses)[number]

export interface Illness {
  readonly symptoms: readonly Symptom[]
  readonly diagnosis: Diagnosis | null
  /** When it began, ms UTC. */
  readonly began: number
  /** Since when there is no vomiting, diarrhoea or fever any more, ms UTC; null: there is, or nobody has said. */
  readonly freeSince: number | null
  /** A doctor wrote that they are free of it, or that it is not catching. */
  readonly doctor: boolean
  /** The authority approved that they come back. */
  readonly authority: boolean
  /** The wound is under a cover that keeps water out; on a hand or wrist with a glove over it. */
  readonly covered: boolean
}

/** What is lacking before somebody works with food again. */
export type Lacking =
  | { readonly is: 'doctor' | 'authority' | 'cover' }
  /** Free of it for so many hours; from when that is, ms UTC, where somebody has said since when. */
  | { readonly is: 'free'; readonly hours: number; readonly at: number | null }
  /** So many days since it began; from when that is, ms UTC. */
  | { readonly is: 'days'; readonly days: number; readonly at: number }

export interface MayWork {
  /** Excluded: not at work. Restricted: at work, not with food, clean equipment, linen or unwrapped single-use things. */
  readonly is: 'excluded' | 'restricted' | 'fit'
  /** Each line by itself brings them back, all of its parts together; none where they are fit. */
  readonly until: readonly (readonly Lacking[])[]
}

const hourMs = 3_600_000
const day = 24
/** Hours without symptoms after which somebody with it may come back, with the authority's word: 2-201.13, from memory. */
const freeHours = { norovirus: 2 * day, shigella: 7 * day, stec: 7 * day, salmonella: 30 * day } as const
/** Days after it began: 2-201.13(B) and (C), from memory. */
const [jaundiceDays, hepatitisDays] = [7, 14] as const

/**
 * Whether somebody may work, in a place that serves nobody who is highly susceptible. Sources, from memory: FDA Food Code 2022, 2-201.12
 * (exclude, restrict) and 2-201.13 (back again). The authority and a doctor decide.
 * @param now ms UTC.
 */
export function mayWork(illness: Illness, now: number): MayWork {
  const all = [
    ofDiagnosis(illness, now),
    ofJaundice(illness, now),
    ofStomach(illness, now),
    ...ofRest(illness),
  ]
  const found = all.filter((m): m is MayWork => m !== null && m.is !== 'fit')
  if (found.length === 0) return { is: 'fit', until: [] }
  const is = found.some((m) => m.is === 'excluded') ? 'excluded' : 'restricted'
  return { is, until: shortest(found.map((m) => m.until).reduce(both, [[]])) }
}

type Way = readonly Lacking[]
/** Each of one's ways together with each of the other's. */
const both = (a: readonly Way[], b: readonly Way[]): Way[] => a.flatMap((x) => b.map((y) => joined(x, y)))

/** All parts of two ways; of two times the longer, which holds the shorter. */
function joined(a: Way, b: Way): Way {
  const parts = [...a, ...b]
  return parts.filter((p, n) => !parts.some((q, m) => m !== n && holds(q, p) && (m < n || !holds(p, q))))
}

/** Whether whoever has done one part has done the other. */
function holds(one: Lacking, other: Lacking): boolean {
  if (one.is === 'free' && other.is === 'free') return one.hours >= other.hours
  return one.is === 'days' && other.is === 'days' ? one.days >= other.days : one.is === other.is
}

/** Ways of which no other asks for less. */
const shortest = (ways: readonly Way[]): Way[] =>
  ways.filter((way, n) => !ways.some((w, m) => m !== n && asksLess(w, way) && (m < n || !asksLess(way, w))))
const asksLess = (less: Way, more: Way) => less.every((p) => more.some((q) => holds(q, p)))

const has = ({ symptoms: all }: Illness, ...which: readonly Symptom[]) => all.some((s) => which.includes(s))
const isFree = ({ freeSince }: Illness, hours: number, now: number) =>
  freeSince !== null && now - freeSince >= hours * hourMs
const free = ({ freeSince }: Illness, hours: number): Lacking => ({
  ...{ is: 'free', hours },
  at: freeSince === null ? null : freeSince + hours * hourMs,
})

/** Ways back of which each asks for parts; those that are there are left out. */
function held(is: 'excluded' | 'restricted', ways: readonly (readonly (Lacking | null)[])[]): MayWork {
  const until = ways.map((way) => way.filter((l): l is Lacking => l !== null))
  return until.some((way) => way.length === 0) ? { is: 'fit', until: [] } : { is, until }
}

function ofDiagnosis(illness: Illness, now: number): MayWork | null {
  const { diagnosis } = illness
  if (!diagnosis) return null
  const authority: Lacking | null = illness.authority ? null : { is: 'authority' }
  const doctor: Lacking | null = illness.doctor ? null : { is: 'doctor' }
  if (diagnosis === 'typhi') return held('excluded', [[authority, doctor]])
  if (diagnosis === 'hepatitis-a') {
    const days = has(illness, 'jaundice') ? jaundiceDays : hepatitisDays
    return held('excluded', [
      [authority, since(illness, days, now)],
      [authority, doctor],
    ])
  }
  const hours = freeHours[diagnosis]
  const isQuiet = !has(illness, 'vomiting', 'diarrhoea') || isFree(illness, day, now)
  return held(isQuiet ? 'restricted' : 'excluded', [
    [authority, isFree(illness, hours, now) ? null : free(illness, hours)],
    [authority, doctor],
  ])
}

function since({ began }: Illness, days: number, now: number): Lacking | null {
  const at = began + days * day * hourMs
  return now > at ? null : { is: 'days', days, at }
}

function ofJaundice(illness: Illness, now: number): MayWork | null {
  if (!has(illness, 'jaundice')) return null
  const authority: Lacking | null = illness.authority ? null : { is: 'authority' }
  return held('excluded', [
    [authority, since(illness, jaundiceDays, now)],
    [authority, illness.doctor ? null : { is: 'doctor' }],
  ])
}

function ofStomach(illness: Illness, now: number): MayWork | null {
  if (!has(illness, 'vomiting', 'diarrhoea')) return null
  return held('excluded', [
    [isFree(illness, day, now) ? null : free(illness, day)],
    [illness.doctor ? null : { is: 'doctor' }],
  ])
}

const ofRest = (illness: Illness): (MayWork | null)[] => [
  has(illness, 'sore-throat') ? held('restricted', [[illness.doctor ? null : { is: 'doctor' }]]) : null,
  has(illness, 'wound') ? held('restricted', [[illness.covered ? null : { is: 'cover' }]]) : null,
]

/** Whether how long they are free of it brings them back. */
export const asksFree = ({ symptoms: all, diagnosis }: Told): boolean =>
  all.includes('vomiting') || all.includes('diarrhoea') || (diagnosis !== null && diagnosis in freeHours)

/** Whether a doctor's paper does: a wound asks for its cover alone. */
export const asksDoctor = ({ symptoms: all, diagnosis }: Told): boolean =>
  diagnosis !== null || all.some((s) => s !== 'wound')

type Told = Pick<Illness, 'symptoms' | 'diagnosis'>

/** Whether the person in charge has to tell the authority: 2-201.11(B) and (C), from memory. */
export const isTold = ({ symptoms: all, diagnosis }: Told): boolean =>
  diagnosis !== null || all.includes('jaundice')
