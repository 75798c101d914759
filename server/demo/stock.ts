import { dateAfter, dateAt, tradingDays } from '@tadka/core/calendar'
import { instant } from '@tadka/core/quantity'
import type { StockItem } from '@tadka/core/stock'
import type { AnyDraft } from '@tadka/core/stream'
import type { Diary } from './diary.ts'
import { site } from './house.ts'

const [hour, dayMs] = [3_600_000, 24 * 3_600_000]
const product = (id: string) => ({ kind: 'product', id }) as const
const bought = { supplier: 'Harbour Supplies', price: null, keepsDays: null, perRun: [], place: 'Dry store' }

/** What the demo keeps in stock, and for how many days it lies there at the end. */
const items: Readonly<Record<string, { readonly item: StockItem; readonly days: number }>> = {
  kelpwash: {
    item: {
      ...bought,
      name: 'Kelpwash',
      of: product('kelpwash'),
      unit: 'mL',
      pack: 10_000,
      leadDays: 4,
      price: 46,
    },
    days: 19,
  },
  skerrychlor: {
    item: {
      ...{
        ...bought,
        name: 'Skerrychlor',
        of: product('skerrychlor'),
        unit: 'mL',
        pack: 5000,
        leadDays: 4,
        price: 21,
      },
      keepsDays: 180,
    },
    days: 33,
  },
  brineguard: {
    item: {
      ...bought,
      name: 'Brineguard',
      of: product('brineguard'),
      unit: 'mL',
      pack: 2000,
      leadDays: 4,
      price: 34,
    },
    days: 8,
  },
  'chlorine-strips': {
    item: {
      ...{
        ...bought,
        name: 'Chlorine strips',
        of: { kind: 'instrument', id: 'strip-chlorine' },
        unit: 'pieces',
      },
      ...{
        pack: 100,
        leadDays: 3,
        keepsDays: 540,
        supplier: 'Tideline Lab',
        place: 'Galley, drawer by the sink',
      },
    },
    days: 24,
  },
  towels: {
    item: {
      ...{ ...bought, name: 'Blue towels', of: { kind: 'thing' }, unit: 'pieces', pack: 400, leadDays: 2 },
      perRun: [
        { procedure: 'surface.in-place', amount: 6 },
        { procedure: 'espresso.close', amount: 4 },
      ],
    },
    days: 14,
  },
}

/** Somewhat more goes than the log knows. */
const beside = 1.04

/** Counted every week and this morning, brought by the van once: as much as the diary says was used, and a little more. */
export function stockHistory(diary: Diary, first: string, days: number, now: number): void {
  const begins = tradingDays(site, first, 1)[0]
  if (!begins) return
  const [start, last] = [begins.opens + 2 * hour, now - 12 * hour]
  const van = start + Math.min(8, days - 2) * dayMs + 2 * hour
  for (const [id, { item, days: left }] of Object.entries(items)) {
    const used = usedIn(diary.drafts, item)
    const gone = (from: number, to: number) => beside * sum(used.filter((u) => u.at > from && u.at <= to))
    const perDay = gone(start, last) / Math.max(1, (last - start) / dayMs)
    const to = { kind: 'stock', id } as const
    diary.note(begins.opens - 240 * 60_000, 'oriel', 'stock.set@1', to, item)
    const came = van < last ? item.pack : 0
    const atEnd = left * perDay
    const there = (at: number) => atEnd + gone(at, last) - (at < van ? came : 0)
    for (let at = start; at < last; at += 7 * dayMs) counted(at)
    if (last > start) counted(last)
    if (came > 0) brought()
    function counted(at: number): void {
      // By eye: to two figures.
      const exact = Math.max(0, there(at))
      const step = item.unit === 'pieces' ? 1 : 10 ** Math.max(0, Math.floor(Math.log10(exact || 1)) - 1)
      diary.note(at, 'noor', 'stock.counted@1', to, { amount: Math.round(exact / step) * step, of: item.of })
    }
    function brought(): void {
      const date = dateAt(instant(van), site.timeZone)
      const bestBefore = item.keepsDays === null ? null : dateAfter(date, item.keepsDays)
      const label = item.of.kind === 'product' ? ('same' as const) : null
      const amount = item.pack
      diary.note(van - 3 * dayMs, 'oriel', 'stock.ordered@1', to, { amount, expected: date })
      const lot = `${id.slice(0, 2).toUpperCase()}-2611`
      diary.note(van, 'noor', 'stock.came@1', to, { amount, of: item.of, lot, bestBefore, label })
    }
  }
}

interface Use {
  readonly at: number
  readonly amount: number
}
const sum = (of: readonly Use[]) => of.reduce((a, b) => a + b.amount, 0)

/** What the diary says was used of something. */
function usedIn(drafts: readonly AnyDraft[], { of, perRun }: StockItem): Use[] {
  const procedures = new Map<string, string>()
  return drafts.flatMap((d): Use[] => {
    const at = d.observedAt
    if (d.type === 'run.started@2') procedures.set(d.payload.run, d.payload.procedure.id)
    if (d.type === 'run.finished@1') {
      const each = perRun.find((p) => p.procedure === procedures.get(d.payload.run))
      return each ? [{ at, amount: each.amount }] : []
    }
    if (of.kind === 'product' && d.type === 'bath.mixed@1' && d.payload.product === of.id)
      return [{ at, amount: d.payload.poured }]
    if (of.kind === 'product' && d.type === 'concentrate.drawn@1' && d.payload.product === of.id)
      return [{ at, amount: d.payload.millilitres }]
    const reads =
      of.kind === 'instrument' && d.type === 'reading.taken@1' && d.payload.instruments.includes(of.id)
    return reads ? [{ at, amount: 1 }] : []
  })
}
