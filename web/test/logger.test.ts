import { describe, expect, it } from 'vitest'
import type { CycleLimits } from '@tadka/core/warewash'
import { checkFile } from '../src/logger/check.ts'
import { turns } from '../src/logger/drawing-chart.ts'
import { choose, draftFrom, headOf, mappingFrom, openFile, wholeLines } from '../src/logger/draft.ts'
import { zoneChoices } from '../src/logger/zones.ts'

const file = (text: string) => new Blob([text])
const opened = async (text: string) => {
  const found = await openFile(file(text), 'Europe/Dublin')
  if (!found) throw new Error('not a logger’s file')
  return found
}

describe('how a file is read', () => {
  it('is asked until nothing is untold: the order, what a column measured, its unit', async () => {
    const { draft } = await opened('Time;Value;Value\n03/04/2026 10:00;65,2;1\n03/05/2026 10:00;66,1;1\n')
    expect(mappingFrom(draft)).toBe('order')
    draft.time.order = 'dmy'
    expect(mappingFrom(draft)).toBe('columns')
    const [first, second] = draft.columns
    if (!first || !second) throw new Error('two columns')
    choose(first, 'ware')
    expect(mappingFrom(draft)).toBe('unit')
    first.unit = '°C'
    choose(second, 'ware')
    second.unit = '°C'
    expect(mappingFrom(draft)).toBe('twice')
    choose(second, null)
    expect(mappingFrom({ ...draft, accuracy: NaN })).toBe('accuracy')
    expect(mappingFrom(draft)).toMatchObject({
      decimal: ',',
      time: { order: 'dmy', zone: 'Europe/Dublin' },
      columns: [{ column: 1, measures: 'ware', unit: '°C' }],
    })
    // A pressure is not in °C; a switch needs no unit.
    choose(first, 'pressure')
    expect(first.unit).toBeNull()
    choose(first, 'pump')
    expect(first.unit).toBe('on/off')
  })
  it('finds the encoding, and takes whole lines only', () => {
    expect(headOf(new Uint8Array([0xff, 0xfe, 0x41, 0]))).toMatchObject({ encoding: 'utf-16le' })
    expect(headOf(new TextEncoder().encode('°C'))).toEqual({ text: '°C', encoding: 'utf-8' })
    expect(headOf(new Uint8Array([0xb0, 0x43]))).toEqual({ text: '°C', encoding: 'windows-1252' })
    expect(wholeLines('a\nb\nc')).toBe('a\nb\n')
  })
  it('offers the site’s own clock first, then its winter time all year', () => {
    expect(zoneChoices('Europe/Dublin').slice(0, 3)).toEqual([
      { kind: 'here', value: 'Europe/Dublin' },
      { kind: 'winter', value: '+00:00' },
      { kind: 'other', value: 'UTC' },
    ])
    expect(zoneChoices('Australia/Sydney')[1]?.value).toBe('+10:00')
    expect(zoneChoices('Asia/Tokyo')[1]?.kind).toBe('other')
  })
})

describe('a whole file, before it is sent', () => {
  // Ten racks, one in three minutes: 45 s of wash, 15 s of rinse.
  const row = (i: number) => {
    const into = i % 180
    const [pump, valve] = [into >= 20 && into < 65, into >= 68 && into < 83]
    return `${new Date(1_790_000_000_000 + i * 1000).toISOString()},68.${i % 3},8${i % 2 ? 4 : 5},14${i % 3},${pump ? 'on' : 'off'},${valve ? 'on' : 'off'}`
  }
  const rows = Array.from({ length: 1800 }, (_, i) => row(i))
  const text = `time,tank °C,rinse °C,pressure kPa,pump,valve\n${rows.join('\n')}\n`
  const limits: CycleLimits = {
    kind: 'stationary-dual',
    plate: { wash: null, rinse: null, pressure: null },
    accuracy: { temperature: 0.5, pressure: 5 },
    schools: {},
    local: [],
  }
  const asked = async (of = text) => {
    const mapping = mappingFrom((await opened(text)).draft)
    if (typeof mapping === 'string') throw new Error(mapping)
    return { file: file(of), mapping, limits, local: [] }
  }

  it('tells what it would bring, and how far it is', async () => {
    const shares: number[] = []
    const checked = await checkFile(
      await asked(),
      (_, share) => shares.push(share),
      () => true,
    )
    expect(checked?.summary).toMatchObject({ rows: 1800, step: 1000 })
    expect(checked?.cycles).toEqual({ in: 10, 'too-close': 0, out: 0, 'cannot-tell': 0 })
    expect(shares.at(-1)).toBe(1)
  })
  it('stops when it is called off', async () => {
    expect(
      await checkFile(
        await asked(),
        () => {},
        () => false,
      ),
    ).toBeNull()
  })
  it('is refused with its line', async () => {
    await expect(
      checkFile(
        await asked(`${text}broken\n`),
        () => {},
        () => true,
      ),
    ).rejects.toMatchObject({ code: 'logger_file', details: { line: 1802, why: 'few-cells' } })
  })
  it('is none where no line begins with a time', async () => {
    expect(await openFile(file('a;b\n1;2\n'), 'UTC')).toBeNull()
    expect(draftFrom((await opened('t;v\n2026-01-02 03:04;1\n')).guess, 'utf-8', 'UTC').time.order).toBe(
      'ymd',
    )
  })
})

describe('a drawing', () => {
  it('has its times at whole quarters, hours or days, at most nine', () => {
    const minute = 60_000
    expect(turns(7 * minute, 100 * minute).map((t) => t / minute)).toEqual([15, 30, 45, 60, 75, 90])
    expect(turns(0, 30 * 86_400_000).length).toBeLessThan(10)
  })
})
