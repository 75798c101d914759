import { describe, expect, it } from 'vitest'
import { stationOfCode, tagAddress } from '../src/site/tag-code.ts'

const stations = [
  { id: 'galley-dish', tag: '32' },
  { id: '0193749a-0000-7000-8000-000000000000', tag: '' },
  { id: 'bar.1', tag: '1' },
]

describe('the code of a tag', () => {
  it.each(stations)('opens its own station: $id', ({ id }) =>
    expect(stationOfCode(tagAddress('https://tadka.local:4180', id), stations)).toBe(id),
  )
  it('opens it after the server has moved', () =>
    expect(stationOfCode('http://10.0.0.7/run/at/galley-dish', stations)).toBe('galley-dish'))
  it.each([
    ['a number that is typed', ' 32 ', 'galley-dish'],
    ['a number that is on no tag', '33', null],
    ['nothing, though a station has no tag', '', null],
    ['a station that is gone', 'https://x/run/at/gone', null],
    ['another page', 'https://x/run/at/galley-dish/more', null],
    ['the code of a bottle', '4006381333931', null],
  ])('%s: %j', (_, text, id) => expect(stationOfCode(text, stations)).toBe(id))
})
