import { segmentsOf, type Model, type Procedure, type RunState, type Segment } from '../procedure/index.ts'
import type { PlanLink, PlanSegment } from './problem.ts'

const minuteMs = 60_000
/** The key of the step that a cut piece, a tended wait or a visit belongs to. */
const stepOf = (segment: Segment): string => segment.id.replace(/[+~!]\d+$/, '')
const visitOf = (segment: Segment): number => Number(segment.id.match(/[~!](\d+)$/)?.[1] ?? 0)

/**
 * What is left of a run as planning sees it: what is done is out, a wait under way keeps its end, and the piece in hand stays with who
 * has it. Of a run not begun: all of it. @param minute of an instant (ms UTC). @param there the people of this shift.
 * Throws `parameter_missing`.
 */
export function workLeft(
  procedure: Procedure,
  run: RunState | null,
  model: Model,
  minute: (at: number) => number,
  there: readonly string[],
): { segments: PlanSegment[]; links: PlanLink[] } {
  const graph = segmentsOf(procedure, model)
  const isDone = (s: Segment): boolean => {
    if (!run) return false
    if (visitOf(s) > 0)
      return run.done[stepOf(s)] !== undefined || visitOf(s) <= (run.visits[stepOf(s)]?.length ?? 0)
    return s.steps.length > 0 ? s.steps.every((k) => run.done[k]) : run.done[stepOf(s)] !== undefined
  }
  const left = graph.segments.filter((s) => !isDone(s))
  const over = new Set<string>()
  const segments = left.flatMap((s): PlanSegment[] => {
    const plain: PlanSegment = {
      id: s.id,
      title: s.title,
      kind: s.kind === 'wait' && s.free ? 'wait' : 'hands-on',
      minutes: s.minutes,
      ...(Object.keys(s.minutesBy).length > 0 && { minutesBy: s.minutesBy }),
      most: s.kind === 'wait' && s.free ? s.most : null,
      places: s.places,
      ...(s.kind === 'hands-on' && ofWork(s)),
    }
    if (!run) return [plain]
    const wait = s.kind === 'wait' ? run.waits[stepOf(s)] : undefined
    if (wait && visitOf(s) <= (run.visits[stepOf(s)]?.length ?? 0) + 1) {
      const since = run.visits[stepOf(s)]?.at(-1) ?? wait.startedAt
      const length = visitOf(s) > 0 ? s.minutes : wait.minutes
      const minutes = minute(since + length * minuteMs)
      if (minutes <= 0) {
        over.add(s.id)
        return []
      }
      return [{ ...plain, kind: 'wait', minutes, most: null, fixed: { person: null, start: 0 } }]
    }
    const undone = s.steps.filter((k) => !run.done[k]).length
    return [undone === 0 ? plain : inPart(plain, undone / s.steps.length)]
  })
  const kept = new Set(segments.map((s) => s.id))
  const links = graph.links
    .filter((l) => kept.has(l.from) && kept.has(l.to))
    .map((l) => {
      const running = segments.find((s) => s.id === l.from)?.fixed
      return running ? { ...l, most: null } : l
    })
  return {
    segments: run?.status === 'running' ? inHand(segments, links, run.lastBy, there) : segments,
    links,
  }
}

/** What a piece of work asks of whoever does it, and whether somebody else may go on after it. */
const ofWork = (s: Segment): Partial<PlanSegment> => ({
  task: stepOf(s),
  ...(s.hands === 2 && { hands: 2 }),
  ...(s.first && { first: s.first }),
  ...(s.last && { last: s.last }),
  ...(s.handover && { handover: true }),
})

/** A piece of work of which a share is left. */
function inPart(segment: PlanSegment, share: number): PlanSegment {
  const left = (minutes: number) => Math.max(1, Math.ceil(minutes * share))
  const { minutesBy } = segment
  return {
    ...segment,
    minutes: left(segment.minutes),
    ...(minutesBy && {
      minutesBy: Object.fromEntries(Object.entries(minutesBy).map(([id, m]) => [id, left(m)])),
    }),
  }
}

/** The first piece that can be worked at once stays where it is: with who acted last. */
function inHand(
  segments: readonly PlanSegment[],
  links: readonly PlanLink[],
  by: string,
  there: readonly string[],
): PlanSegment[] {
  const first = segments.find((s) => s.kind === 'hands-on' && !links.some((l) => l.to === s.id))
  if (!first || !there.includes(by)) return [...segments]
  return segments.map((s) => (s === first ? { ...s, fixed: { person: by, start: 0 } } : s))
}
