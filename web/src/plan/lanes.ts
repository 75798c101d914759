import type { Plan, PlanPerson, PlanProblem, PlanSet } from '@tadka/core/plan'
import { outline, procedureOfRun, type RunState, type StationState } from '@tadka/core/procedure'
import type { RosterSet } from '@tadka/core/house'

/** A stretch of work as it is drawn: planned, under way or done. Instants in milliseconds UTC. */
export interface Bar {
  readonly key: string
  readonly run: string
  /** The run in the log, once it has begun; until then as the plan names it. */
  readonly of: string
  readonly procedure: string
  readonly station: string
  /** Where the station stands: bars of one place look alike. */
  readonly place: string
  readonly person: string
  /** Who is by, where the person is still learning. */
  readonly by: string | null
  readonly from: number
  readonly to: number
  readonly title: string
  readonly state: 'planned' | 'running' | 'done' | 'break'
  readonly pinned: boolean
}

/** A wait that hangs between two bars of a lane. */
export interface Rope {
  readonly key: string
  readonly from: number
  readonly to: number
  readonly title: string
  readonly minutes: number
}

export interface PersonLane {
  readonly person: string
  readonly away: boolean
  /** When the plan lets them go. */
  readonly leaves: number | null
  readonly bars: readonly Bar[]
  readonly ropes: readonly Rope[]
  /** For whom this person is within call, and when: somebody who is still learning. */
  readonly calls: readonly Call[]
}

export interface Call {
  readonly learner: string
  readonly from: number
  readonly to: number
}

const minuteMs = 60_000
/** Work that follows on within so many minutes is drawn as one. */
const joinMinutes = 2

/** Whether somebody is there past the end of what is planned. */
export const worksOn = ({ to, most }: PlanPerson): boolean => to === most

/** The lanes of the evening, a person each in the roster's order: what was done, from the log; what is to come, from the plan. */
export function lanesOf(
  roster: RosterSet,
  inForce: PlanSet | null,
  shown: { readonly plan: Plan; readonly problem: PlanProblem } | null,
  runs: readonly RunState[],
  stations: readonly StationState[],
  worded: (title: string, station: string, procedure: string) => string = (title) => title,
): PersonLane[] {
  const start = shown?.problem.start ?? 0
  const at = (minute: number) => start + minute * minuteMs
  const segment = (run: string, id: string) =>
    shown?.problem.runs.find((r) => r.id === run)?.segments.find((s) => s.id === id)
  const procedureOf = (run: string) => shown?.problem.runs.find((r) => r.id === run)?.procedure ?? ''
  const stationOf = (run: string) => shown?.problem.runs.find((r) => r.id === run)?.station ?? ''
  /** The run in the log that a planned one is. */
  const begunAs = (run: string) => {
    const begun = shown?.problem.runs.find((r) => r.id === run && r.begunBy !== undefined)
    return begun && stations.find((s) => s.id === begun.station)?.currentRun?.run
  }
  const going = (id: string) => stations.some((s) => s.id === id && s.currentRun !== null)
  const place = (id: string) => stations.find((s) => s.id === id)?.plate?.place ?? ''
  const done = runs
    .flatMap((run) => doneBars(run, place(run.station)))
    .map((b) => ({ ...b, title: worded(b.title, b.station, b.procedure) }))
  return roster.shifts
    .map((s): PersonLane => {
      const own = (shown?.plan.placed ?? []).filter((p) => p.person === s.person)
      const planned = joined(
        own.map((p): Bar => ({
          key: `${p.run} ${p.segment}`,
          run: p.run,
          of: begunAs(p.run) ?? p.run,
          procedure: procedureOf(p.run),
          station: stationOf(p.run),
          place: place(stationOf(p.run)),
          person: s.person,
          by: p.by ?? null,
          from: at(p.start),
          to: at(p.end),
          title: worded(segment(p.run, p.segment)?.title ?? '', stationOf(p.run), procedureOf(p.run)),
          state: segment(p.run, p.segment)?.fixed && going(stationOf(p.run)) ? 'running' : 'planned',
          pinned: inForce?.pins.some((x) => x.run === p.run) ?? false,
        })),
      )
      const breaks = (shown?.plan.breaks ?? [])
        .filter((b) => b.person === s.person)
        .map((b): Bar => ({
          key: `break ${b.id}`,
          run: '',
          of: '',
          procedure: '',
          station: '',
          place: '',
          person: s.person,
          by: null,
          from: at(b.start),
          to: at(b.end),
          title: '',
          state: 'break',
          pinned: false,
        }))
      // Who is there past the end of what is planned goes on working: an opening lets nobody go.
      const person = shown?.problem.people.find((p) => p.id === s.person)
      const leaves = person && worksOn(person) ? undefined : shown?.plan.leaves[s.person]
      return {
        person: s.person,
        away: s.away ?? false,
        leaves: leaves === undefined ? null : at(leaves),
        bars: [...done.filter((b) => b.person === s.person), ...planned, ...breaks].toSorted(
          (a, b) => a.from - b.from,
        ),
        ropes: ropesOf(planned, shown, at),
        calls: callsOf(s.person, shown?.plan ?? null, at),
      }
    })
    .filter((lane) => lane.bars.length > 0 || lane.leaves !== null || lane.away || shown === null)
}

function joined<B extends Bar>(bars: readonly B[]): B[] {
  const out: B[] = []
  for (const bar of bars.toSorted((a, b) => a.from - b.from)) {
    const last = out.at(-1)
    if (
      last &&
      last.run === bar.run &&
      last.person === bar.person &&
      last.by === bar.by &&
      bar.from - last.to <= joinMinutes * minuteMs &&
      last.state === bar.state
    )
      out[out.length - 1] = { ...last, to: Math.max(last.to, bar.to) }
    else out.push(bar)
  }
  return out
}

/** When somebody is within call of a learner; what follows on is one. */
function callsOf(person: string, plan: Plan | null, at: (minute: number) => number): Call[] {
  const calls: Call[] = []
  const own = (plan?.placed ?? []).filter((p) => p.by === person)
  for (const p of own.toSorted((a, b) => a.start - b.start)) {
    const last = calls.at(-1)
    if (last && last.learner === p.person && at(p.start) - last.to <= joinMinutes * minuteMs)
      calls[calls.length - 1] = { ...last, to: at(p.end) }
    else calls.push({ learner: p.person ?? '', from: at(p.start), to: at(p.end) })
  }
  return calls
}

/** Waits of a run between two of its bars in the same lane. */
function ropesOf(
  bars: readonly Bar[],
  shown: { readonly plan: Plan; readonly problem: PlanProblem } | null,
  at: (minute: number) => number,
): Rope[] {
  return bars.flatMap((bar, i): Rope[] => {
    const next = bars.slice(i + 1).find((b) => b.run === bar.run)
    if (!next || !shown) return []
    const waits = shown.plan.placed.filter(
      (p) => p.run === bar.run && p.person === null && at(p.start) >= bar.to && at(p.end) <= next.from,
    )
    const [wait] = waits
    if (!wait) return []
    const segment = shown.problem.runs
      .find((r) => r.id === bar.run)
      ?.segments.find((s) => s.id === wait.segment)
    const minutes = waits.reduce((sum, w) => sum + w.end - w.start, 0)
    return [{ key: bar.key, from: bar.to, to: next.from, title: segment?.title ?? '', minutes }]
  })
}

/** What was really done in a run, who by and when: from each step's end back to the end of the one before it. */
function doneBars(run: RunState, place: string): Bar[] {
  const procedure = procedureOfRun(run)
  if (!procedure) return []
  const done = outline(procedure, run)
    .flatMap((p) => {
      const d = run.done[p.key]
      const waits = p.kind === 'step' && (p.step.kind === 'wait' || p.step.kind === 'tend')
      return d
        ? [{ at: d.at, by: d.by, waits, title: p.kind === 'step' ? p.step.title : '', key: p.key }]
        : []
    })
    .toSorted((a, b) => a.at - b.at)
  return joined(
    done.flatMap((d, i): Bar[] => {
      const from = done[i - 1]?.at ?? run.startedAt
      if (d.waits) return []
      const bar = {
        procedure: run.procedure.id,
        run: run.id,
        of: run.id,
        station: run.station,
        place,
        title: d.title,
        state: 'done',
        pinned: false,
        by: null,
      } as const
      return [
        { ...bar, key: `${run.id} ${d.key}`, person: d.by, from, to: Math.max(d.at, from + minuteMs / 2) },
      ]
    }),
  )
}
