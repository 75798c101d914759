import type { ProductSet, StationSet } from '@tadka/core/record'
import productData from './data/products.json' with { type: 'json' }
import stationData from './data/stations.json' with { type: 'json' }

/** The demo's labels and data plates: data, checked like any other record when the demo is loaded. */
export const products = productData as unknown as Readonly<Record<string, ProductSet>>
export const stations = stationData as unknown as Readonly<Record<string, StationSet>>
