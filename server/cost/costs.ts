import { boundsOfDay, monthAfter } from '@tadka/core/calendar'
import { costsOf, priceKey, type Prices, type Spent, type StationCost } from '@tadka/core/cost'
import { hoursDown } from '@tadka/core/fault'
import type { SiteSet } from '@tadka/core/house'
import type { StationState } from '@tadka/core/procedure'
import type { StockState } from '@tadka/core/stock'
import { groupedBy } from '@tadka/core/stream'
import type { Pool } from '../db/pool.ts'
import { lessonOf, workedMinutes, type RunLesson } from '../plan/learned.ts'
import { siteOf } from '../record/day.ts'
import { lessonsOf } from '../stream/lessons.ts'
import * as queries from '../stream/queries.ts'
import { spentBetween, type SpentRow } from './queries.ts'

/** All of them: a month that was cut short would cost too little. */
const mostRuns = 10_000_000

/** What a month's cleaning cost, station by station. @param month "2026-11". @param now ms UTC. Throws `not_found` where nobody has set the site up. */
export async function costsOfMonth(
  pool: Pool,
  where: string,
  month: string,
  now: number,
): Promise<readonly StationCost[]> {
  const site = await siteOf(pool, where)
  const { from, to } = monthBounds(site, month)
  const [stations, stock, lessons, rows] = await Promise.all([
    queries.statesOfKind(pool, where, 'station') as Promise<StationState[]>,
    queries.statesOfKind(pool, where, 'stock') as Promise<StockState[]>,
    lessonsOf(pool, where, 'run', { since: from, most: mostRuns }, lessonOf),
    spentBetween(pool, where, from, to),
  ])
  const runs = groupedBy(
    lessons.filter((l) => l.endedAt >= from && l.endedAt < to),
    (l) => l.station,
  )
  const spent = groupedBy(rows, (r) => r.station ?? '')
  const ofStation = stations.map((s) => {
    const lasting = s.outOfService ? [{ from: s.outOfService.since, to: null }] : []
    const down = hoursDown([...(s.downs ?? []), ...lasting], from, to, now)
    const tank = s.plate?.parameters['tank'] ?? 0
    return spentOn(s.id, runs.get(s.id) ?? [], spent.get(s.id) ?? [], tank, down)
  })
  const ofNone = spentOn(null, [], spent.get('') ?? [], 0, 0)
  const some = [...ofStation, ofNone].filter(
    (s) => s.cleanings + s.chemicals.length + s.parts.length + s.labour.length + s.water + s.hoursDown > 0,
  )
  return costsOf(some, pricesOf(site, stock))
}

/** A month as trading days have it, ms UTC. */
const monthBounds = (site: SiteSet, month: string) => ({
  from: boundsOfDay(site, `${month}-01`).from,
  to: boundsOfDay(site, `${monthAfter(month, 1)}-01`).from,
})

function spentOn(
  station: string | null,
  runs: readonly RunLesson[],
  rows: readonly SpentRow[],
  tank: number,
  down: number,
): Spent {
  const chemicals = groupedBy(
    rows.filter((r) => r.product !== null && r.unit !== null && (r.amount ?? 0) > 0),
    (r) => `${r.product} ${r.unit}`,
  )
  const repairs = rows.filter((r) => r.type === 'fault.mended@1' && r.warranty !== true)
  const water = rows.reduce(
    (sum, r) =>
      sum +
      (r.type === 'dish.water-changed@1'
        ? tank
        : r.volume === null
          ? 0
          : r.volume - (r.unit === 'mL' ? (r.amount ?? 0) : 0)),
    0,
  )
  const rinsed = runs.reduce((sum, r) => sum + r.rinsed, 0)
  return {
    ...{ station, cleanings: runs.length, hoursDown: down, water: (water + rinsed) / 1000 },
    minutes: runs.flatMap((r) => r.taken).reduce((sum, t) => sum + workedMinutes(t), 0),
    chemicals: [...chemicals.values()].flatMap((of) => {
      const [first] = of
      if (!first?.product || !first.unit) return []
      return [
        { product: first.product, unit: first.unit, amount: of.reduce((sum, r) => sum + (r.amount ?? 0), 0) },
      ]
    }),
    parts: [
      ...rows.flatMap((r) =>
        r.type === 'spare.drawn@1' && r.spare ? [{ spare: r.spare, count: r.amount ?? 0, price: null }] : [],
      ),
      // A spare of the site's own was drawn, too: it is counted there.
      ...repairs.flatMap((r) => r.parts ?? []).filter((p) => p.spare === null),
    ],
    labour: repairs.map((r) => r.labour),
  }
}

/** What one of each costs, by what a pack of it costs in stock. */
function pricesOf(site: SiteSet, stock: readonly StockState[]): Prices {
  const priced = stock.flatMap(({ item }) =>
    item && item.price !== null && item.of.kind !== 'thing'
      ? [{ ...item, of: item.of, each: item.price / item.pack }]
      : [],
  )
  const of = (kind: 'product' | 'spare') => priced.filter((i) => i.of.kind === kind)
  return {
    ...{ hour: site.prices?.hour ?? null, water: site.prices?.water ?? null },
    chemicals: Object.fromEntries(of('product').map((i) => [priceKey(i.of.id, i.unit), i.each])),
    spares: Object.fromEntries(of('spare').map((i) => [i.of.id, i.each])),
  }
}
