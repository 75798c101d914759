import { instant } from '../../quantity/index.ts'
import type { AnyRecord, RecordType } from '../../stream/index.ts'
import type { Verdict } from '../../rules/index.ts'
import { dishFold, figuresOf, traceOf, type CycleJudged, type DishState } from '../../warewash/index.ts'

export const [minuteMs, dayMs] = [60_000, 86_400_000]
export const start = Date.UTC(2026, 10, 2, 12)
const { from: _f, to: _t, ...blank } = figuresOf(traceOf([]), 0)
let seq = 0
export const record = (type: RecordType, at: number, payload: object): AnyRecord =>
  ({
    id: `record-${++seq}`,
    type,
    observedAt: at,
    clockOffset: 0,
    by: 'ines',
    payload: { station: 'dish', ...payload },
  }) as unknown as AnyRecord
export const cycle = (
  at: number,
  verdict: Verdict | null,
  change: Partial<CycleJudged> = {},
  rinse = 84,
): AnyRecord =>
  record('cycle.judged@1', at + 10_000, {
    cycle: `c-${at}`,
    from: at - 61_000,
    to: at,
    ending: verdict ? 'complete' : 'door',
    racks: verdict ? 1 : 0,
    figures: { ...blank, rinseLow: verdict ? rinse : null },
    judgement: verdict && { overall: verdict },
    conductivity: 2.3,
    replaces: [],
    ...change,
  })
export const folded = (...records: AnyRecord[]): DishState =>
  records.reduce((s, r) => dishFold.apply(s, r), dishFold.initial('dish'))
export const soon = instant(start + 60 * minuteMs)
export const racks = (...verdicts: (Verdict | null)[]) =>
  verdicts.map((v, i) => cycle(start + i * 3 * minuteMs, v))
