import type { PlanRun, PlanSegment } from '../problem.ts'

/** The nearest work by hand before a segment, through the waits between. */
export function workBefore(run: PlanRun, segment: string): PlanSegment[] {
  const before = run.links.filter((l) => l.to === segment).map((l) => l.from)
  return before.flatMap((id) => {
    const found = run.segments.find((s) => s.id === id)
    return found?.kind === 'hands-on' ? [found] : workBefore(run, id)
  })
}

/** Whether a piece of work in somebody's hands comes from others. What has begun is where it is. */
export function isHandedOver(
  run: PlanRun,
  segment: PlanSegment,
  person: string | null,
  handsOf: (segment: string) => string | null | undefined,
): boolean {
  if (segment.kind === 'wait' || segment.fixed || person === null) return false
  const before = workBefore(run, segment.id)
  if (before.length === 0) return run.begunBy !== undefined && run.begunBy !== person
  return before.every((s) => handsOf(s.id) !== person)
}
