import { describe, expect, it } from 'vitest'
import { takeBack } from '../../procedure/index.ts'
import { instant } from '../../quantity/index.ts'
import { sinkOf } from '../../warewash/index.ts'
import { workThrough, Worked } from '../records.ts'

const minuteMs = 60_000
const from = 180

/** The sink after it was set up from minute 0 on, and one compartment changed from minute 180 on. */
const changed = (which: string): Worked =>
  workThrough(
    'sink.change',
    (p) => (p.kind === 'step' && p.step.id === 'which' ? { choice: which } : {}),
    from,
    workThrough('sink.set-up').station,
  )
/** Which compartments are told to be filled anew. */
function anew({ station }: Worked): Record<string, boolean> {
  const now = instant(400 * minuteMs)
  const all = sinkOf(
    station,
    [],
    () => false,
    undefined,
    () => null,
    now,
  )
  return Object.fromEntries(all.map((c) => [c.use, (c.filledAt ?? 0) >= from * minuteMs]))
}

describe('the ages of a sink', () => {
  it.each([
    ['wash', { wash: true, rinse: false }],
    ['rinse', { wash: false, rinse: true }],
    ['sanitizer', { wash: false, rinse: false }],
    ['all', { wash: true, rinse: true }],
  ])('after %s was spent begin anew only where it was filled anew', (which, filled) => {
    expect(anew(changed(which))).toMatchObject(filled)
  })
  it('taken back, a filling was none: the compartment is as old as it was', () => {
    const first = workThrough('sink.set-up')
    const before = first.station.compartments?.rinse?.at
    const next = new Worked(first.known, first.station, { from, id: 'run-again' })
    const key = 'rinse-fill'
    let filled = next.position
    while (next.run.done[key] === undefined) {
      filled = next.position
      next.step()
    }
    expect(next.station.compartments?.rinse?.at).toBeGreaterThan(before ?? Infinity)
    if (filled) next.add('run.step.undone@2', takeBack(next.run, filled))
    expect(next.station.compartments?.rinse?.at).toBe(before)
  })
})
