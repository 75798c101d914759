import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { coldOutcome, type ColdFood } from '../../cold/index.ts'

const hour = 3_600_000
const at = 100 * hour
const food = (known: Partial<ColdFood>): ColdFood => ({
  ...{ read: null, readAt: at, now: at, warmSince: 'never', coldBack: null, writtenHours: null },
  ...known,
})
const c = (value: number) => ({ value, unit: '°C' }) as const
const f = (value: number) => ({ value, unit: '°F' }) as const

describe('cold food whose cold was gone (FDA Food Code 2022, 3-501.16(A)(2), 3-501.19, 3-701.11)', () => {
  it.each([
    ['read at 5 °C', { read: c(5) }, { is: 'keep' }],
    ['read at 41 °F', { read: f(41) }, { is: 'keep' }],
    ['read at 5.1 °C, whatever was said', { read: c(5.1) }, { is: 'discard', why: 'time-unknown' }],
    [
      'cold now, warm for nobody knows how long',
      { read: c(4), warmSince: null },
      { is: 'discard', why: 'time-unknown' },
    ],
    ['not read, nobody knows how long', {}, { is: 'discard', why: 'time-unknown' }],
    ['cold, read half an hour after the power', { read: c(4), coldBack: at - hour / 2 }, { is: 'keep' }],
    [
      'cold, but read an hour after the power',
      { read: c(4), coldBack: at - hour },
      { is: 'ask', why: 'read-late' },
    ],
    ['cold, while the power is gone', { read: c(4), coldBack: 'lasts' }, { is: 'read-again' }],
    [
      'cold, read before the power was back',
      { read: c(4), readAt: at - hour, coldBack: at - 1 },
      { is: 'read-again' },
    ],
    ['cold now, but it was warm', { read: c(4), warmSince: at - hour }, { is: 'ask', why: 'no-procedure' }],
    [
      'warm for 3 h, no written procedure',
      { read: c(9), warmSince: at - 3 * hour },
      { is: 'ask', why: 'no-procedure' },
    ],
    ['warm for 4 h', { read: c(9), warmSince: at - 4 * hour }, { is: 'discard', why: 'too-long' }],
    [
      'warm for 3 h, four by the procedure',
      { read: c(9), warmSince: at - 3 * hour, writtenHours: 4 },
      { is: 'use-by', by: at + hour },
    ],
    [
      'warm for 3 h as it was read, and two more since',
      { read: c(9), readAt: at - 2 * hour, warmSince: at - 5 * hour, writtenHours: 4 },
      { is: 'discard', why: 'too-long' },
    ],
    [
      'warm for 5 h, six by the procedure, 21 °C',
      { read: c(21), warmSince: at - 5 * hour, writtenHours: 6 },
      { is: 'use-by', by: at + hour },
    ],
    [
      'six by the procedure, 71 °F',
      { read: f(71), warmSince: at - hour, writtenHours: 6 },
      { is: 'discard', why: 'too-warm' },
    ],
    [
      'six by the procedure, never read: four hold',
      { warmSince: at - 5 * hour, writtenHours: 6 },
      { is: 'discard', why: 'too-long' },
    ],
  ] as const)('%s', (_, known, outcome) => {
    expect(coldOutcome(food(known))).toEqual(outcome)
  })

  const any = fc.record({
    read: fc.option(
      fc.record({ value: fc.double({ min: -20, max: 100, noNaN: true }), unit: fc.constantFrom('°C', '°F') }),
    ),
    readAt: fc.integer({ min: 0, max: at }),
    now: fc.constant(at),
    warmSince: fc.oneof(fc.integer({ min: 0, max: at }), fc.constantFrom(null, 'never')),
    coldBack: fc.oneof(fc.integer({ min: 0, max: at }), fc.constantFrom(null, 'lasts' as const)),
    writtenHours: fc.constantFrom(4, 6, null),
  }) as fc.Arbitrary<ColdFood>

  it('is never kept unless it was read cold, and by time alone only where that was written down', () => {
    fc.assert(
      fc.property(any, (known) => {
        const { is } = coldOutcome(known)
        if (is === 'keep')
          expect(known.read && known.read.value <= (known.read.unit === '°C' ? 5 : 41)).toBe(true)
        if (is === 'use-by') expect(known.writtenHours).not.toBeNull()
      }),
    )
  })
  it('gets no better by waiting', () => {
    const order = ['keep', 'read-again', 'use-by', 'ask', 'discard']
    fc.assert(
      fc.property(any, fc.integer({ min: 0, max: 12 * hour }), (known, later) => {
        const [now, then] = [coldOutcome(known), coldOutcome({ ...known, now: known.now + later })]
        expect(order.indexOf(then.is)).toBeGreaterThanOrEqual(order.indexOf(now.is))
      }),
    )
  })
})
