import { describe, expect, it } from 'vitest'
import { guessLogger, winterTimeOf } from '../../logger/index.ts'

describe('what a file’s first lines tell', () => {
  it('finds the head behind a preamble, the delimiter, the decimal comma and the units', () => {
    const g = guessLogger(
      'Logger;4711\nStart;now\n\nNr;Datum/Zeit;Spülung Rinse [°C];Druck Pressure [bar]\n1;25.11.2026 22:10:00;83,1;1,4\n2;25.11.2026 22:10:01;83,2;1,4\n3;25.11.2026 22:10:02;83,2;1,4\n',
    )
    expect(g).toMatchObject({
      delimiter: ';',
      decimal: ',',
      skip: 4,
      time: { column: 1, clock: null, order: 'dmy' },
      zoned: false,
      columns: [
        { column: 0, measures: null },
        { column: 2, measures: 'rinse', unit: '°C' },
        { column: 3, measures: 'pressure', unit: 'bar' },
      ],
    })
    expect(g?.sample[0]).toEqual(['1', '25.11.2026 22:10:00', '83,1', '1,4'])
  })
  it('leaves what the file does not tell to the person: which of two orders, what it measures, in which unit', () => {
    const g = guessLogger('Time,Value\n03/04/2026 10:00,65.2\n03/05/2026 10:00,66.1\n')
    expect(g).toMatchObject({
      delimiter: ',',
      decimal: '.',
      time: { order: null },
      columns: [{ measures: null, unit: null }],
    })
  })
  it('tells the order by a day past the twelfth', () => {
    expect(guessLogger('t,v\n11/13/2026 10:00,1\n11/14/2026 10:00,1\n')?.time.order).toBe('mdy')
    expect(guessLogger('t,v\n13/11/2026 10:00,1\n14/11/2026 10:00,1\n')?.time.order).toBe('dmy')
  })
  it('finds a time of day in a column of its own, and times that name their zone', () => {
    expect(
      guessLogger('date\ttime\ttemp °F\n2026-11-13\t10:00:05\t160\n2026-11-13\t10:00:06\t161\n'),
    ).toMatchObject({
      delimiter: '\t',
      time: { column: 0, clock: 1, order: 'ymd' },
      zoned: false,
      columns: [{ column: 2, measures: null, unit: '°F' }],
    })
    expect(guessLogger('t,v\n2026-11-13T10:00:05Z,1\n2026-11-13T10:00:06Z,1\n')?.zoned).toBe(true)
    expect(guessLogger('t;v\n1793700000000;1\n1793700001000;1\n')?.time.order).toBe('epoch-ms')
    expect(guessLogger('t,v\n1793700000,1\n1793700001,1\n')).toMatchObject({
      zoned: true,
      time: { order: 'epoch-s' },
    })
  })
  it('knows a machine’s signals by their names', () => {
    const g = guessLogger(
      'time,tank C,rinse C,kPa,pump,valve,door\n2026-11-13T10:00:05Z,66.1,83.2,140,1,0,0\n2026-11-13T10:00:06Z,66.1,83.2,140,1,0,0\n',
    )
    expect(g?.columns.map((c) => c.measures)).toEqual(['tank', 'rinse', 'pressure', 'pump', 'valve', 'door'])
    expect(g?.columns.at(-1)?.unit).toBe('on/off')
  })
  it('gives nothing where no line begins with a time', () => {
    expect(guessLogger('a,b\nc,d\n')).toBeNull()
    expect(guessLogger('')).toBeNull()
  })
})

describe('the time that a logger keeps all winter and summer', () => {
  it.each([
    ['Europe/Dublin', '+00:00'],
    ['Europe/Berlin', '+01:00'],
    ['America/New_York', '-05:00'],
    // South of the equator winter is in July.
    ['Australia/Sydney', '+10:00'],
    ['Asia/Tokyo', null],
    ['UTC', null],
  ])('in %s is %s', (zone, offset) => expect(winterTimeOf(zone)).toBe(offset))
  it('of a zone that is none is refused', () =>
    expect(() => winterTimeOf('Nowhere/Town')).toThrow(RangeError))
})
