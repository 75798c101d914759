import { dateAt, tradingDays } from '@tadka/core/calendar'
import { coldStore } from '@tadka/core/house'
import { openedUntil } from '@tadka/core/food'
import { instant } from '@tadka/core/quantity'
import { heatRead, namedOn, taken, type HeatEntry, type ReadingTaken } from '@tadka/core/reading'
import type { Diary } from './diary.ts'
import { instruments, site } from './house.ts'
import { stations } from './products.ts'
import { onShiftAt } from './roster.ts'

const [minute, hour] = [60_000, 3_600_000]
const everyMinutes = 205
const lastMinutes = 40

/** Fridges as they were read on days gone by: cold, but for one whose door stood open once. And what is open now. */
export function coldHistory(
  diary: Diary,
  first: string,
  days: number,
  now: number,
  random: () => number,
): void {
  const probe = instruments(now)['thermometer-1']
  if (probe?.kind !== 'thermometer') return
  const fridges = Object.keys(stations).filter((id) => stations[id]?.family === coldStore)
  const take = (at: number, by: string, station: string, celsius: number, of: string | null) => {
    const on = { product: { ...probe, id: 'thermometer-1' } }
    const entry: HeatEntry = {
      ...{ numbers: { product: Math.round(celsius * 10) / 10 }, on, turned: null, isStore: true },
      ...{ kind: 'stationary-dual', kept: 'room', units: { temperature: '°C', pressure: 'kPa' } },
      ...{ plate: null, practice: 'manifold', label: null },
    }
    const place = { station, run: null, step: null, bath: null, case: of }
    const read = heatRead('cold-product', entry, instant(at))
    const payload: ReadingTaken = taken(read, place, ['thermometer-1'], [], namedOn(on, ['product']))
    return diary.note(at, by, 'reading.taken@1', { kind: 'station', id: station }, payload)
  }
  tradingDays(site, first, days + 1).forEach((day, age) => {
    for (
      let at = day.opens + 8 * minute;
      at < day.closes - lastMinutes * minute;
      at += everyMinutes * minute
    ) {
      const by = readerAt((at - day.opens) / minute)
      fridges.forEach((station, n) => {
        const when = at + n * 2 * minute
        if (when + 2 * hour >= now) return
        // A door that stood open over the noon rush, some days ago.
        const isOpen = days - age === 4 && n === 0 && at > day.opens + 6 * hour && at < day.opens + 9 * hour
        const read = take(when, by, station, isOpen ? 8.2 : 2.6 + random() * 1.8, null)
        if (!isOpen) return
        const act = { case: read.id, station, run: null, bath: null, did: 'moved', amount: null } as const
        diary.note(
          when + 3 * minute,
          by,
          'case.action@1',
          { kind: 'case', id: read.id },
          { ...act, note: 'milk, 6 bottles' },
        )
        take(when + 34 * minute, by, station, 4.1, read.id)
      })
    }
  })
  opened(diary, now)
}

/** Who reads at so many minutes after opening: one of the early people, then one of the late ones. */
const readerAt = (minutes: number): string =>
  onShiftAt(330 + minutes, minutes < 450 ? ['pim', 'noor'] : ['wen', 'dara'])[0] ?? 'wen'

/** What stands open at the end: one of it on its last day. */
function opened(diary: Diary, now: number): void {
  const things = [
    ['whipping cream', 6],
    ['oat drink', 3],
    ['custard base, galley', 1],
  ] as const
  for (const [name, ago] of things) {
    const at = now - ago * 24 * hour - 9 * hour
    const date = dateAt(instant(at), site.timeZone)
    diary.note(
      at,
      'noor',
      'food.opened@1',
      { kind: 'food', id: `food-${ago}` },
      { name, ...openedUntil(date, [], null) },
    )
  }
}
