import { segmentMinutes, type PlanProblem } from './problem.ts'

/** Of what somebody worked more than others in the last seven days, so much is made up for tonight. */
const madeUp = 1 / 7

/**
 * By person: the minutes of work by hand that would be their share of this shift. Each run's minutes are shared out among those who are
 * signed off for it by their free hours; what the last seven days were uneven by is made up for bit by bit.
 */
export function sharesOf({ people, runs, counters }: PlanProblem): Float64Array {
  const shares = new Float64Array(people.length)
  const free = people.map((p) =>
    Math.max(1, p.to - Math.max(0, p.from) - p.breaks.reduce((sum, b) => sum + b.minutes, 0)),
  )
  // Whoever alone can serve a counter is held to it for its hours.
  for (const c of counters) {
    const servers = people.flatMap((p, i) => (p.serves.includes(c.id) ? [i] : []))
    const served = c.need.reduce((sum, n) => sum + (n.to - n.from) * n.people, 0)
    for (const i of servers) free[i] = Math.max(1, (free[i] as number) - served / servers.length)
  }
  for (const run of runs) {
    const minutes = run.segments.reduce(
      (sum, s) => sum + (s.kind === 'hands-on' ? segmentMinutes(s, null) : 0),
      0,
    )
    const may = people.flatMap((p, i) => (run.signedOff.includes(p.id) ? [i] : []))
    const hours = may.reduce((sum, i) => sum + (free[i] as number), 0)
    for (const i of may) shares[i] = (shares[i] as number) + (minutes * (free[i] as number)) / hours
  }
  const counted = people.flatMap((p) => p.earlier ?? [])
  const mean = counted.reduce((sum, m) => sum + m, 0) / Math.max(1, counted.length)
  people.forEach((p, i) => {
    if (p.earlier === undefined) return
    shares[i] = Math.max(0, (shares[i] as number) - (p.earlier - mean) * madeUp)
  })
  return shares
}
