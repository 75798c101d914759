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
