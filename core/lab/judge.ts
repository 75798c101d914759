import { interval, instant, type Interval } from '../quantity/index.ts'
import { inForce, judgeInterval, strictest, type LocalRule, type Verdict } from '../rules/index.ts'
import type { SampleState } from './fold.ts'
import type { SampleFound } from './records.ts'

/** One number held against the authority's limit; without one nobody can tell. */
export interface FoundVerdict {
  readonly found: SampleFound
  /** Whose limit it is; null: nobody entered one for that. */
  readonly rule: LocalRule | null
  readonly verdict: Verdict
}

/** What a number may be: "less than 10" is anything up to it. */
const spanOf = ({ value, bound }: SampleFound): Interval =>
  bound === 'less' ? interval(0, value) : bound === 'more' ? interval(value, null) : interval(value, value)

/** Those in force when it was taken; where nobody had entered one by then, the first that somebody entered since. */
function rulesFor(f: SampleFound, rules: readonly LocalRule[], at: number): readonly LocalRule[] {
  const about = rules.filter((r) => r.quantity === f.of && r.unit === f.unit)
  const then = about.filter((r) => inForce(r, instant(at)))
  if (then.length > 0) return then
  const later = about.filter((r) => r.from > at)
  const first = Math.min(...later.map((r) => r.from))
  return later.filter((r) => r.from === first)
}

/**
 * A laboratory's numbers against the rules of the site's authority. The model code has no limits for
 * them: without a rule it is "can't tell". A number is held to the strictest rule about it in its own unit. @param at ms UTC.
 */
export function judgeSample(
  found: readonly SampleFound[],
  rules: readonly LocalRule[],
  at: number,
): { readonly overall: Verdict; readonly each: readonly FoundVerdict[] } {
  const each = found.flatMap((f): FoundVerdict[] => {
    const about = rulesFor(f, rules, at)
    if (about.length === 0) return [{ found: f, rule: null, verdict: 'cannot-tell' }]
    return about.map((rule) => ({ found: f, rule, verdict: judgeInterval(spanOf(f), rule.limit) }))
  })
  return { overall: each.length === 0 ? 'cannot-tell' : strictest(each.map((e) => e.verdict)), each }
}

/** Where a sample is from: the next of the same counts for it. */
const from = ({ kind, station, where }: NonNullable<SampleState['taken']>) =>
  `${kind} ${station} ${where.trim().toLowerCase()}`

export type SampleStands = SampleState & { readonly taken: NonNullable<SampleState['taken']> } & {
  /** Sent and not answered; in; out or close, and no later one of the same place is in; nobody can tell. */
  readonly is: 'waits' | 'in' | 'open' | 'followed' | 'cannot-tell'
  readonly each: readonly FoundVerdict[]
}

/** All samples, the newest first. What was not in stays open until a later sample of the same place is. */
export function samplesStand(samples: readonly SampleState[], rules: readonly LocalRule[]): SampleStands[] {
  const taken = samples
    .filter((s): s is SampleStands => s.taken !== null)
    .toSorted((a, b) => b.taken.at - a.taken.at)
  const judged = taken.map((s) => ({ s, ...judgeSample(s.result?.found ?? [], rules, s.taken.at) }))
  return judged.map(({ s, overall, each }, i): SampleStands => {
    if (s.result === null) return { ...s, is: 'waits', each: [] }
    if (overall === 'in' || overall === 'cannot-tell') return { ...s, is: overall, each }
    const later = judged
      .slice(0, i)
      .some((o) => o.s.result && o.overall === 'in' && from(o.s.taken) === from(s.taken))
    return { ...s, is: later ? 'followed' : 'open', each }
  })
}
