import { dueList } from '@tadka/core/duty'
import { instant } from '@tadka/core/quantity'
import {
  foldAll,
  foldOf,
  subjectsOf,
  type AnyDraft,
  type AnyRecord,
  type CaseState,
  type SiteSet,
  type SubjectKind,
} from '@tadka/core/record'
import type { StationState } from '@tadka/core/procedure'
import { describe, expect, it } from 'vitest'
import { demoHistory } from '../demo/history.ts'
import { seeded } from '../demo/diary.ts'
import { site } from '../demo/house.ts'
import { stations } from '../demo/products.ts'

const now = Date.parse('2026-11-26T22:40:00Z')
const history = demoHistory(now, 14)
const asRecords = (drafts: AnyDraft[]) =>
  drafts.map(
    (d, i) =>
      ({ ...d, seq: i + 1, receivedAt: d.observedAt, clockOffset: 0, prev: '', flags: [] }) as AnyRecord,
  )
const statesOf = <S>(kind: SubjectKind): S[] => {
  const records = asRecords(history)
  const ids = new Set(
    records.flatMap((r) =>
      subjectsOf(r)
        .filter((s) => s.kind === kind)
        .map((s) => s.id),
    ),
  )
  return [...ids].map((id) => {
    const own = records.filter((r) => subjectsOf(r).some((s) => s.kind === kind && s.id === id))
    return foldAll(foldOf(kind), { kind, id }, own).state as S
  })
}

describe('the demo’s history', () => {
  it('is the same for the same seed, and another for another', () => {
    expect(demoHistory(now, 3)).toEqual(demoHistory(now, 3))
    expect(demoHistory(now, 3, 7)).not.toEqual(demoHistory(now, 3))
  })
  it('lies in the past, in order, with an id for each record', () => {
    for (const [i, d] of history.entries()) {
      expect(d.observedAt).toBeLessThanOrEqual(now)
      expect(d.observedAt).toBeGreaterThanOrEqual(history[i - 1]?.observedAt ?? 0)
    }
    expect(new Set(history.map((d) => d.id)).size).toBe(history.length)
  })
  it('has failures in it, each closed by a recheck after something was done', () => {
    const cases = statesOf<CaseState>('case')
    expect(cases.length).toBeGreaterThan(2)
    for (const c of cases) {
      expect(c.status).toBe('closed')
      expect(['too-close', 'out']).toContain(c.verdict)
      expect(c.actions.length).toBe(1)
    }
  })
  it('leaves tonight’s closes to do, the soft-serve freezer’s among them, and nothing late', () => {
    const due = dueList(site as SiteSet, statesOf<StationState>('station'), instant(now))
    const tonight = due.filter((d) => d.risk === 'now' && d.trigger === 'each-close').map((d) => d.procedure)
    const closes = Object.values(stations).flatMap((s) =>
      s.duties.filter((d) => d.trigger.kind === 'each-close'),
    )
    expect(tonight.toSorted()).toEqual(closes.map((d) => d.procedure).toSorted())
    expect(tonight).toContain('soft-serve-gravity.close')
    expect(due.filter((d) => d.risk === 'late')).toEqual([])
  })
  it('sets up every station once, with the numbers that its procedures need', () => {
    const states = statesOf<StationState>('station')
    expect(states.map((s) => s.id).toSorted()).toEqual(Object.keys(stations).toSorted())
    for (const s of states) expect(s.currentRun).toBeNull()
  })
  it('makes longer histories as well', () => {
    expect(demoHistory(now, 90).length).toBeGreaterThan(15_000)
  })
})

describe('the seeded numbers', () => {
  it('lie from 0 to 1 and spread evenly', () => {
    const next = seeded(1)
    const buckets = Array.from({ length: 10 }, () => 0)
    for (let i = 0; i < 10_000; i++) {
      const at = Math.floor(next() * 10)
      buckets[at] = (buckets[at] ?? 0) + 1
    }
    for (const n of buckets) expect(Math.abs(n - 1000)).toBeLessThan(150)
  })
})
