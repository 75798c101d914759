import type { SharedPlace } from '../house/site.ts'
import type { Step } from './language.ts'
import type { Link, Segment } from './segments.ts'

/** Longer pieces of work are cut: people are called away in between. */
const longest = 15

/** How long a piece of work lasts: for most, and for those whose own runs tell other minutes. */
type Lasting = Pick<Segment, 'minutes' | 'minutesBy'>

/** Puts segments one after the other, each linked to what stands open before it. */
export class SegmentBuilder {
  readonly segments: Segment[] = []
  readonly links: Link[] = []
  /** What the next segment comes after. */
  #open: readonly string[] = []

  /** Work of one's hands: joined to the work just before where that is of the same lane and places; cut where it is long. */
  hands(step: Step, key: string, lane: string, lasting: Lasting): void {
    const places = step.at ? [step.at] : []
    if (this.#joins(step, key, lane, lasting)) return
    const slow = slowest(lasting)
    // Cut so that the slowest keeps to it; whoever is quicker has the same share of each part.
    for (let part = 0; part * longest < slow || part === 0; part++) {
      const share = (of: number) => {
        const upTo = (parts: number) => Math.round((of * Math.min(slow, parts * longest)) / slow)
        return Math.max(1, upTo(part + 1) - upTo(part))
      }
      const shares = Object.entries(lasting.minutesBy).map(([person, took]) => [person, share(took)])
      this.#begin({
        ...work,
        id: part === 0 ? key : `${key}+${part}`,
        title: step.title,
        minutes: share(lasting.minutes),
        minutesBy: Object.fromEntries(shares) as Segment['minutesBy'],
        places,
        hands: step.hands ?? 1,
        first: step.touches ?? null,
        last: step.touches ?? null,
        handover: step.handover === true && (part + 1) * longest >= slow,
        steps: part === 0 ? [key] : [],
      })
    }
  }

  /** A wait that somebody stands by, or that is free. */
  wait(
    step: Step & { kind: 'wait' },
    key: string,
    { minutes, most }: Pick<Segment, 'minutes' | 'most'>,
  ): void {
    const places = step.at ? [step.at] : []
    this.#begin({
      ...waiting,
      id: key,
      title: step.title,
      minutes,
      most,
      free: !step.attended,
      places,
      steps: [key],
    })
  }

  /** A wait that is looked after every so many minutes: short visits, and free time between them. */
  tended(step: Step & { kind: 'tend' }, key: string, every: number, visits: number): void {
    // The minute of the visit counts in: one at its earliest every time comes round with the period.
    const most = Math.max(1, Math.round(every))
    for (let i = 1; i <= visits; i++) {
      const steps = i === 1 ? [key] : []
      this.#begin({
        ...waiting,
        id: `${key}~${i}`,
        title: step.title,
        minutes: Math.max(1, most - 1),
        most,
        free: true,
        steps,
      })
      this.#begin({ ...work, id: `${key}!${i}`, title: step.duty, minutes: 1 }, 1)
    }
  }

  /** Lanes that are worked beside each other; what follows comes after all of them. */
  sideBySide(lanes: readonly (() => void)[]): void {
    const before = this.#open
    const ends = lanes.map((lane) => {
      this.#open = before
      lane()
      return this.#open
    })
    this.#open = [...new Set(ends.flat())]
  }

  #begin(segment: Segment, most: number | null = null): void {
    this.segments.push(segment)
    for (const from of this.#open) this.links.push({ from, to: segment.id, least: 0, most })
    this.#open = [segment.id]
  }

  /** Joins work to what was put in last, where one person would do both without a pause. */
  #joins(step: Step, key: string, lane: string, lasting: Lasting): boolean {
    const places = step.at ? [step.at] : []
    const last = this.segments.at(-1)
    const follows = this.#open.length === 1 && this.#open[0] === last?.id
    if (!last || last.kind !== 'hands-on' || !follows) return false
    if (!last.id.startsWith(lane) || !same(last.places, places)) return false
    // Where somebody else may go on, a piece ends; who comes to help comes for what needs two.
    if (last.handover || last.hands !== (step.hands ?? 1)) return false
    const joined = {
      ...last,
      ...sum(last, lasting),
      first: last.first ?? step.touches ?? null,
      last: step.touches ?? last.last,
      handover: step.handover === true,
      steps: [...last.steps, key],
    }
    if (slowest(joined) > longest) return false
    this.segments[this.segments.length - 1] = joined
    return true
  }
}

const nothing = {
  minutesBy: {},
  places: [],
  hands: 1,
  first: null,
  last: null,
  handover: false,
  steps: [],
} as const
const work = { ...nothing, kind: 'hands-on', most: null, free: false } as const
const waiting = { ...nothing, kind: 'wait' } as const

const slowest = ({ minutes, minutesBy }: Lasting): number => Math.max(minutes, ...Object.values(minutesBy))

function sum(a: Lasting, b: Lasting): Lasting {
  const people = [...new Set([...Object.keys(a.minutesBy), ...Object.keys(b.minutesBy)])]
  return {
    minutes: a.minutes + b.minutes,
    minutesBy: Object.fromEntries(
      people.map((id) => [id, (a.minutesBy[id] ?? a.minutes) + (b.minutesBy[id] ?? b.minutes)]),
    ),
  }
}

const same = (a: readonly SharedPlace[], b: readonly SharedPlace[]) =>
  a.length === b.length && a.every((p, i) => p === b[i])
