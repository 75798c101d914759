import { describe, expect, it } from 'vitest'
import { instant, interval } from '../../quantity/index.ts'
import { foldAll, type AnyRecord } from '../../stream/index.ts'
import { folds } from '../../record/index.ts'
import { type InstrumentSet } from '../../house/index.ts'
import { codeSections, rulesInForce, type LocalRule } from '../../rules/index.ts'
import { recordOf } from '../records.ts'

const subject = { kind: 'instrument', id: 'probe' } as const
const probe = (unit: '°C' | '°F'): InstrumentSet => ({
  kind: 'thermometer',
  name: 'Probe',
  unit,
  accuracy: 0.5,
  checkDue: 1e12,
})
const checked = (seq: number, read: number, unit: '°C' | '°F', verdict: 'in' | 'out'): AnyRecord =>
  recordOf(seq, 'instrument.checked@1', subject, {
    instrument: 'probe',
    method: 'ice-point',
    unit,
    read,
    verdict,
    due: 2e12,
  })
const failed = (set: InstrumentSet, ...checks: AnyRecord[]) => {
  const records = [recordOf(1, 'instrument.set@1', subject, set), ...checks]
  return foldAll(folds.instrument, subject, records).state.failed
}

describe('a thermometer in melting ice', () => {
  it('fails by what it read, not by the verdict that was sent', () =>
    expect(failed(probe('°C'), checked(2, 3, '°C', 'in'))).toBe(true))
  it('fails by what it read in its own unit, not in one that was sent', () => {
    expect(failed(probe('°C'), checked(2, 32, '°F', 'in'))).toBe(true)
    expect(failed(probe('°F'), checked(2, 32, '°C', 'out'))).toBe(false)
  })
  it('that failed stays so when its entry is changed, until a check passes', () => {
    const out = checked(2, 5, '°C', 'out')
    const again = recordOf(3, 'instrument.set@1', subject, { ...probe('°C'), name: 'Renamed' })
    expect(failed(probe('°C'), out, again)).toBe(true)
    expect(failed(probe('°C'), out, again, checked(4, 0.5, '°C', 'in'))).toBe(false)
  })
})

describe('rules in force', () => {
  it('stand in one order, whoever holds them: the tablet and the server lay the same', () => {
    const rule = (id: string): LocalRule => ({
      id,
      authority: 'a',
      effect: { kind: 'adds' },
      quantity: 'rinse',
      unit: '°C',
      limit: interval(80, null),
      from: instant(0),
      until: null,
      reason: 'why',
    })
    const [a, b, c] = ['a', 'b', 'c'].map(rule) as [LocalRule, LocalRule, LocalRule]
    expect(rulesInForce([c, a, b], instant(1))).toEqual([a, b, c])
    expect(rulesInForce([{ ...a, until: instant(1) }, b], instant(1))).toEqual([b])
  })
})

// FDA Food Code 2022: each limit in °C and its own °F, kPa and psi.
describe('the sections of the code', () => {
  it.each([
    ['3-501.16(A)(2)', 5, 41, 'hi'],
    ['4-501.112', 82, 180, 'lo'],
    ['4-501.113', 35, 5, 'lo'],
  ] as const)('%s is %d, on a site in US units %d', (section, metric, us, end) => {
    const limit = (system: 'metric' | 'us') =>
      codeSections(system).find((s) => s.section === section)?.limit[end]
    expect([limit('metric'), limit('us')]).toEqual([metric, us])
  })
})
