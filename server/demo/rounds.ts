import { dateAfter, tradingDayAt, tradingDays } from '@tadka/core/calendar'
import { instant } from '@tadka/core/quantity'
import {
  pestPoints,
  roundWindow,
  type PointAsk,
  type RoundPoint,
  type RoundSet,
  type UsualPoint,
} from '@tadka/core/round'
import type { Diary } from './diary.ts'
import { site } from './house.ts'
import { onShiftAt } from './roster.ts'

const minute = 60_000
const everyDay = [1, 2, 3, 4, 5, 6, 7]
const point = (id: string, area: string, ask: PointAsk): RoundPoint => ({ id, area, ask })
const usual = (id: string, area: string, what: UsualPoint) => point(id, area, { kind: 'usual', what })

const rounds: Readonly<Record<string, RoundSet>> = {
  'evening-round': {
    ...{ name: 'Evening round', who: 'crew', days: everyDay, when: 'closing' },
    points: [
      usual('kiosk-window', 'Quayside kiosk', 'doors-windows'),
      usual('kiosk-bins', 'Quayside kiosk', 'bins'),
      usual('bar-dates', 'Espresso bar', 'dates'),
      usual('bar-bottles', 'Espresso bar', 'bottles'),
      usual('galley-floor', 'Galley', 'off-floor'),
      usual('galley-hood', 'Galley', 'hood'),
      usual('galley-apart', 'Galley', 'apart'),
      usual('dish-hands', 'Galley dish room', 'hand-sinks'),
      usual('lounge-rest', 'Passenger lounge', 'restrooms'),
      point('lounge-gate', 'Passenger lounge', { kind: 'own', say: 'The counter grille is down and locked' }),
    ],
  },
  'pest-walk': {
    ...{ name: 'Walk for pests', who: 'lead', days: [1], when: 'day' },
    points: pestPoints.map((what) =>
      usual(`pest-${what}`, what === 'break-room' ? 'Break room' : 'Galley', what),
    ),
  },
}

/** What an evening round found some days ago, and who was to put it right by when, days after. */
const found = [
  { ago: 6, point: 'kiosk-window', said: 'Light shows below the kiosk door', owner: 'tomas', due: 5 },
  { ago: 3, point: 'galley-hood', said: 'Second hood filter is bent, order one', owner: 'ines', due: 3 },
  { ago: 2, point: 'lounge-rest', said: 'The door does not close by itself', owner: null, due: 4 },
] as const

/** Rounds as they were walked on days gone by, with what they found: one of it is late, one is due today. */
export function roundHistory(
  diary: Diary,
  first: string,
  days: number,
  now: number,
  random: () => number,
): void {
  const begins = tradingDays(site, first, 1)[0]
  const today = tradingDayAt(site, instant(now), 120)?.date
  if (!begins || !today) return
  for (const [id, round] of Object.entries(rounds))
    diary.note(begins.opens - 250 * minute, 'oriel', 'round.set@1', { kind: 'round', id }, round)
  for (const day of tradingDays(site, first, days + 1))
    for (const [id, round] of Object.entries(rounds)) {
      const window = roundWindow(round, day)
      // Once somebody forgot.
      if (!window || dateAfter(day.date, 9) === today) continue
      const at =
        id === 'evening-round' ? day.closes - (35 - random() * 20) * minute : day.opens + 200 * minute
      if (at + 30 * minute > now) continue
      walked(diary, { id, round, date: day.date, at, today }, random)
    }
}

interface Walked {
  readonly id: string
  readonly round: RoundSet
  readonly date: string
  readonly at: number
  readonly today: string
}

function walked(diary: Diary, { id, round, date, at, today }: Walked, random: () => number): void {
  const to = { kind: 'round', id } as const
  const by = round.who === 'lead' ? 'ines' : (onShiftAt(23 * 60, ['bao', 'tomas'])[0] ?? 'bao')
  const walk = `${id}-${date}`
  diary.note(at, by, 'walk.begun@1', to, { walk })
  let when = at
  for (const { id: at, area, ask } of round.points) {
    when += (18 + random() * 50) * 1000
    const wrong = found.find((f) => f.point === at && dateAfter(date, f.ago) === today)
    const told = { fine: !wrong, said: wrong?.said ?? '', photo: null, reading: null }
    diary.note(Math.round(when), by, 'walk.looked@1', to, { walk, point: at, area, ask, ...told })
    if (!wrong) continue
    const task = { say: wrong.said, area, owner: wrong.owner, due: dateAfter(date, wrong.due) }
    const from = { kind: 'round', id } as const
    diary.note(Math.round(when) + 1, by, 'task.set@1', { kind: 'task', id: `task-${at}` }, { ...task, from })
  }
  diary.note(Math.round(when + 9000), by, 'walk.ended@1', to, { walk, left: null })
}
