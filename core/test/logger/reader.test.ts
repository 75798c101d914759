import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { loggerReader, type LoggerMapping, type LoggerSeries } from '../../logger/index.ts'
import { Refusal } from '../../refusal/index.ts'

const plain: LoggerMapping = {
  encoding: 'utf-8',
  delimiter: ';',
  decimal: ',',
  skip: 1,
  time: { column: 0, clock: null, order: 'dmy', zone: 'Europe/Berlin' },
  columns: [{ column: 1, measures: 'ware', unit: '°C' }],
  accuracy: 0.5,
}
const utc = { ...plain, time: { ...plain.time, order: 'ymd', zone: 'UTC' } } as const
const read = (text: string, mapping: LoggerMapping = plain): LoggerSeries => {
  const reader = loggerReader(mapping)
  reader.push(text)
  return reader.end()
}
const fault = (text: string, mapping: LoggerMapping = plain) => {
  try {
    read(text, mapping)
  } catch (error) {
    if (error instanceof Refusal) return error.details
    throw error
  }
  return null
}
const times = (s: LoggerSeries) => Array.from(s.at, (at) => new Date(at).toISOString())

describe('a logger’s file', () => {
  it('reads decimal commas, days first and the zone of the place', () => {
    const s = read('Zeit;Wert\n03.11.2026 22:10:00;65,25\n03.11.2026 22:10:05;71,5 °C\n')
    expect(times(s)).toEqual(['2026-11-03T21:10:00.000Z', '2026-11-03T21:10:05.000Z'])
    expect([...(s.columns[0]?.values ?? [])]).toEqual([65.25, 71.5])
  })
  it.each([
    ['°F', '160', 71.1111],
    ['K', '344.15', 71],
    ['bar', '1.4', 140],
    // NIST Handbook 44, appendix C: 1 psi is 6.894757 kPa.
    ['psi', '20', 137.895],
    ['µS/cm', '2200', 2.2],
    ['on/off', 'ON', 1],
    ['on/off', 'closed', 0],
  ] as const)('keeps %s %s as %d', (unit, cell, kept) => {
    const measures =
      unit === 'bar' || unit === 'psi'
        ? 'pressure'
        : unit === 'µS/cm'
          ? 'conductivity'
          : unit === 'on/off'
            ? 'valve'
            : 'rinse'
    const s = read(`t;v\n2026-11-03 10:00;${cell}`, {
      ...utc,
      decimal: '.',
      columns: [{ column: 1, measures, unit }],
    })
    expect(s.columns[0]?.values[0]).toBeCloseTo(kept, 3)
  })
  it.each([
    ['ymd', '2026/11/03T10:00:05.250Z', '2026-11-03T10:00:05.250Z'],
    ['ymd', '2026-11-03 10:00+0200', '2026-11-03T08:00:00.000Z'],
    ['mdy', '11/3/26 12:05 AM', '2026-11-03T00:05:00.000Z'],
    ['mdy', '11/03/2026, 12:05:01 p.m.', '2026-11-03T12:05:01.000Z'],
    ['dmy', '3-11-2026 9:05', '2026-11-03T09:05:00.000Z'],
    ['epoch-s', '1793700000', '2026-11-03T10:00:00.000Z'],
    ['epoch-ms', '1793700000500', '2026-11-03T10:00:00.500Z'],
  ] as const)('reads %s %s', (order, text, iso) => {
    expect(times(read(`t;v\n${text};1`, { ...utc, time: { ...utc.time, order } }))).toEqual([iso])
  })
  it.each([
    ['a date that is none', '31.11.2026 10:00;1', 2, 'time'],
    ['a date without a time of day', '03.11.2026;1', 2, 'time'],
    ['a word for a number', '03.11.2026 10:00;1\n03.11.2026 10:01;warm', 3, 'number'],
    ['the other decimal mark', '03.11.2026 10:00;65.2', 2, 'number'],
    ['another unit than was chosen', '03.11.2026 10:00;65,2 °F', 2, 'unit'],
    ['a temperature that no logger reads', '03.11.2026 10:00;650', 2, 'range'],
    ['too few cells', '03.11.2026 10:00;1\n03.11.2026 10:01', 3, 'few-cells'],
    ['two values at one instant', '03.11.2026 10:00;1\n03.11.2026 10:00;2', 3, 'two-values'],
    ['time that turns back', '03.11.2026 10:00;1\n03.11.2026 10:05;1\n03.11.2026 10:01;1', 4, 'time-turns'],
    ['quotes left open', '03.11.2026 10:00;"1\n03.11.2026 10:01;1', 2, 'quotes'],
    ['nothing but its head', '', null, 'no-rows'],
    // Clocks in Berlin go from 02:00 to 03:00 on 2026-03-29.
    ['an hour that the clocks skip', '29.03.2026 02:30;1', 2, 'no-such-time'],
  ])('is refused whole for %s, with its line', (_, rows, line, why) => {
    expect(fault(`Zeit;Wert\n${rows}`)).toMatchObject({ line, why })
  })
  it('is refused for a zone that is none', () => {
    expect(fault('x', { ...plain, time: { ...plain.time, zone: 'Europe/Nowhere' } })?.['why']).toBe('zone')
  })
  it('tells the hour that comes twice apart by the rows before', () => {
    // Clocks in Berlin go from 03:00 back to 02:00 on 2026-10-25: 02:30 is 00:30 and 01:30 UTC.
    const rows = ['01:30', '02:30', '02:45', '02:30', '02:45', '03:30'].map((t, i) => `25.10.2026 ${t};${i}`)
    const forward = read(`t;v\n${rows.join('\n')}`)
    const utcTimes = ['23:30', '00:30', '00:45', '01:30', '01:45', '02:30']
    expect(times(forward).map((t) => t.slice(11, 16))).toEqual(utcTimes)
    const backward = read(`t;v\n${rows.toReversed().join('\n')}`)
    expect(times(backward)).toEqual(times(forward))
    expect([...(backward.columns[0]?.values ?? [])]).toEqual([0, 1, 2, 3, 4, 5])
  })
  it('takes an offset that holds all year', () => {
    const fixed = { ...plain, time: { ...plain.time, zone: '+01:00' } }
    expect(times(read('t;v\n01.07.2026 10:00;1', fixed))).toEqual(['2026-07-01T09:00:00.000Z'])
  })
  it('counts doubled rows once and keeps what was not read as not read', () => {
    const s = read('t;v\n03.11.2026 10:00;1,5\n03.11.2026 10:00;1,5\n03.11.2026 10:01;---\n\n')
    expect(s.doubled).toBe(1)
    expect([...(s.columns[0]?.values ?? [])]).toEqual([1.5, Number.NaN])
  })

  it('reads the same however the file is cut into pieces, with either line end and with a mark before it', () => {
    const rows = Array.from({ length: 30 }, (_, i) => `2026-11-03 10:${10 + i}:00;"${i},5"`)
    fc.assert(
      fc.property(
        fc.array(fc.nat(700), { maxLength: 12 }),
        fc.constantFrom('\n', '\r\n'),
        fc.boolean(),
        (cuts, end, mark) => {
          const text = `${mark ? '\uFEFF' : ''}t;v${end}${rows.join(end)}${mark ? end : ''}`
          const reader = loggerReader(utc)
          const at = [0, ...cuts.toSorted((a, b) => a - b), text.length]
          at.slice(1).forEach((to, i) => reader.push(text.slice(at[i], to)))
          const s = reader.end()
          expect(s.at.length).toBe(30)
          expect(s.columns[0]?.values[29]).toBe(29.5)
        },
      ),
    )
  })
  it('names the line in a large file, whatever pieces it comes in', () => {
    fc.assert(
      fc.property(fc.nat(400), fc.integer({ min: 1, max: 97 }), (bad, piece) => {
        const rows = Array.from(
          { length: 401 },
          (_, i) =>
            `${new Date(1_790_000_000_000 + i * 1000).toISOString()};${i === bad ? 'x' : i % 7 ? '1' : '2'}`,
        )
        const text = `head\n${rows.join('\n')}\n`
        const reader = loggerReader(utc)
        expect(() => {
          for (let i = 0; i < text.length; i += piece) reader.push(text.slice(i, i + piece))
        }).toThrow(expect.objectContaining({ details: { line: bad + 2, why: 'number', cell: 'x' } }) as Error)
      }),
      { numRuns: 30 },
    )
  })
})

describe('a file whatever it holds', () => {
  it('is refused at once where a line has no end, not gathered up', () => {
    const reader = loggerReader(plain)
    reader.push('Zeit;Wert\n03.11.2026 22:10:00;65,25\n')
    const piece = 'x'.repeat(1000)
    for (let i = 0; i < 4; i++) reader.push(piece)
    expect(() => reader.push(piece)).toThrow(expect.objectContaining({ code: 'logger_file' }))
    const long = `03.11.2026 22:10:00;${'1'.repeat(5000)}`
    const rows = ['03.11.2026 22:10:00;65,25', '03.11.2026 22:10:05;65,25']
    expect(fault(`Zeit;Wert\n${rows.join('\n')}\n${long}\n`)).toMatchObject({ why: 'long-line', line: 4 })
    expect(fault(`${long}\n${rows.join('\n')}`)).toMatchObject({ why: 'long-line', line: 1 })
    expect(fault(`Zeit;Wert\n${rows[0]}\n${'\n'.repeat(9000)}${rows[1]}`)).toBeNull()
  })
  it('reads times that the zone’s clocks show as those times, over midnights, quarters and the nights when clocks change', () => {
    const shown = (at: number, zone: string) => new Date(at).toLocaleString('sv-SE', { timeZone: zone })
    const zones = ['UTC', 'Europe/Berlin', 'America/New_York', 'Asia/Kolkata', 'Australia/Lord_Howe']
    const nights = [
      '2026-03-29T00:30:00Z',
      '2026-10-25T00:30:00Z',
      '2026-11-01T05:30:00Z',
      '2026-12-31T23:00:00Z',
    ]
    fc.assert(
      fc.property(
        fc.constantFrom(...zones),
        fc.constantFrom(...nights),
        fc.array(fc.integer({ min: 1, max: 2000 }), { minLength: 1, maxLength: 40 }),
        (zone, night, steps) => {
          let at = Date.parse(night)
          const texts = [...new Set(steps.map((s) => shown((at += s * 1000), zone)))]
          const rows = texts.map((t) => `${t};1`).join('\n')
          const s = read(`t;v\n${rows}`, { ...utc, time: { ...utc.time, zone } })
          expect(Array.from(s.at, (one) => shown(one, zone))).toEqual(texts)
          expect([...s.at]).toEqual([...s.at].toSorted((a, b) => a - b))
        },
      ),
      { numRuns: 300 },
    )
  })
  it('reads every figure as it is written', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 120 }),
        fc.array(fc.integer({ min: 0, max: 9 }), { maxLength: 13 }),
        (whole, after) => {
          const text = after.length === 0 ? String(whole) : `${whole}.${after.join('')}`
          const s = read(`t;v\n2026-11-03 10:00:00;${text}`, { ...utc, decimal: '.' })
          expect(s.columns[0]?.values[0]).toBe(Math.fround(Number(text)))
        },
      ),
      { numRuns: 1000 },
    )
  })
})
