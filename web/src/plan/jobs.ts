import type { Bar, PersonLane } from './lanes.ts'

/** A stretch of a job: somebody at work, or the time between. */
export interface Part {
  readonly kind: 'work' | 'wait'
  readonly from: number
  readonly to: number
  readonly title: string
}

/** One run of one person as it is drawn: from their first work at it to their last, with the waits between; or a break. */
export interface Job extends Bar {
  readonly parts: readonly Part[]
  /** When others work at the same run meanwhile. */
  readonly visits: readonly { readonly person: string; readonly at: number }[]
}

/** What a person's lane holds, a job each, by its begin. */
export function jobsOf(lane: PersonLane, lanes: readonly PersonLane[]): Job[] {
  const others = lanes.filter((l) => l.person !== lane.person).flatMap((l) => l.bars)
  const jobs = new Map<string, Bar[]>()
  for (const bar of lane.bars) {
    const key = bar.state === 'break' ? bar.key : `${bar.station} ${bar.of}`
    jobs.set(key, [...(jobs.get(key) ?? []), bar])
  }
  return [...jobs.values()].map((bars) => jobFrom(bars, lane, others)).toSorted((a, b) => a.from - b.from)
}

function jobFrom(bars: readonly Bar[], lane: PersonLane, others: readonly Bar[]): Job {
  const own = bars.toSorted((a, b) => a.from - b.from)
  const [first, last] = [own[0] as Bar, own.at(-1) as Bar]
  const [from, to] = [first.from, Math.max(...own.map((b) => b.to))]
  const ahead = own.find((b) => b.state !== 'done')
  const parts = own.flatMap((bar, i): Part[] => {
    const next = own[i + 1]
    const work: Part = { kind: 'work', from: bar.from, to: bar.to, title: bar.title }
    if (!next || next.from <= bar.to) return [work]
    const title = lane.ropes.find((r) => r.from >= bar.from && r.to <= next.to && r.key === bar.key)?.title
    return [work, { kind: 'wait', from: bar.to, to: next.from, title: title ?? '' }]
  })
  const visits = others
    .filter(
      (b) =>
        b.state !== 'break' && b.of === first.of && b.station === first.station && b.from < to && b.to > from,
    )
    .map((b) => ({ person: b.person, at: b.from }))
  return {
    ...(ahead ?? last),
    key: first.key,
    from,
    to,
    title: (ahead ?? last).title,
    // Begun and not ended is under way, whatever part of it is drawn next.
    state: ahead && own.some((b) => b.state === 'done') ? 'running' : (ahead ?? last).state,
    by: own.find((b) => b.by)?.by ?? null,
    pinned: own.some((b) => b.pinned),
    parts,
    visits,
  }
}

/** A job with the line of its row in which it stands, so that no name lies over another. */
export interface Laid {
  readonly job: Job
  readonly line: number
}

/**
 * Gives each job the first line of its row that is free where the job and its name stand.
 * @param reach from where to where a job and its name stand, in any unit.
 */
export function laidOut(jobs: readonly Job[], reach: (job: Job) => readonly [number, number]): Laid[] {
  const free: number[] = []
  return jobs.map((job) => {
    const [from, to] = reach(job)
    const found = free.findIndex((until) => until <= from)
    const line = found < 0 ? free.length : found
    free[line] = to
    return { job, line }
  })
}

/** Minutes of work, and of waits, in a job from an instant on. Milliseconds UTC. */
export function minutesOf(job: Job, from: number): { readonly work: number; readonly wait: number } {
  const sum = (kind: Part['kind']) =>
    job.parts.reduce((ms, p) => (p.kind === kind && p.to > from ? ms + p.to - Math.max(p.from, from) : ms), 0)
  return { work: Math.round(sum('work') / 60_000), wait: Math.round(sum('wait') / 60_000) }
}
