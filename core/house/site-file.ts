import type { MixSet } from './mix.ts'
import type { beginsAs } from './roster.ts'
import type { InstrumentSet } from './instrument.ts'
import type { ProductSet } from './product.ts'
import type { SiteSet } from './site.ts'
import type { SpareSet } from './spare.ts'
import type { StationSet } from './station.ts'

interface Named {
  readonly id: string
}

/** Somebody who is entered from a file: managers have passwords, and are entered by hand. */
export interface FilePerson {
  readonly name: string
  readonly role: 'crew' | 'lead'
  /** What they may clean: all machines alone, all with somebody by, or nothing yet; absent is nothing. */
  readonly cleans?: (typeof beginsAs)[number] | undefined
}

/** A site's set-up as a file: all of it, or any part. What is one site's own, its name, zone and country, is not in it. */
export interface SiteFile {
  readonly format: 'tadka-site@1'
  readonly site?: Partial<Omit<SiteSet, 'name' | 'timeZone' | 'country'>> | undefined
  readonly stations?: readonly (StationSet & Named)[] | undefined
  readonly products?: readonly (ProductSet & Named)[] | undefined
  readonly instruments?: readonly (InstrumentSet & Named)[] | undefined
  readonly spares?: readonly (SpareSet & Named)[] | undefined
  readonly mixes?: readonly (MixSet & Named)[] | undefined
  readonly people?: readonly FilePerson[] | undefined
  /** Procedures of the site's own. */
  readonly procedures?: readonly (Named & object)[] | undefined
}

/** What a site has already, as far as a file can clash with it. */
export interface FileKnown {
  readonly stations: readonly (Named & { readonly tag: string; readonly isRetired: boolean })[]
  readonly products: readonly string[]
}

/** What is wrong in a file, and where: the way to it, and what it is about. */
export interface SiteFileFault {
  readonly path: readonly (string | number)[]
  readonly why:
    | 'id-twice'
    | 'tag-taken'
    | 'name-twice'
    | 'no-such-station'
    | 'no-such-product'
    /** A procedure that is not sound, or not safe on every way. */
    | 'procedure'
  readonly what: string
}

/** Why a file of sound shape cannot be taken as a whole: names and numbers twice, and what points nowhere. */
export function siteFileFaults(file: SiteFile, known: FileKnown): SiteFileFault[] {
  const { stations = [], products = [], instruments = [], people = [] } = file
  const lists = ['stations', 'products', 'instruments', 'spares', 'mixes', 'procedures'] as const
  const ids = lists.flatMap((list) =>
    twice((file[list] ?? []).map((x) => x.id)).map(([i, what]): SiteFileFault => ({
      path: [list, i, 'id'],
      why: 'id-twice',
      what,
    })),
  )
  const names = twice(people.map((p) => p.name.trim().toLocaleLowerCase())).map(([i]): SiteFileFault => ({
    path: ['people', i, 'name'],
    why: 'name-twice',
    what: people[i]?.name ?? '',
  }))
  const stay = known.stations.filter((k) => !k.isRetired && stations.every((s) => s.id !== k.id))
  const tags = stations.flatMap(({ tag }, i): SiteFileFault[] => {
    const isTaken = stay.some((k) => k.tag === tag) || stations.findIndex((s) => s.tag === tag) !== i
    return tag !== '' && isTaken ? [{ path: ['stations', i, 'tag'], why: 'tag-taken', what: tag }] : []
  })
  const hasStation = (id: string) => [...stations, ...known.stations].some((s) => s.id === id)
  const hasProduct = (id: string) => products.some((p) => p.id === id) || known.products.includes(id)
  const strayed = instruments.flatMap((instrument, i): SiteFileFault[] => {
    const at = 'station' in instrument ? instrument.station : undefined
    const holds = instrument.kind === 'dispenser' ? instrument.product : undefined
    return [
      ...(at === undefined || hasStation(at)
        ? []
        : [{ path: ['instruments', i, 'station'], why: 'no-such-station' as const, what: at }]),
      ...(holds === undefined || hasProduct(holds)
        ? []
        : [{ path: ['instruments', i, 'product'], why: 'no-such-product' as const, what: holds }]),
    ]
  })
  const named = [
    ...(file.site?.keepUp ?? []).flatMap(({ stations: ids }, i) =>
      ids.map((id, n) => ({ id, path: ['site', 'keepUp', i, 'stations', n] })),
    ),
    ...(file.site?.lastOfAll ?? []).map((id, n) => ({ id, path: ['site', 'lastOfAll', n] })),
  ].flatMap(({ id, path }): SiteFileFault[] =>
    hasStation(id) ? [] : [{ path, why: 'no-such-station', what: id }],
  )
  const preferred = Object.entries(file.site?.preferred ?? {}).flatMap(([use, id]): SiteFileFault[] =>
    hasProduct(id) ? [] : [{ path: ['site', 'preferred', use], why: 'no-such-product', what: id }],
  )
  return [...ids, ...names, ...tags, ...strayed, ...named, ...preferred]
}

/** Of a list, what stands there a second time, and where. */
const twice = (of: readonly string[]): [number, string][] =>
  of.flatMap((value, i): [number, string][] => (of.indexOf(value) === i ? [] : [[i, value]]))
