import { instant, interval } from '@tadka/core/quantity'
import { taken, whatIf, type Read } from '@tadka/core/reading'
import { codeSections, judgeDishMachine, withLocalRules } from '@tadka/core/rules'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { faultsOf, ruleOf, unitOf, whatChanges, type RuleDraft } from '../src/house/rule-draft.ts'
import { stored, tablet } from './tablet.ts'

const draft = (change: Partial<RuleDraft> = {}): RuleDraft => ({
  authority: 'Harbour authority',
  replaces: '',
  quantity: 'rinse',
  unit: '',
  lo: '85',
  hi: '',
  reason: 'byelaw 12',
  ...change,
})
const at = instant(1000)

describe('a rule as it is typed', () => {
  it.each([
    ['whole', {}, []],
    ['with a decimal comma', { lo: '82,5' }, []],
    ['about nothing', { quantity: null }, ['about']],
    ['without an authority', { authority: ' ' }, ['authority']],
    ['without a limit', { lo: '' }, ['limit']],
    ['upside down', { lo: '90', hi: '80' }, ['order']],
    ['with a number that is none', { lo: 'hot' }, ['number']],
    ['without a reason', { reason: 'x' }, ['reason']],
    ['with nothing', { authority: '', lo: '', reason: '' }, ['authority', 'limit', 'reason']],
  ] as const)('%s', (_, change, faults) => expect(faultsOf(draft(change))).toEqual(faults))
  it('added, limits what was chosen in the unit it is read in', () => {
    expect(ruleOf(draft(), 'id', at)).toMatchObject({
      effect: { kind: 'adds' },
      quantity: 'rinse',
      unit: '°C',
      limit: interval(85, null),
      from: 1000,
      until: null,
    })
    expect(unitOf(draft({ quantity: 'pressure' }))).toBe('kPa')
    expect(unitOf(draft({ quantity: 'pressure', unit: 'psi' }))).toBe('psi')
  })
  it('in the place of a section, takes its quantity and unit', () => {
    expect(
      ruleOf(draft({ replaces: '4-501.113', quantity: 'quat', lo: '50', hi: '150' }), 'id', at),
    ).toMatchObject({
      effect: { kind: 'replaces', section: '4-501.113' },
      quantity: 'pressure',
      unit: 'kPa',
    })
  })
})

describe('the sections that can be replaced', () => {
  const hot = (c: number) => ({ unit: '°C' as const, reading: interval(c, c) })
  it('are each struck by a rule that names them', () => {
    const judged = judgeDishMachine({
      kind: 'stationary-dual',
      wash: hot(70),
      rinse: hot(84),
      pressure: interval(90, 90),
      surface: hot(75),
      plate: null,
    })
    for (const section of ['4-501.110(A)(2)', '4-501.112', '4-501.113', '4-703.11(B)']) {
      expect(codeSections().map((s) => s.section)).toContain(section)
      const laid = withLocalRules(
        judged,
        [ruleOf(draft({ replaces: section, lo: '1', hi: '500' }), 'id', at)],
        instant(2000),
      )
      expect(
        laid.layers[0]?.limits.some((l) => l.struck),
        section,
      ).toBe(true)
    }
  })
})

const place = { station: 's', run: null, step: null, bath: null, case: null }
const rinse = (c: number): Read => {
  const hot = (v: number) => ({ unit: '°C' as const, reading: interval(v, v) })
  return {
    what: 'dish-machine',
    reading: {
      kind: 'stationary-dual',
      wash: hot(70),
      rinse: hot(c),
      pressure: interval(90, 90),
      surface: null,
      plate: null,
    },
  }
}

describe('what a rule would change', () => {
  const readings = [taken(rinse(86), place, []), taken(rinse(83), place, []), taken(rinse(70), place, [])]
  it('is told reading by reading, what was and what becomes', () => {
    expect(whatIf(readings, ruleOf(draft(), 'id', at))).toEqual([{ index: 1, was: 'in', becomes: 'out' }])
  })
  it('counts what was already laid over a reading', () => {
    const strict = ruleOf(draft(), 'a', at)
    const already = taken(rinse(83), place, [], [strict])
    expect(already.judgement.overall).toBe('out')
    expect(whatIf([already], ruleOf(draft({ lo: '84' }), 'b', at))).toEqual([])
  })
})

describe('what would have changed in the last thirty days', () => {
  afterEach(() => vi.unstubAllGlobals())
  it('is worked out over every page of the log', async () => {
    const t = tablet()
    const record = (seq: number) =>
      stored(
        {
          id: `r${seq}`,
          site: 's',
          type: 'reading.taken@1',
          subject: { kind: 'station', id: 's' },
          observedAt: seq,
          device: 'd',
          counter: seq,
          by: 'b',
          payload: taken(rinse(seq % 2 === 0 ? 83 : 90), place, []),
        } as never,
        seq,
      )
    const all = Array.from({ length: 250 }, (_, i) => record(250 - i))
    t.server.answer = (path) => {
      const before = Number(new URL(path, 'http://x').searchParams.get('before') ?? '9999')
      return { status: 200, body: { records: all.filter((r) => r.seq < before).slice(0, 200), cases: [] } }
    }
    const { of, changed } = await whatChanges('s', ruleOf(draft(), 'id', at), instant(9e12))
    expect([of, changed.length]).toEqual([250, 125])
    expect(changed[0]?.record.seq).toBe(250)
  })
})
