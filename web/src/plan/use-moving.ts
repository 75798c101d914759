import { ref } from 'vue'
import { draggable } from './drag.ts'
import { snapped, stepMinutes } from './hues.ts'
import type { Job } from './jobs.ts'

/** What a job is moved over: the sheet it stands on. */
export interface Ground {
  readonly mayMove: () => boolean
  readonly people: () => readonly string[]
  /** The row at a height, px from the top of the rows. */
  readonly rowAt: (y: number) => number
  readonly topOf: (row: number) => number
  /** Milliseconds a px. */
  readonly perPx: () => number
}

/** Work that is moved by less stays at its time, milliseconds. */
const leastMove = 2.5 * 60_000

/** A job taken by finger, mouse or arrow keys to another person or another time; a tap takes it up. */
export function useMoving(
  ground: Ground,
  put: (run: string, person: string | null, at: number | null) => void,
  take: (job: Job) => void,
) {
  const shift = ref<{ key: string; dx: number; dy: number } | null>(null)
  const rowOf = (job: Job) => ground.people().indexOf(job.person)

  function drop(job: Job, dx: number, dy: number): void {
    shift.value = null
    if (!ground.mayMove()) return
    const from = rowOf(job)
    const to = ground.rowAt((ground.topOf(from) + ground.topOf(from + 1)) / 2 + dy)
    const by = dx * ground.perPx()
    const isMoved = Math.abs(by) >= leastMove
    put(
      job.run,
      to === from && isMoved ? null : (ground.people()[to] ?? null),
      isMoved ? snapped(job.from + by) : null,
    )
  }
  const vDraggable = draggable<Job>({
    moved: ({ bar, dx, dy }) => (shift.value = ground.mayMove() ? { key: bar.key, dx, dy } : null),
    dropped: ({ bar, dx, dy }) => drop(bar, dx, dy),
    tapped: take,
  })

  function press(event: KeyboardEvent, job: Job): void {
    if (event.key === 'Enter') {
      const moved = shift.value?.key === job.key ? shift.value : null
      event.preventDefault()
      event.stopPropagation()
      if (moved) drop(job, moved.dx, moved.dy)
      else take(job)
      return
    }
    if (event.key === 'Escape') shift.value = null
    if (!ground.mayMove() || job.state !== 'planned' || !event.key.startsWith('Arrow')) return
    event.preventDefault()
    event.stopPropagation()
    const was = shift.value?.key === job.key ? shift.value : { dx: 0, dy: 0 }
    const step = (stepMinutes * 60_000) / ground.perPx()
    const row = rowOf(job)
    const height = ground.topOf(row + 1) - ground.topOf(row)
    const ways: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -height],
      ArrowDown: [0, height],
    }
    const [dx, dy] = ways[event.key] ?? [0, 0]
    shift.value = { key: job.key, dx: was.dx + dx, dy: was.dy + dy }
  }
  return { shift, vDraggable, press }
}
