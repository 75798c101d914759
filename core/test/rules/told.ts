import type { Interval } from '../../quantity/index.ts'
import type { Judgement } from '../../rules/index.ts'

export const ends = (i: Interval | null) => (i === null ? 'none' : `${i.lo ?? ''}..${i.hi ?? ''}`)
/** A judgement as a person could check it against the code: layer, quantity, limit, reading, distance, verdict, source. */
export const told = (j: Judgement): string[] => [
  ...j.layers.flatMap((l) =>
    l.limits.map(
      (x) =>
        `${l.layer} (${l.name}) ${x.quantity} ${ends(x.limit)} ${x.unit}, read ${ends(x.reading)}, off ${x.distance ?? '?'}: ${x.verdict} by ${[x.source, x.note].filter(Boolean).join(', ')}`,
    ),
  ),
  ...j.missing.map((m) => `missing ${m.quantity}: ${m.best} to ${m.worst}`),
  `${j.overall} under ${j.profile.id} ${j.profile.version}`,
]
