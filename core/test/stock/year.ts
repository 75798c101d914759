import { randomFrom } from '../../quantity/index.ts'
import { orderOf, outlookOf, type StockItem, type StockState } from '../../stock/index.ts'

const dayMs = 86_400_000
/** Days before the year in which the site is new: it learns, and nothing is held against it. */
const learning = 42
const year = 365

/** A year of one thing in stock, as it was really used, and how it was ordered by what the log told. */
export interface Year {
  /** Weeks in which there was none, for the order date was too late. */
  readonly lateWeeks: number
  readonly weeks: number
  /** Mean of what was there at the end of each day, in days of the year's mean use. */
  readonly meanDays: number
  /** Days on which something there was past its best-before date. */
  readonly pastDays: number
  /** Of each week's beginning: how far the use over the lead time was off, as forecast and by the plain average of all days before. */
  readonly errors: readonly { readonly forecast: number; readonly plain: number }[]
}

interface Made {
  readonly leadDays: number
  readonly keepsDays: number | null
  readonly pack: number
  readonly noise: number
}

/** A site where it all depends on how many guests come: two fifths more in summer, Saturdays twice Mondays, three weeks of promotion. */
function guests(random: () => number) {
  const weekday = [0.8, 0.75, 0.85, 0.95, 1.15, 1.4, 1.1]
  const top = Math.floor(random() * year)
  const promotion = Math.floor(60 + random() * 250)
  return (day: number) =>
    (1 + 0.4 * Math.cos((2 * Math.PI * (day - top)) / year)) *
    (weekday[((day % 7) + 7) % 7] ?? 1) *
    (day >= promotion && day < promotion + 21 ? 1.6 : 1)
}

interface Lot {
  amount: number
  readonly until: number
}

/** One item over a year: counted by eye every two weeks, one spill a month that nobody writes down. @param level used on a day like any other. */
export function yearOf(seed: number, made: Made, level = 400): Year {
  const random = randomFrom(seed)
  const busy = guests(random)
  const item: StockItem = {
    ...{ name: 'Detergent', of: { kind: 'thing' }, unit: 'mL', pack: made.pack, leadDays: made.leadDays },
    ...{ supplier: '', price: null, keepsDays: made.keepsDays, perRun: [], place: '' },
  }
  let state: StockState = { id: 'i', item, counts: [], came: [], orders: [], lost: [] }
  const by = { by: 'bao' }
  const used: { at: number; amount: number }[] = []
  const real: number[] = []
  const lots: Lot[] = [{ amount: level * (made.leadDays + 12), until: learning + 200 }]
  const there = () => lots.reduce((a, l) => a + l.amount, 0)
  const coming: { on: number; amount: number }[] = []
  const [lateWeeks, pastDays, stocked] = [new Set<number>(), new Set<number>(), [] as number[]]
  const errors: { forecast: number; plain: number }[] = []
  const forecasts: { day: number; forecast: number; plain: number }[] = []
  const start = Date.UTC(2026, 0, 5)
  const spills = Array.from({ length: 15 }, (_, m) => m * 30 + Math.floor(random() * 30))
  for (let day = 0; day < learning + year; day++) {
    const today = start + day * dayMs
    const counts = day >= learning
    for (const delivery of coming.filter((c) => c.on === day)) {
      lots.push({ amount: delivery.amount, until: day + (made.keepsDays ?? 10_000) })
      const came = { amount: delivery.amount, lot: '', bestBefore: null, label: null, at: today + 1, ...by }
      state = { ...state, came: [...state.came, came].slice(-40) }
    }
    if (day % 14 === 0) {
      // By eye: off by a twentieth, more or less.
      const amount = there() * (1 + (random() + random() + random() - 1.5) * 0.1)
      state = { ...state, counts: [...state.counts, { amount, at: today + 2, ...by }].slice(-40) }
    }
    const now = today + 3
    const outlook = outlookOf(state, used, start, today, now)
    if (typeof outlook !== 'string') {
      const keeps = made.keepsDays
      const order = orderOf(item, outlook, keeps)
      if (order.inDays !== null && order.inDays <= 0 && order.packs > 0) {
        const amount = order.packs * made.pack
        coming.push({ on: day + made.leadDays, amount })
        state = { ...state, orders: [...state.orders, { amount, expected: '', at: now, ...by }].slice(-40) }
      }
      if (counts && day % 7 === 0 && day + made.leadDays < learning + year)
        forecasts.push({
          day,
          forecast: outlook.ahead[made.leadDays - 1] ?? 0,
          plain: (real.reduce((a, b) => a + b, 0) / real.length) * made.leadDays,
        })
    }
    const chance = 1 + (random() + random() + random() - 1.5) * 2 * made.noise
    const wanted = level * busy(day - learning) * Math.max(0.05, chance)
    real.push(wanted)
    used.push({ at: today + dayMs / 2, amount: wanted })
    const spilled = spills.includes(day) ? level * (1 + random() * 2) : 0
    const had = there()
    let left = wanted + spilled
    // What came first is used first.
    for (const lot of lots) {
      const taken = Math.min(lot.amount, left)
      lot.amount -= taken
      left -= taken
    }
    if (counts && had < wanted) lateWeeks.add(Math.floor(day / 7))
    if (lots.some((l) => l.amount > 1e-6 && day > l.until)) pastDays.add(day)
    if (counts) stocked.push(there())
  }
  for (const { day, forecast, plain } of forecasts) {
    const actual = real.slice(day, day + made.leadDays).reduce((a, b) => a + b, 0)
    errors.push({ forecast: Math.abs(forecast - actual), plain: Math.abs(plain - actual) })
  }
  const daily = real.slice(learning).reduce((a, b) => a + b, 0) / year
  return {
    ...{ lateWeeks: lateWeeks.size, weeks: Math.ceil(year / 7), pastDays: pastDays.size, errors },
    meanDays: stocked.reduce((a, b) => a + b, 0) / stocked.length / daily,
  }
}

/** The middle of some numbers. */
export const median = (of: readonly number[]): number => {
  const sorted = [...of].toSorted((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)] ?? 0
}
