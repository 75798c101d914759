import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  asksDoctor,
  asksFree,
  diagnoses,
  isTold,
  mayWork,
  symptoms,
  type Illness,
  type MayWork,
} from '../../illness/index.ts'

const hour = 3_600_000
const now = 1000 * hour
const ill = (known: Partial<Illness>): Illness => ({
  ...{ symptoms: [], diagnosis: null, began: now - 10 * hour, freeSince: null },
  ...{ doctor: false, authority: false, covered: false },
  ...known,
})
const freeFor = (hours: number) => ({ freeSince: now - hours * hour })
const ended = { authority: true, doctor: true, covered: true }

describe('who may work (FDA Food Code 2022, 2-201.12 and 2-201.13, from memory)', () => {
  it.each([
    ['nothing told', {}, 'fit'],
    ['vomiting', { symptoms: ['vomiting'] }, 'excluded'],
    ['vomiting, free for 23 hours', { symptoms: ['vomiting'], ...freeFor(23) }, 'excluded'],
    ['vomiting, free for 24 hours', { symptoms: ['vomiting'], ...freeFor(24) }, 'fit'],
    ['diarrhoea that a doctor calls not catching', { symptoms: ['diarrhoea'], doctor: true }, 'fit'],
    ['sore throat with fever', { symptoms: ['sore-throat'] }, 'restricted'],
    [
      'sore throat with fever, free for a week, no doctor',
      { symptoms: ['sore-throat'], ...freeFor(168) },
      'restricted',
    ],
    ['sore throat, and the doctor’s paper', { symptoms: ['sore-throat'], doctor: true }, 'fit'],
    ['a wound that runs', { symptoms: ['wound'] }, 'restricted'],
    ['a wound under its cover', { symptoms: ['wound'], covered: true }, 'fit'],
    ['jaundice', { symptoms: ['jaundice'] }, 'excluded'],
    [
      'jaundice for eight days, without the authority',
      { symptoms: ['jaundice'], began: now - 192 * hour },
      'excluded',
    ],
    [
      'jaundice for eight days, with it',
      { symptoms: ['jaundice'], began: now - 192 * hour, authority: true },
      'fit',
    ],
    ['norovirus, ill', { diagnosis: 'norovirus', symptoms: ['vomiting'] }, 'excluded'],
    [
      'norovirus, free for a day',
      { diagnosis: 'norovirus', symptoms: ['vomiting'], ...freeFor(24) },
      'restricted',
    ],
    [
      'norovirus, free for two days, no word',
      { diagnosis: 'norovirus', symptoms: ['vomiting'], ...freeFor(48) },
      'restricted',
    ],
    [
      'norovirus, free for two days, approved',
      { diagnosis: 'norovirus', symptoms: ['vomiting'], ...freeFor(48), authority: true },
      'fit',
    ],
    [
      'Shigella, free for six days, approved',
      { diagnosis: 'shigella', ...freeFor(144), authority: true },
      'restricted',
    ],
    [
      'Shigella, free for seven days, approved',
      { diagnosis: 'shigella', ...freeFor(168), authority: true },
      'fit',
    ],
    [
      'Salmonella, free for 29 days, approved',
      { diagnosis: 'salmonella', ...freeFor(29 * 24), authority: true },
      'restricted',
    ],
    ['typhoid, free for a year', { diagnosis: 'typhi', ...freeFor(900), authority: true }, 'excluded'],
    ['typhoid, with both papers', { diagnosis: 'typhi', authority: true, doctor: true }, 'fit'],
    [
      'hepatitis A for ten days, approved',
      { diagnosis: 'hepatitis-a', began: now - 240 * hour, authority: true },
      'excluded',
    ],
    [
      'hepatitis A for fifteen, approved',
      { diagnosis: 'hepatitis-a', began: now - 360 * hour, authority: true },
      'fit',
    ],
  ] as const)('%s', (_, known, is) => {
    expect(mayWork(ill(known as Partial<Illness>), now).is).toBe(is)
  })

  it('says what is lacking, and from when it is there', () => {
    expect(mayWork(ill({ symptoms: ['vomiting'], ...freeFor(10) }), now).until).toEqual([
      [{ is: 'free', hours: 24, at: now + 14 * hour }],
      [{ is: 'doctor' }],
    ])
    expect(mayWork(ill({ diagnosis: 'typhi', doctor: true }), now).until).toEqual([[{ is: 'authority' }]])
  })
  it('the authority is told of jaundice and of what a doctor found', () => {
    expect(isTold(ill({ symptoms: ['jaundice'] }))).toBe(true)
    for (const diagnosis of diagnoses) expect(isTold(ill({ diagnosis }))).toBe(true)
    expect(isTold(ill({ symptoms: ['vomiting', 'wound', 'sore-throat'] }))).toBe(false)
  })

  const any = fc.record({
    symptoms: fc.subarray([...symptoms]),
    diagnosis: fc.option(fc.constantFrom(...diagnoses)),
    began: fc.integer({ min: 0, max: now }),
    freeSince: fc.option(fc.integer({ min: 0, max: now })),
    doctor: fc.boolean(),
    authority: fc.boolean(),
    covered: fc.boolean(),
  }) as fc.Arbitrary<Illness>
  it('never lets somebody back by one more symptom, nor keeps them for one more paper', () => {
    const rank = { fit: 0, restricted: 1, excluded: 2 }
    const of = (i: Illness) => rank[mayWork(i, now).is]
    fc.assert(
      fc.property(any, fc.constantFrom(...symptoms), (i, more) => {
        // Jaundice shortens the days of hepatitis A: it tells when it began.
        if (i.diagnosis !== 'hepatitis-a')
          expect(of({ ...i, symptoms: [...i.symptoms, more] })).toBeGreaterThanOrEqual(of(i))
        expect(of({ ...i, ...ended })).toBe(0)
        for (const paper of ['doctor', 'authority', 'covered'] as const)
          expect(of({ ...i, [paper]: true })).toBeLessThanOrEqual(of(i))
      }),
    )
  })
  it('brings them back by every way that it tells, once all of its parts are there', () => {
    const done = (i: Illness, way: MayWork['until'][number]) => {
      const papers = way.flatMap((l) => (l.is === 'doctor' || l.is === 'authority' ? [[l.is, true]] : []))
      const cover = way.some((l) => l.is === 'cover') ? { covered: true } : {}
      const hours = Math.max(0, ...way.map((l) => (l.is === 'free' ? l.hours : 0)))
      const days = Math.max(0, ...way.map((l) => (l.is === 'days' ? l.days : 0)))
      const at = Math.max(now, i.began + days * 24 * hour + 1)
      const free = hours > 0 ? { freeSince: at - hours * hour } : {}
      return mayWork({ ...i, ...Object.fromEntries(papers), ...cover, ...free }, at).is
    }
    fc.assert(
      fc.property(any, (i) => {
        for (const way of mayWork(i, now).until) expect([way, done(i, way)]).toEqual([way, 'fit'])
      }),
    )
  })
  it('asks for all that somebody has: vomiting and a wound', () => {
    const { is, until } = mayWork(ill({ symptoms: ['vomiting', 'wound'] }), now)
    expect(is).toBe('excluded')
    expect(until).toEqual([
      [{ is: 'free', hours: 24, at: null }, { is: 'cover' }],
      [{ is: 'doctor' }, { is: 'cover' }],
    ])
  })
  it('asks for no fact that changes nothing', () => {
    fc.assert(
      fc.property(any, (i) => {
        const of = (change: Partial<Illness>) => mayWork({ ...i, ...change }, now)
        if (!asksFree(i)) expect(of({ freeSince: null })).toEqual(of({ freeSince: 0 }))
        if (!asksDoctor(i)) expect(of({ doctor: true })).toEqual(of({ doctor: false }))
        if (!isTold(i)) expect(of({ authority: true })).toEqual(of({ authority: false }))
        if (!i.symptoms.includes('wound')) expect(of({ covered: true })).toEqual(of({ covered: false }))
      }),
    )
  })
  it('never calls somebody fit who has a diagnosis and no approval', () => {
    fc.assert(
      fc.property(any, (i) => {
        if (i.diagnosis && !i.authority) expect(mayWork(i, now).is).not.toBe('fit')
      }),
    )
  })
  it('leaves a way back open whenever it keeps somebody', () => {
    fc.assert(
      fc.property(any, (i) => {
        const { is, until } = mayWork(i, now)
        expect(until.length > 0).toBe(is !== 'fit')
        expect(until.every((way) => way.length > 0)).toBe(true)
      }),
    )
  })
})
