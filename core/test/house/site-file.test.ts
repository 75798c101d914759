import { describe, expect, it } from 'vitest'
import { siteFileFaults, type SiteFile } from '../../house/index.ts'

const station = (id: string, tag = '') => ({
  id,
  name: id,
  tag,
  place: 'Bar',
  family: 'ice-machine.cuber',
  model: '',
  parameters: {},
  duties: [],
})
const spare = (id: string) => ({ id, name: id, fits: [], count: 1 })
const gauge = { kind: 'pressure-gauge', name: 'G', unit: 'kPa', accuracy: 5, checkDue: 0 } as const
const pump = { kind: 'dispenser', name: 'D', by: 'stroke', millilitres: 30 as never } as const
const known = {
  stations: [
    { id: 'old', tag: '7', isRetired: false },
    { id: 'gone', tag: '8', isRetired: true },
  ],
  products: ['kept'],
}
const file = (more: Omit<SiteFile, 'format'>): SiteFile => ({ format: 'tadka-site@1', ...more })

describe('a site’s set-up from a file', () => {
  it('without fault has none: what it names is in it, or is there', () => {
    const whole = file({
      stations: [station('a', '1'), station('b', '8'), station('c'), station('d')],
      instruments: [
        { id: 'g', ...gauge, station: 'old' },
        { id: 'd', ...pump, product: 'kept' },
      ],
      people: [
        { name: 'Bo', role: 'crew' },
        { name: 'Bob', role: 'lead' },
      ],
      site: { preferred: { cloths: 'kept' } },
    })
    expect(siteFileFaults(whole, known)).toEqual([])
  })
  it('may give the tag of a station that it changes', () => {
    expect(siteFileFaults(file({ stations: [station('old', '9'), station('new', '7')] }), known)).toEqual([])
  })
  it.each<[string, Omit<SiteFile, 'format'>, object]>([
    [
      'an id twice',
      { spares: [spare('a'), spare('b'), spare('a')] },
      { path: ['spares', 2, 'id'], why: 'id-twice', what: 'a' },
    ],
    [
      'a tag that is there',
      { stations: [station('a', '7')] },
      { path: ['stations', 0, 'tag'], why: 'tag-taken', what: '7' },
    ],
    [
      'a tag twice',
      { stations: [station('a', '1'), station('b', '1')] },
      { path: ['stations', 1, 'tag'], why: 'tag-taken', what: '1' },
    ],
    [
      'a name twice, however it is written',
      {
        people: [
          { name: 'Bo', role: 'crew' },
          { name: ' BO ', role: 'crew' },
        ],
      },
      { path: ['people', 1, 'name'], why: 'name-twice', what: ' BO ' },
    ],
    [
      'a gauge on no station',
      { instruments: [{ id: 'g', ...gauge, station: 'x' }] },
      { path: ['instruments', 0, 'station'], why: 'no-such-station', what: 'x' },
    ],
    [
      'a dispenser of no product',
      { instruments: [{ id: 'd', ...pump, product: 'y' }] },
      { path: ['instruments', 0, 'product'], why: 'no-such-product', what: 'y' },
    ],
    [
      'machines kept up that are not there',
      { site: { keepUp: [{ stations: ['old', 'x'], mostDown: 1 }] } },
      { path: ['site', 'keepUp', 0, 'stations', 1], why: 'no-such-station', what: 'x' },
    ],
    [
      'a preferred product that is none',
      { site: { preferred: { cloths: 'y' } } },
      { path: ['site', 'preferred', 'cloths'], why: 'no-such-product', what: 'y' },
    ],
  ])('with %s is told where', (_, of, fault) => expect(siteFileFaults(file(of), known)).toEqual([fault]))
})
