import { instant, type Instant, type Interval, type UnitSystem } from '@tadka/core/quantity'
import { whatIf, type Changed, type ReadingTaken } from '@tadka/core/reading'
import { type AnyRecord } from '@tadka/core/stream'
import { codeSections, judgedQuantities, type JudgedQuantity, type LocalRule } from '@tadka/core/rules'
import { isNone, numberIn } from '../pieces/field.ts'
import { ask } from '../wire/api.ts'

/** A local rule as it is typed. `replaces` is a section, or empty for a limit that is added. */
export interface RuleDraft {
  readonly authority: string
  readonly replaces: string
  /** Null until it is chosen. */
  readonly quantity: JudgedQuantity | null
  readonly unit: string
  readonly lo: string
  readonly hi: string
  readonly reason: string
}

/** The units that a limit of it can be typed in, those of the site's own system first. */
export const unitsOf = (quantity: JudgedQuantity, system: UnitSystem = 'metric'): readonly string[] =>
  system === 'us' ? judgedQuantities[quantity].toReversed() : judgedQuantities[quantity]

export type RuleFault = 'about' | 'authority' | 'limit' | 'order' | 'number' | 'reason'

/** What is wrong with what was typed, field by field; empty where it can be put in force. */
export function faultsOf(d: RuleDraft): RuleFault[] {
  const faults: RuleFault[] = []
  const [lo, hi] = [numberIn(d.lo, true), numberIn(d.hi, true)]
  if (aboutIt(d) === null) faults.push('about')
  if (d.authority.trim() === '') faults.push('authority')
  if (isNone(d.lo, true) || isNone(d.hi, true)) faults.push('number')
  else if (lo === null && hi === null) faults.push('limit')
  else if (lo !== null && hi !== null && lo > hi) faults.push('order')
  if (d.reason.trim().length < 3) faults.push('reason')
  return faults
}

/** What it is about: that of the section that it replaces, else what was chosen; null while nothing is. */
export const aboutIt = (d: Pick<RuleDraft, 'replaces' | 'quantity'>): JudgedQuantity | null =>
  codeSections().find((s) => s.section === d.replaces)?.quantity ?? d.quantity

export function unitOf(
  d: Pick<RuleDraft, 'replaces' | 'quantity' | 'unit'>,
  system: UnitSystem = 'metric',
): string {
  const about = aboutIt(d)
  const units = about ? unitsOf(about, system) : []
  return units.includes(d.unit) ? d.unit : (units[0] ?? '')
}

/** The rule that was typed, in force from `from`. */
export function ruleOf(d: RuleDraft, id: string, from: Instant, system: UnitSystem = 'metric'): LocalRule {
  const section = codeSections().find((s) => s.section === d.replaces)
  const limit: Interval = { lo: numberIn(d.lo, true), hi: numberIn(d.hi, true) }
  return {
    id,
    authority: d.authority.trim(),
    effect: section ? { kind: 'replaces', section: section.section } : { kind: 'adds' },
    quantity: aboutIt(d) ?? 'strength',
    unit: unitOf(d, system),
    limit,
    from,
    until: null,
    reason: d.reason.trim(),
  }
}

const monthMs = 30 * 86_400_000
type Reading = AnyRecord & { type: 'reading.taken@1' }
export type ChangedReading = Changed & { readonly record: Reading }

/** Which readings of the last thirty days the rule would have judged otherwise, newest first, and of how many. */
export async function whatChanges(
  site: string,
  rule: LocalRule,
  now: Instant,
): Promise<{ of: number; changed: ChangedReading[] }> {
  const readings: Reading[] = []
  for (let before = ''; ;) {
    const query = `types=reading.taken@1&limit=200&from=${now - monthMs}${before}`
    const { records } = await ask<{ records: Reading[] }>('GET', `/api/sites/${site}/log?${query}`)
    readings.push(...records)
    const last = records.at(-1)
    if (!last || records.length < 200) break
    before = `&before=${last.seq}`
  }
  const payloads: ReadingTaken[] = readings.map((r) => r.payload)
  const changed = whatIf(payloads, { ...rule, from: instant(0) })
  return {
    of: readings.length,
    changed: changed.map((c) => ({ ...c, record: readings[c.index] as Reading })),
  }
}
