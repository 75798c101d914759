import { belongs, isStep, type Node, type Procedure, type Step } from './language.ts'
import type { SharedPlace } from '../house/site.ts'
import { lanesOf, numberOf, pieces } from './outline.ts'

/** A piece of a run as planning sees it: a person's hands, or a wait that needs nobody. Minutes are whole. */
export interface Segment {
  readonly id: string
  readonly kind: 'hands-on' | 'wait'
  readonly title: string
  /** Of work, or the least of a wait. */
  readonly minutes: number
  /** Of work, by person, where somebody's own runs tell other minutes. */
  readonly minutesBy: Readonly<Record<string, number>>
  /** The most of a wait, minutes; null where it may last. */
  readonly most: number | null
  /** Nobody need stand by: another may be worked meanwhile. */
  readonly free: boolean
  readonly places: readonly SharedPlace[]
  /** The keys of the steps it holds, so that a run's progress is seen in the plan. */
  readonly steps: readonly string[]
}

/** `to` begins at least `least` and at most `most` minutes after `from` ends. */
export interface Link {
  readonly from: string
  readonly to: string
  readonly least: number
  readonly most: number | null
}

export interface SegmentGraph {
  readonly procedure: string
  readonly version: number
  readonly segments: readonly Segment[]
  readonly links: readonly Link[]
}

/** Minutes of hands-on work by kind of step. Common practice, no source; a site's own runs replace them. */
const usual: Record<Step['kind'], number> = {
  do: 2,
  gate: 1,
  mix: 3,
  wait: 0,
  tend: 1,
  check: 2,
  parts: 0,
  inspect: 1,
  lubricate: 3,
  fasten: 2,
  product: 3,
}
const minutesPerPiece = 0.3
/** Longer pieces of work are cut: people are called away in between. */
const longest = 15

interface Building {
  readonly segments: Segment[]
  readonly links: Link[]
}

export interface Model {
  readonly parameters: Readonly<Record<string, number>>
  readonly options: Readonly<Record<string, string>>
  /** Minutes that the site takes for a step by its id, where it has runs enough to tell. */
  readonly learned?: Readonly<Record<string, number>>
  /** By person, minutes for a step by its id, where their own runs are enough to tell. */
  readonly learnedBy?: Readonly<Record<string, Readonly<Record<string, number>>>>
}

/**
 * Compiles a procedure to the graph that planning uses: neighbouring steps of a person joined, waits apart, tended waits as
 * chains of short visits, lanes side by side, repeated groups by their expected rounds.
 * Throws `parameter_missing`.
 */
export function segmentsOf(procedure: Procedure, model: Model): SegmentGraph {
  const built: Building = { segments: [], links: [] }
  const { parameters, options, learnedBy = {} } = model
  let open: string[] = []

  const begin = (segment: Segment, most: number | null = null): void => {
    built.segments.push(segment)
    for (const from of open) built.links.push({ from, to: segment.id, least: 0, most })
    open = [segment.id]
  }

  function hands(step: Step, key: string, lane: string): void {
    const minutes = model.learned?.[step.id] ?? handsOn(step, parameters)
    const by = Object.entries(learnedBy).flatMap(([person, own]): [string, number][] => {
      const took = own[step.id]
      return took === undefined || took === minutes ? [] : [[person, took]]
    })
    const last = built.segments.at(-1)
    const places = step.at ? [step.at] : []
    const joins =
      last?.kind === 'hands-on' &&
      open.length === 1 &&
      open[0] === last.id &&
      last.id.startsWith(lane) &&
      same(last.places, places)
    if (joins) {
      const joined = {
        ...last,
        minutes: last.minutes + minutes,
        minutesBy: sumBy(last, { minutes, minutesBy: Object.fromEntries(by) }),
        steps: [...last.steps, key],
      }
      if (slowest(joined) <= longest) {
        built.segments[built.segments.length - 1] = joined
        return
      }
    }
    const slow = slowest({ minutes, minutesBy: Object.fromEntries(by) })
    // Cut so that the slowest keeps to it; whoever is quicker has the same share of each part.
    for (let part = 0; part * longest < slow || part === 0; part++) {
      const share = (of: number) => {
        const upTo = (parts: number) => Math.round((of * Math.min(slow, parts * longest)) / slow)
        return Math.max(1, upTo(part + 1) - upTo(part))
      }
      begin({
        id: part === 0 ? key : `${key}+${part}`,
        kind: 'hands-on',
        title: step.title,
        minutes: share(minutes),
        minutesBy: Object.fromEntries(by.map(([person, took]) => [person, share(took)])),
        most: null,
        free: false,
        places,
        steps: part === 0 ? [key] : [],
      })
    }
  }

  function pause(step: Step & { kind: 'wait' }, key: string): void {
    const minutes = Math.round(numberOf(step.length, parameters))
    const most = step.most === undefined ? null : Math.round(numberOf(step.most, parameters))
    begin({
      id: key,
      kind: 'wait',
      title: step.title,
      minutes,
      minutesBy: {},
      most,
      free: !step.attended,
      places: step.at ? [step.at] : [],
      steps: [key],
    })
  }

  function tended(step: Step & { kind: 'tend' }, key: string): void {
    const [length, every] = [numberOf(step.length, parameters), Math.max(1, numberOf(step.every, parameters))]
    const visits = Math.max(1, Math.floor(length / every))
    for (let i = 1; i <= visits; i++) {
      // The minute of the visit counts in: one at its earliest every time comes round with the period.
      const most = Math.max(1, Math.round(every))
      begin({
        id: `${key}~${i}`,
        kind: 'wait',
        title: step.title,
        minutes: Math.max(1, most - 1),
        minutesBy: {},
        most,
        free: true,
        places: [],
        steps: i === 1 ? [key] : [],
      })
      begin(
        {
          id: `${key}!${i}`,
          kind: 'hands-on',
          title: step.duty,
          minutes: 1,
          minutesBy: {},
          most: null,
          free: false,
          places: [],
          steps: [],
        },
        1,
      )
    }
  }

  function node(n: Node, prefix: string): void {
    if (!belongs(procedure, n, options)) return
    if (isStep(n)) {
      const key = prefix + n.id
      if (n.kind === 'wait') return pause(n, key)
      if (n.kind === 'tend') return tended(n, key)
      return hands(n, key, prefix)
    }
    // Branches are the exception, not the plan.
    if (n.kind === 'branch') return
    if (n.kind === 'until') {
      for (let round = 1; round <= (n.expected ?? 2); round++)
        for (const inner of n.steps) node(inner, `${prefix}${n.id}.${round}.`)
      return
    }
    const before = open
    const ends = lanesOf(n, parameters).map((lane) => {
      open = before
      for (const inner of lane.steps) node(inner, `${prefix}${n.id}.${lane.id}.`)
      return open
    })
    open = [...new Set(ends.flat())]
  }

  for (const n of procedure.nodes) node(n, '')
  return { procedure: procedure.id, version: procedure.version, ...built }
}

type Lasting = Pick<Segment, 'minutes' | 'minutesBy'>
const slowest = ({ minutes, minutesBy }: Lasting): number => Math.max(minutes, ...Object.values(minutesBy))
const sumBy = (a: Lasting, b: Lasting): Record<string, number> =>
  Object.fromEntries(
    [...new Set([...Object.keys(a.minutesBy), ...Object.keys(b.minutesBy)])].map((id) => [
      id,
      (a.minutesBy[id] ?? a.minutes) + (b.minutesBy[id] ?? b.minutes),
    ]),
  )

const same = (a: readonly SharedPlace[], b: readonly SharedPlace[]) =>
  a.length === b.length && a.every((p, i) => p === b[i])

/** Whole minutes of a person's work that a step takes, at least one. */
export function handsOn(step: Step, parameters: Readonly<Record<string, number>>): number {
  if (step.minutes !== undefined) return Math.max(1, Math.round(numberOf(step.minutes, parameters)))
  if (step.kind === 'parts') return Math.max(1, Math.ceil(pieces(step) * minutesPerPiece))
  return Math.max(1, usual[step.kind])
}
