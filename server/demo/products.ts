import type { MixSet, ProductSet, SpareSet, StationSet } from '@tadka/core/house'
import productData from './data/products.json' with { type: 'json' }
import mixData from './data/mixes.json' with { type: 'json' }
import spareData from './data/spares.json' with { type: 'json' }
import stationData from './data/stations.json' with { type: 'json' }

/** The demo's labels and data plates: data, checked like any other record when the demo is loaded. */
export const products = productData as unknown as Readonly<Record<string, ProductSet>>
export const mixes = mixData as unknown as Readonly<Record<string, MixSet>>
export const spares: Readonly<Record<string, SpareSet>> = spareData
export const stations = stationData as unknown as Readonly<Record<string, StationSet>>

/** The mix that a family of the demo's machines is filled with. */
export const mixOfFamily: Readonly<Record<string, string>> = {
  'soft-serve-gravity': 'skerry-vanilla',
  'soft-serve-pump': 'skerry-cocoa',
  'soft-serve-twin': 'skerry-vanilla',
  custard: 'skerry-custard',
  batch: 'skerry-custard',
  slush: 'kittiwake-slush',
}
