import { dateAfter, dateAt } from '@tadka/core/calendar'
import type { FaultSeen } from '@tadka/core/fault'
import { instant } from '@tadka/core/quantity'
import type { Diary } from './diary.ts'
import { site } from './house.ts'

const minute = 60_000
const hour = 60 * minute
const dayMs = 24 * hour

const seen = (station: string, said: string, rest: Pick<FaultSeen, 'kind' | 'works'>): FaultSeen => ({
  ...{ ...rest, station, said, photo: null },
})

/** The slush machine drips and is worked with; the dish machine's curtain was torn and is mended; a sample is at the laboratory. */
export function repairHistory(diary: Diary, opens: number, now: number): void {
  const dateOf = (ms: number) => dateAt(instant(ms), site.timeZone)
  const curtain = { kind: 'fault', id: 'dish-curtain' } as const
  const torn = now - 11 * dayMs
  if (torn > opens) {
    diary.note(torn, 'tomas', 'fault.seen@1', curtain, {
      ...seen('galley-dish', 'left curtain torn, spray comes out', { kind: 'worn', works: 'care' }),
    })
    diary.note(torn + 2 * dayMs, 'oriel', 'fault.mended@1', curtain, {
      ...{ station: 'galley-dish', who: 'Oriel', did: 'new curtain put in' },
      parts: [{ name: 'Curtain, left', spare: null, count: 1, price: 38 }],
      ...{ labour: 0, warranty: false },
    })
  }
  const drip = { kind: 'fault', id: 'slush-drip' } as const
  const dripped = now - 2 * dayMs - 3 * hour
  if (dripped <= opens) return
  diary.note(dripped, 'pim', 'fault.seen@1', drip, {
    ...seen('kiosk-slush', 'drips from behind the left bowl, a cup an hour', { kind: 'leak', works: 'care' }),
  })
  const visit = 'slush-technician'
  diary.note(dripped + 40 * minute, 'ines', 'fault.called@1', drip, {
    ...{ station: 'kiosk-slush', company: 'Fathom Refrigeration', phone: '', visit },
    answer: 'Ms Gull: worn shaft seal, brings one',
  })
  diary.note(
    dripped + 41 * minute,
    'ines',
    'visit.set@1',
    { kind: 'visit', id: visit },
    {
      ...{ kind: 'technician', company: 'Fathom Refrigeration', day: dateAfter(dateOf(now), 2) },
      ...{ station: 'kiosk-slush', note: 'drips from behind the left bowl', fault: 'slush-drip' },
    },
  )
  diary.note(
    now - 3 * dayMs - 5 * hour,
    'ines',
    'sample.taken@1',
    { kind: 'sample', id: 'soft-serve-sample' },
    {
      ...{ kind: 'frozen-dessert', station: 'kiosk-soft-serve', where: 'left spout' },
      ...{ lab: 'Tideline Lab', number: 'TL-0417' },
    },
  )
}
