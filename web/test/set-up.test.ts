import { payloadSchemas } from '@tadka/contract/record'
import { foundBody } from '@tadka/contract/people'
import { families, productUses } from '@tadka/core/house'
import { describe, expect, it } from 'vitest'
import { countriesIn, countryOfLanguage, weekOf } from '../src/house/countries.ts'
import { emptyFounding, foundFaults, foundingOf, loginOf } from '../src/house/found-draft.ts'
import { keptLocalTime, readHours, readLocalTime, showLocalTime } from '../src/site/local-time.ts'
import { stationsPicked } from '../src/house/machine-pick.ts'
import { hasTwelveHours, localeOf } from '@tadka/words/times'
import { fetchWords, i18n } from '../src/words/index.ts'

await fetchWords()

describe('a time of day', () => {
  it.each([
    ['6', 360],
    ['06:30', 390],
    ['0630', 390],
    ['6.30', 390],
    ['6:30 am', 390],
    ['6:30pm', 1110],
    ['12 am', 0],
    ['12:30 p.m.', 750],
    ['24:30', 1470],
  ])('is read as people type it: %s', (typed, minutes) => expect(readLocalTime(typed)).toBe(minutes))
  it.each(['', 'noon', '6:75', '36:00', '13 pm', '0 am', '6:30:00', '-1'])('is none: %j', (typed) =>
    expect(readLocalTime(typed)).toBeNull(),
  )
  it('that closes at or before it opens closes after midnight; more than a day is none', () => {
    expect(readHours('6', '22:30')).toEqual({ open: '06:00', close: '22:30' })
    expect(readHours('17', '1:30')).toEqual({ open: '17:00', close: '25:30' })
    expect(readHours('6', '6')).toEqual({ open: '06:00', close: '30:00' })
    expect(readHours('6', '31:00')).toBeNull()
    expect(readHours('25:00', '26:00')).toBeNull()
    expect(readHours('6', '')).toBeNull()
  })
  it.each([
    ['10:30 pm', undefined, '22:30'],
    ['12:30 am', '17:00', '24:30'],
    ['2', '22:00', '26:00'],
    ['24:30', '17:00', '24:30'],
    ['11:00', '12:00', '11:00'],
    ['half past', '17:00', 'half past'],
    [' ', '17:00', ''],
  ])('%s after %s is kept as %s', (typed, after, kept) => expect(keptLocalTime(typed, after)).toBe(kept))
  it.each([
    ['06:30', '6:30 AM'],
    ['12:00', '12:00 PM'],
    ['24:30', '12:30 AM'],
    ['22:05', '10:05 PM'],
    ['', ''],
  ])('%s is %s by a clock of twelve hours, and reads back as the same hour', (time, shown) => {
    expect(showLocalTime(time, true)).toBe(shown)
    expect(showLocalTime(time, false)).toBe(time)
    if (time !== '') expect(keptLocalTime(shown, time > '24' ? '17:00' : undefined)).toBe(time)
  })
  it.each([
    ['US', true],
    ['AU', true],
    ['GB', false],
    ['DE', false],
    [undefined, false],
  ])('clocks in %s have twelve hours: %s', (country, twelve) => expect(hasTwelveHours(country)).toBe(twelve))
})

describe('the first start', () => {
  const whole = {
    ...emptyFounding('IE', 'Europe/Dublin', 'Office'),
    code: '12345678',
    site: 'Harbour Café',
    open: '6',
    close: '0:30',
    closedOn: [1],
    name: 'Ada',
    password: 'kettle and rope',
    pin: '5274',
  }
  it('whole, is what the server takes', () => {
    expect([...foundFaults(whole)]).toEqual([])
    const sent = foundingOf(whole, 'tab-1')
    expect(foundBody.parse(sent)).toMatchObject({
      site: { units: 'metric', emergencyNumber: '112', country: 'IE' },
      manager: { login: 'ada' },
    })
    expect(Object.keys(sent.site.hours)).toEqual(['2', '3', '4', '5', '6', '7'])
  })
  it.each([
    [{ code: '1234' }, 'code'],
    [{ site: ' ' }, 'site'],
    [{ country: null }, 'country'],
    [{ timeZone: 'Mars/Base' }, 'timeZone'],
    [{ close: 'late' }, 'hours'],
    [{ closedOn: [1, 2, 3, 4, 5, 6, 7] }, 'week'],
    [{ name: '' }, 'name'],
    [{ login: 'a b' }, 'login'],
    [{ password: 'short' }, 'password'],
    [{ pin: '0000' }, 'pin'],
    [{ pin: '4321' }, 'pin'],
    [{ pin: '12' }, 'pin'],
    [{ tablet: ' ' }, 'tablet'],
  ] as const)('with %j is told where', (change, field) =>
    expect([...foundFaults({ ...whole, ...change } as typeof whole)]).toContain(field),
  )
  it('takes the name for the login until another is typed', () => {
    expect(loginOf({ name: 'José María', login: '' })).toBe('jose-maria')
    expect(loginOf({ name: 'José', login: 'boss' })).toBe('boss')
  })
})

describe('countries', () => {
  const all = countriesIn('en')
  it('are those of today, by name', () => {
    expect(all.length).toBeGreaterThan(230)
    const codes = all.map((c) => c.value)
    expect(codes).toEqual(expect.arrayContaining(['IE', 'US', 'JP', 'BR', 'ZA']))
    expect(codes.some((c) => ['SU', 'DD', 'ZZ', 'EU', 'XA'].includes(c))).toBe(false)
    expect(new Set(all.map((c) => c.label)).size).toBe(all.length)
  })
  it('are told by a language, and have their own first day of the week', () => {
    expect([countryOfLanguage('en-IE'), countryOfLanguage('de'), countryOfLanguage('x')]).toEqual([
      'IE',
      null,
      null,
    ])
    expect(weekOf('US')[0]).toBe(7)
    expect(weekOf('IE')).toEqual([1, 2, 3, 4, 5, 6, 7])
    expect(weekOf(null)).toHaveLength(7)
  })
})

describe('dates', () => {
  it('have the month first in the United States alone', () => {
    const day = (country?: string) =>
      new Intl.DateTimeFormat(localeOf(country), { day: 'numeric', month: 'short' }).format(
        Date.UTC(2026, 10, 26, 12),
      )
    expect([day('US'), day('IE'), day()]).toEqual(['Nov 26', '26 Nov', '26 Nov'])
  })
})

describe('machines that were picked', () => {
  const words = { short: (f: string) => (f.startsWith('soft-serve') ? 'Soft-serve' : f), model: 'typical' }
  const known = [{ id: 'grinder', name: 'grinder', tag: '7' }]
  const made = stationsPicked(
    [
      { family: 'soft-serve-gravity', count: 2 },
      { family: 'soft-serve-pump', count: 1 },
      { family: 'grinder', count: 1 },
      { family: 'urn', count: 1 },
    ],
    ' Front ',
    'us',
    known,
    words,
  )
  it('have each a name, an id and a tag of its own', () => {
    expect(made.map((m) => [m.id, m.set.name, m.set.tag])).toEqual([
      ['soft-serve-1', 'Soft-serve 1', '8'],
      ['soft-serve-2', 'Soft-serve 2', '9'],
      ['soft-serve-3', 'Soft-serve 3', '10'],
      ['grinder-2', 'grinder 2', '11'],
      ['urn', 'urn', '12'],
    ])
    expect(made.every((m) => m.set.place === 'Front')).toBe(true)
  })
  it('are stations that can be entered, marked until somebody compares them with their plates', () => {
    for (const { set } of made) expect(payloadSchemas['station.set@1'].safeParse(set).success).toBe(true)
    expect(made.map((m) => m.set.typical)).toEqual([true, true, true, undefined, true])
  })
})

describe('the words of the set-up', () => {
  const { te } = i18n.global
  it('name every family and every use', () => {
    for (const { id, group } of families) {
      expect(te(`machines.one.${id.replaceAll('.', '_')}`), id).toBe(true)
      expect(te(`machines.group.${group}`), group).toBe(true)
    }
    for (const { id } of productUses) expect(te(`uses.${id}`), id).toBe(true)
  })
})
