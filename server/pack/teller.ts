import type { InstrumentSet, ProductSet, SiteSet } from '@tadka/core/house'
import { latestProcedure, type OwnProcedure, type StationState } from '@tadka/core/procedure'
import { showMeasured, showVolume, type Shown } from '@tadka/core/quantity'
import { bench } from '@tadka/words/en/bench'
import { common } from '@tadka/words/en/common'
import { dish } from '@tadka/words/en/dish'
import { fault } from '@tadka/words/en/fault'
import { incident } from '@tadka/words/en/incident'
import { lab } from '@tadka/words/en/lab'
import { log } from '@tadka/words/en/log'
import { machines } from '@tadka/words/en/machines'
import { pack } from '@tadka/words/en/pack'
import { pest } from '@tadka/words/en/pest'
import { sheet } from '@tadka/words/en/sheet'
import { training } from '@tadka/words/en/training'
import { trouble } from '@tadka/words/en/trouble'
import { hasText, translateBy, type SiteTeller } from '@tadka/words/tell'
import { timesOf, type SiteTimes } from '@tadka/words/times'

/** What a site's names are told by. */
export interface Named {
  readonly site: SiteSet
  readonly stations: readonly StationState[]
  readonly products: readonly (Partial<ProductSet> & { readonly id: string })[]
  readonly instruments: readonly (Partial<InstrumentSet> & { readonly id: string })[]
  readonly procedures: readonly OwnProcedure[]
  readonly people: readonly { readonly id: string; readonly name: string }[]
}

export interface PackTeller extends SiteTeller, SiteTimes {
  readonly instrument: (id: string) => string
}

const words = {
  ...common,
  bench,
  dish,
  fault,
  incident,
  lab,
  log,
  machines,
  pack,
  pest,
  sheet,
  training,
  trouble,
}
const t = translateBy(words)
const asText = ({ value, unit }: Shown) => `${value} ${unit}`

/** Sentences of a site where there is no screen: its names, its units, its zone. */
export function packTeller({ site, stations, products, instruments, procedures, people }: Named): PackTeller {
  const nameIn = (all: readonly { readonly id: string; readonly name?: string | undefined }[]) => {
    const names = new Map(all.map((x) => [x.id, x.name]))
    return (id: string) => names.get(id) ?? id
  }
  const plates = new Map(stations.map((s) => [s.id, s.plate?.name]))
  const own = new Map(procedures.map((p) => [p.id, p.versions.at(-1)?.name]))
  return {
    ...timesOf(() => site),
    t,
    has: (key) => hasText(words, key),
    units: site.units,
    person: nameIn(people),
    product: nameIn(products),
    instrument: nameIn(instruments),
    station: (id) => plates.get(id) ?? id,
    procedure: (id) => own.get(id) ?? latestProcedure(id)?.name ?? id,
    measured: (mL) => asText(showMeasured(mL, site.units)),
    volume: (mL) => asText(showVolume(mL, site.units)),
  }
}

/** What a certificate is called: by its own name, or its kind's. */
export const paperName = (
  { t }: Pick<PackTeller, 't'>,
  held: { readonly name: string; readonly kind: string },
): string => held.name || t(`training.paper.${held.kind}`)
