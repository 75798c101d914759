import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cycleSplitter, part, traceOf, type Sample } from '../../warewash/index.ts'
import { racks } from './racks.ts'

const cut = (samples: readonly Sample[], chunk = 10_000) => {
  const trace = traceOf(samples)
  const splitter = cycleSplitter()
  const cycles = []
  for (let i = 0; i < trace.at.length; i += chunk)
    cycles.push(...splitter.push(part(trace, i, Math.min(i + chunk, trace.at.length))))
  return cycles.map(({ ending, trace: t, missing }) => ({
    ending,
    from: t.at[0],
    to: t.at.at(-1),
    missing,
  }))
}
const without = (samples: readonly Sample[], from: number, to: number) =>
  samples.filter((s) => s.at < from || s.at >= to)

describe('cycles cut out of a stream', () => {
  it('are whole from the pump’s start to the last of the rinse', () => {
    expect(cut(racks([{}, {}]))).toEqual([
      { ending: 'complete', from: 10, to: 71, missing: 0 },
      { ending: 'complete', from: 102, to: 163, missing: 0 },
    ])
  })
  it.each([
    ['the door opened while it washes', racks([{ doorAt: 20 }, {}]), ['door', 'complete']],
    ['the door opened in the pause', racks([{ doorAt: 46 }]), ['door']],
    ['the door opened while it rinses', racks([{ doorAt: 56 }, {}]), ['door', 'complete']],
    ['stopped: no rinse came', racks([{ rinse: 0, idle: 120 }, {}]), ['stopped', 'complete']],
    ['a rinse too short to be one', racks([{ rinse: 3, idle: 120 }]), ['stopped']],
    [
      'a rinse first cut short by the valve, then whole',
      racks([{ rinse: 12, idle: 1 }, {}]),
      ['complete', 'complete'],
    ],
    ['no stand-by between two', racks([{ idle: 2 }, { idle: 2 }]), ['complete', 'complete']],
  ])('%s', (_, samples, endings) => expect(cut(samples).map((c) => c.ending)).toEqual(endings))
  it('a bounce of pump, valve or door of one sample is noise', () => {
    const samples = racks([{}]).map((s) => {
      if (s.at === 30) return { ...s, pump: false, door: true }
      if (s.at === 35) return { ...s, valve: true }
      if (s.at === 64) return { ...s, valve: false }
      return s.at === 4 ? { ...s, pump: true } : s
    })
    expect(cut(samples)).toEqual([{ ending: 'complete', from: 10, to: 71, missing: 0 }])
  })
  it('a few samples missing are told; too many, and nobody can say what it was', () => {
    const samples = racks([{}, {}])
    expect(cut(without(samples, 30, 36))[0]).toMatchObject({ ending: 'complete', missing: 6 })
    expect(cut(without(samples, 30, 52)).map((c) => c.ending)).toEqual(['gap', 'complete'])
    expect(cut(without(samples, 0, 30)).map((c) => c.ending)).toEqual(['gap', 'complete'])
    const broken = [...racks([{}]).slice(0, 40), ...racks([{}, {}], 2000).slice(30)]
    expect(cut(broken).map((c) => c.ending)).toEqual(['gap', 'gap', 'complete'])
  })
  it('are the same whatever the pieces that the stream comes in', () => {
    const samples = racks([{}, { doorAt: 20 }, { idle: 2 }, { rinse: 0, idle: 100 }, {}])
    const whole = cut(samples)
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 90 }), (n) => {
        expect(cut(samples, n)).toEqual(whole)
      }),
    )
  })
  it('are the same where samples come late, doubled and in any order', () => {
    const samples = racks([{}, { doorAt: 20 }, {}])
    const whole = cut(samples)
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const mixed = samples.toSorted((a, b) => ((a.at * seed) % 997) - ((b.at * seed) % 997))
        expect(cut([...mixed.slice(0, seed % 200), ...mixed])).toEqual(whole)
      }),
    )
  })
  it('tells what the machine does now, and keeps the cycle under way', () => {
    const trace = traceOf(racks([{}]))
    const splitter = cycleSplitter()
    const phases: [string, number][] = []
    for (let i = 0; i < trace.at.length; i++) {
      splitter.push(part(trace, i, i + 1))
      const { phase, since } = splitter.now()
      if (phases.at(-1)?.[0] !== phase) phases.push([phase, since])
      if (i === 40) expect(splitter.underWay()?.at.length).toBe(31)
    }
    expect(phases.slice(1)).toEqual([
      ['wash', 10],
      ['pause', 56],
      ['rinse', 58],
      ['idle', 73],
    ])
    expect(splitter.underWay()).toBeNull()
  })
})
