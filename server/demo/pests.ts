import { dateAfter, dateAt } from '@tadka/core/calendar'
import type { PestSeen, TrapKind } from '@tadka/core/pest'
import { instant } from '@tadka/core/quantity'
import type { Diary } from './diary.ts'
import { site } from './house.ts'

const [hour, dayMs] = [3_600_000, 24 * 3_600_000]

const traps: readonly (readonly [number: string, kind: TrapKind, area: string, cell: number])[] = [
  ['1', 'glue-board', 'Quayside kiosk', 6],
  ['2', 'glue-board', 'Galley', 0],
  ['3', 'glue-board', 'Galley dish room', 3],
  ['4', 'light-trap', 'Galley', 5],
  ['5', 'bait-station', 'Quayside kiosk', 8],
]

const seen = (area: string, said: string, rest: Pick<PestSeen, 'pest' | 'sign'>): PestSeen => ({
  ...{ ...rest, area, said },
  photo: null,
})

/** Fruit flies at the dish room's drain, mice once at the kiosk; devices looked at by the contractor, who comes again soon. */
export function pestHistory(diary: Diary, opens: number, now: number): void {
  for (const [number, kind, area, cell] of traps)
    diary.note(
      opens,
      'oriel',
      'trap.set@1',
      { kind: 'trap', id: `trap-${number}` },
      {
        ...{ number, kind, area, cell },
        enclosed: kind === 'bait-station',
      },
    )
  const at = (daysAgo: number, hours: number) => now - daysAgo * dayMs - hours * hour
  const note = (daysAgo: number, id: string, what: PestSeen) => {
    if (at(daysAgo, 2) > opens) diary.note(at(daysAgo, 2), 'pim', 'pest.seen@1', { kind: 'pest', id }, what)
  }
  note(
    10,
    'kiosk-mouse',
    seen('Quayside kiosk', 'below the shelf, a few', { pest: 'rodent', sign: 'droppings' }),
  )
  note(4, 'dish-flies', seen('Galley dish room', 'a dozen at the floor drain', { pest: 'fly', sign: 'live' }))
  const came = at(9, 9)
  if (came <= opens) return
  const visit = { kind: 'pest', company: 'Harbour Pest Control', station: null, note: '' } as const
  const dateOf = (ms: number) => dateAt(instant(ms), site.timeZone)
  const last = { kind: 'visit', id: 'pest-visit-1' } as const
  diary.note(came - dayMs, 'oriel', 'visit.set@1', last, {
    ...visit,
    day: dateOf(came),
    note: 'mouse at the kiosk',
  })
  diary.note(came, 'oriel', 'visit.done@1', last, {
    ...{
      who: 'R. Tern',
      licence: 'PC-4417',
      found: 'droppings at the kiosk, gap below its door',
      report: null,
    },
    ...{
      did: 'Checked all devices, bait at the kiosk renewed',
      products: [{ name: 'Bait blocks', where: 'station 5' }],
    },
  })
  traps.forEach(([number], n) =>
    diary.note(
      came + (n + 1) * 60_000,
      'oriel',
      'trap.looked@1',
      { kind: 'trap', id: `trap-${number}` },
      {
        ...{ caught: number === '5' ? 1 : number === '4' ? 9 : 0, sound: true, said: '' },
      },
    ),
  )
  const mouse = { kind: 'pest', id: 'kiosk-mouse' } as const
  diary.note(came + 8 * 60_000, 'oriel', 'pest.caused@1', mouse, {
    cause: 'way-in',
    said: 'gap below the kiosk door',
  })
  diary.note(at(1, 3), 'ines', 'pest.settled@1', mouse, { said: 'strip on the door, nothing for a week' })
  diary.note(
    at(2, 3),
    'oriel',
    'visit.set@1',
    { kind: 'visit', id: 'pest-visit-2' },
    {
      ...{ ...visit, day: dateAfter(dateOf(now), 5) },
      note: 'monthly check of the devices',
    },
  )
}
