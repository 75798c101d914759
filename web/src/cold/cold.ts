import { coldDue, coldStands, type ColdDue, type ColdStands } from '@tadka/core/cold'
import { tradingDayAt } from '@tadka/core/calendar'
import { coldStore, type SiteKept, type SiteSet } from '@tadka/core/house'
import type { StationState } from '@tadka/core/procedure'
import { computed } from 'vue'
import { useSite } from '../site/site.ts'
import { nowByMinute } from '../wire/clock.ts'

export interface ColdRow {
  readonly station: StationState
  readonly name: string
  readonly due: ColdDue | null
  readonly stands: ColdStands
  /** The corrective action that a warm reading opened here, and is open still. */
  readonly openCase: string | null
}

const urgency = { late: 0, now: 1, ahead: 2 } as const

/** Where food is kept cold: how each stands, and when it is read next; what was read warm comes first, then what is to be read. */
export function useColdStores() {
  const site = useSite()
  const set = computed(() => (site.set && 'hours' in site.set ? (site.set as SiteSet & SiteKept) : null))
  const day = computed(() => (set.value ? tradingDayAt(set.value, nowByMinute(), 0) : null))
  const stores = computed(() =>
    site.all('station').filter((s) => s.plate?.family === coldStore && s.laidUp === null),
  )
  const rows = computed<ColdRow[]>(() => {
    const open = site.all('case').filter((c) => c.status === 'open' && c.what === 'cold-product')
    const rank = (r: ColdRow) => (r.openCase ? -1 : r.due ? urgency[r.due.is] : 3)
    return stores.value
      .map((station) => {
        const { cold, plate, id } = station
        return {
          station,
          name: plate?.name ?? id,
          due: coldDue(cold?.last ?? null, day.value, nowByMinute()),
          stands: coldStands(cold, nowByMinute(), set.value?.timeOnly?.hours ?? null),
          openCase: open.find((c) => c.station === id)?.id ?? null,
        }
      })
      .toSorted((a, b) => rank(a) - rank(b) || a.name.localeCompare(b.name))
  })
  const asking = computed(() => rows.value.filter((r) => r.due && r.due.is !== 'ahead'))
  return { rows, asking, set }
}
