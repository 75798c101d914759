import {
  cycleSplitter,
  doseState,
  fallsBelow,
  figuresOf,
  judgeCycle,
  likelyFaults,
  trendOf,
  traceOf,
  type CycleFigures,
  type Sample,
} from '@tadka/core/warewash'
import { describe, expect, it } from 'vitest'
import { rackStream, type Faults, type MachineSample, type Stream } from '../index.ts'

const limits = {
  kind: 'stationary-dual',
  plate: null,
  accuracy: { temperature: 0.5, pressure: 5 },
  schools: {},
  local: [],
} as const

interface Seen {
  readonly figures: CycleFigures[]
  readonly verdicts: (string | undefined)[]
  readonly endings: string[]
  readonly conductivity: number[]
}
function seen(samples: readonly (Sample & { conductivity?: number })[]): Seen {
  const cycles = cycleSplitter().push(traceOf(samples))
  const figures = cycles.map((c) => figuresOf(c.trace, c.missing))
  return {
    figures,
    verdicts: cycles.map((c, i) => judgeCycle(figures[i] as CycleFigures, c.ending, limits)?.overall),
    endings: cycles.map((c) => c.ending),
    conductivity: figures.map((f) => samples.findLast((s) => s.at <= f.to)?.conductivity ?? 0),
  }
}
const run = (stream: Stream, racks: number, perHour = 24): MachineSample[] => {
  const seconds = Math.round((racks / perHour) * 3600)
  stream.busy(seconds, perHour)
  return stream.next(seconds)
}
const after = (faults: Faults, racks = 14) => {
  const stream = rackStream(3)
  const before = run(stream, 8)
  stream.fault(faults)
  return { before: seen(before), then: seen([...before, ...run(stream, racks)]) }
}
const diagnosed = (s: Seen, more = {}) =>
  likelyFaults({
    cycles: s.figures
      .filter((_, i) => s.endings[i] !== 'door')
      .map((f) => ({ ...f, stuck: f.stuck.length > 0 })),
    rate: { racks: 24, rated: 40 },
    limits: { wash: 66, rinse: 82, pressureLow: 100, pressureHigh: 170 },
    rinseTrend: null,
    sanitizer: null,
    rejects: {},
    detergent: doseState({ volume: 40_000, rinseWater: 3000 }, 2.35, s.conductivity),
    ...more,
  }).map((l) => l.fault)

describe('a stand-in for a dish machine', () => {
  it('that is well passes rack after rack, its rinse cooling and coming back', () => {
    const s = seen(run(rackStream(1), 40))
    expect(s.endings.filter((e) => e === 'complete').length).toBeGreaterThan(30)
    expect(new Set(s.verdicts.filter((v) => v !== undefined))).toEqual(new Set(['in']))
    expect(diagnosed(s)).toEqual([])
  })
  it.each<[string, Faults, string, string]>([
    ['a tank short of water cools', { lowTank: true }, 'out', 'low-tank'],
    ['cold feed water', { feed: 15 }, 'out', 'cold-feed'],
    ['an element that is out', { elementOut: true }, 'out', 'element-out'],
    ['a clogged arm', { clogged: 1 }, 'out', 'clogged-arm'],
    ['detergent gone', { detergentEmpty: true }, 'in', 'detergent-empty'],
    ['a stuck probe', { stuck: 'rinse' }, 'cannot-tell', 'probe-stuck'],
  ])('%s: judged, and its likely cause named', (_, faults, verdict, fault) => {
    const { then } = after(faults, 30)
    expect(then.verdicts.findLast((v) => v !== undefined)).toBe(verdict)
    expect(diagnosed(then)).toContain(fault)
  })
  it('gaps in the stream are told', () => {
    const samples = run(rackStream(4), 12).filter((s) => s.at % 100 < 88)
    expect(diagnosed(seen(samples))).toContain('stream-gaps')
  })
  it('a booster that scales up: the day it will miss is foretold before the first rack that does', () => {
    const stream = rackStream(5)
    const days: { day: number; value: number }[] = []
    let warned: number | null = null
    let missed: number | null = null
    for (let day = 0; day < 40 && missed === null; day++) {
      stream.machine.scaleUp(day * 0.02)
      const s = seen(run(stream, 12))
      const rinses = s.figures.flatMap((f) => f.rinseLow ?? [])
      if (s.verdicts.includes('out')) missed = day
      days.push({ day, value: rinses.reduce((a, b) => a + b, 0) / rinses.length })
      const trend = trendOf(days)
      if (trend && warned === null && fallsBelow(trend, 82, 0.5)) warned = day
    }
    expect(missed).not.toBeNull()
    expect(warned).not.toBeNull()
    expect((missed ?? 0) - (warned ?? 99)).toBeGreaterThan(3)
  })
})
