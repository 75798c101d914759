import { flowNetwork } from './flow.ts'
import type { Network } from './network.ts'

/** A piece of work by hand as the bound sees it. Minutes. */
export interface Work {
  readonly minutes: number
  /** Not begun before; and what must follow it until the last hand's work. */
  readonly head: number
  readonly tail: number
  readonly people: readonly number[]
}

/** Work that is begun already: who is at it, and when. */
export interface Busy {
  readonly person: number
  readonly from: number
  readonly to: number
}

/**
 * Of work by hand, cut at will, what cannot all be done so that the last leaves by `end`, with so many minutes past people's hours: the
 * least cut of the flow. Empty where all of it can. Numbers of `works`.
 */
export function shortOf(
  network: Network,
  works: readonly Work[],
  busy: readonly Busy[],
  end: number,
  overtime: number,
): number[] {
  const never = works.flatMap((w, i) => (end - w.tail - w.head < w.minutes ? [i] : []))
  if (never.length > 0) return never.slice(0, 1)
  const { done, cut } = doneBy(network, works, busy, end, overtime)
  return done >= totalOf(works) ? [] : cut
}

const totalOf = (works: readonly Work[]): number => works.reduce((sum, w) => sum + w.minutes, 0)

/** Of work by hand what goes past people's hours in any plan that does all of it: the least cut. Numbers of `works`. */
export function pastHours(network: Network, works: readonly Work[], busy: readonly Busy[]): number[] {
  const { horizon } = network.problem
  const fits = works.flatMap((w, i) => (horizon - w.tail - w.head >= w.minutes ? [i] : []))
  const { done, cut } = doneBy(
    network,
    fits.map((i) => works[i] as Work),
    busy,
    horizon,
    0,
  )
  const all = fits.reduce((sum, i) => sum + (works[i] as Work).minutes, 0)
  return done >= all ? [] : cut.map((i) => fits[i] as number)
}

/** Minutes of work by hand, cut at will, that can be done by `end`, with so many minutes past people's hours. */
function doneBy(
  { problem }: Network,
  works: readonly Work[],
  busy: readonly Busy[],
  end: number,
  overtime: number,
): { done: number; cut: number[] } {
  const exact = works.map((w) => ({ ...w, from: w.head, to: end - w.tail }))
  // Large shifts on a coarser grid, windows widened to it: still a bound, and found in time.
  const grid = works.length > 120 ? 5 : 1
  const windows = exact.map((w) => ({
    ...w,
    from: Math.floor(w.from / grid) * grid,
    to: Math.min(end, Math.ceil(w.to / grid) * grid),
  }))
  const { people, counters } = problem
  const marks = [
    ...windows.flatMap((w) => [w.from, w.to]),
    ...people.flatMap((p) => [p.from, p.to, p.most]),
    ...busy.flatMap((b) => [b.from, b.to]),
    ...counters.flatMap((c) => c.need.flatMap((n) => [n.from, n.to])),
  ].filter((t) => t >= 0 && t <= end)
  const times = [...new Set([0, end, ...marks])].sort((a, b) => a - b)
  const spans = times.slice(1).map((to, i) => ({ from: times[i] ?? 0, to }))
  // Who may do the same, and who may do what, in kinds: the network stays small.
  const kinds = [...new Set(windows.map((w) => w.people.toSorted((a, b) => a - b).join()))]
  const lanes = spans.length
  const [source, sink] = [0, 1]
  const workAt = 2
  const kindAt = workAt + windows.length
  const personAt = kindAt + kinds.length * lanes
  const spanAt = personAt + people.length * lanes
  const pastHours = spanAt + 2 * lanes
  const flow = flowNetwork(pastHours + 1)
  flow.arc(pastHours, sink, Math.min(overtime, totalOf(works)))
  windows.forEach((w, i) => {
    flow.arc(source, workAt + i, w.minutes)
    const kind = kinds.indexOf(w.people.toSorted((a, b) => a - b).join())
    spans.forEach((s, n) => {
      if (s.from >= w.from && s.to <= w.to)
        flow.arc(workAt + i, kindAt + kind * lanes + n, Math.min(w.minutes, s.to - s.from))
    })
  })
  spans.forEach((s, n) => {
    const length = s.to - s.from
    const atWork = (i: number) => busy.some((b) => b.person === i && b.from <= s.from && s.to <= b.to)
    const inHours = people.filter((p, i) => p.from <= s.from && s.to <= p.to && !atWork(i))
    const need = counters
      .flatMap((c) => c.need)
      .reduce((sum, x) => sum + (x.from <= s.from && s.to <= x.to ? x.people : 0), 0)
    const servers = inHours.filter((p) => p.serves.length > 0).length
    const free = Math.max(0, servers - need) + inHours.length - servers
    flow.arc(spanAt + 2 * n, sink, free * length)
    flow.arc(spanAt + 2 * n + 1, pastHours, people.length * length)
    people.forEach((p, i) => {
      if (p.from > s.from || s.to > p.most || atWork(i)) return
      const node = personAt + i * lanes + n
      flow.arc(node, spanAt + 2 * n + (s.to <= p.to ? 0 : 1), length)
      kinds.forEach((kind, k) => {
        if (kind.split(',').includes(String(i)))
          flow.arc(kindAt + k * lanes + n, node, length * windows.length)
      })
    })
  })
  const done = flow.most(source, sink)
  return { done, cut: works.flatMap((_, i) => (flow.reached(workAt + i) ? [i] : [])) }
}
