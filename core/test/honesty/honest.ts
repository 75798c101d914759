import type { Entered, Entry, Looked, OnShift } from '../../honesty/index.ts'
import { randomFrom } from '../../quantity/index.ts'

/** What chance gives, from a seed. */
export interface Dice {
  readonly random: () => number
  readonly between: (lo: number, hi: number) => number
  readonly normal: (mean: number, spread: number) => number
  readonly weighted: (weights: Readonly<Record<string, number>>) => string
}
export function dice(seed: number): Dice {
  const random = randomFrom(seed)
  const between = (lo: number, hi: number) => lo + random() * (hi - lo)
  const normal = (mean: number, spread: number) =>
    mean + spread * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
  const weighted = (weights: Readonly<Record<string, number>>) => {
    let left = random() * Object.values(weights).reduce((a, b) => a + b, 0)
    for (const [name, weight] of Object.entries(weights)) if ((left -= weight) <= 0) return name
    return Object.keys(weights)[0] ?? ''
  }
  return { random, between, normal, weighted }
}

const [minute, hour, day] = [60_000, 3_600_000, 86_400_000]
export const people = ['ana', 'ben', 'cyn', 'dov', 'eli', 'fay']
const stations = [
  { id: 'soft', area: 'Kiosk' },
  { id: 'slush', area: 'Kiosk' },
  { id: 'batch', area: 'Galley' },
  { id: 'sink', area: 'Galley' },
  { id: 'bar', area: 'Bar' },
] as const
/** A dispenser that gives one block all month; a bucket mixed by hand; a sink that loses strength. */
const solutions: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  dispenser: { '150': 0.98, '100..150': 0.02 },
  bucket: { '150..250': 0.5, '200': 0.3, '150': 0.2 },
  sink: { '100': 0.6, '75..125': 0.3, '50': 0.1 },
}

/** A fortnight as crew who do as told enter it, from a seed: a good dispenser among the solutions, and quick fingers now and then. */
export function honestFortnight(seed: number): Looked {
  const d = dice(seed)
  const entries: Entry[] = []
  const shifts: OnShift[] = []
  let n = 0
  // Everybody reads colours a little otherwise, and has a usual tablet.
  const eye = new Map(people.map((p) => [p, d.between(0.85, 1.15)]))
  const note = (person: string, at: number, of: (typeof stations)[number], what: Entered) =>
    entries.push({
      record: `r${n++}`,
      person,
      tablet: `tablet-${of.area}`,
      at,
      station: of.id,
      area: of.area,
      what,
    })
  for (let date = 0; date < 14; date++) {
    const on = people.filter((_, i) => (i + date) % 2 === 0 || d.random() < 0.15)
    for (const person of on) {
      const from = date * day + d.between(13, 15) * hour
      shifts.push({ person, from, to: from + 9 * hour })
      let at = from + d.between(5, 40) * minute
      // Most of the evening is serving: a few jobs, one after another.
      for (let job = 0; job < 6; job++) {
        const of = stations[Math.floor(d.random() * stations.length)] ?? stations[0]
        const begun = at
        const steps = 4 + Math.floor(d.random() * 4)
        let work = 0
        for (let i = 0; i < steps; i++) {
          const minutes = 2 + Math.floor(d.random() * 5)
          work += minutes
          // Two steps done as one are tapped one after the other.
          at += d.random() < 0.15 ? 4000 : minutes * minute * d.between(0.6, 1.5)
          note(person, at, of, { kind: 'step', minutes })
        }
        const waits = d.random() < 0.5 ? 10 : 5
        at += waits * minute * d.between(1.01, 1.6)
        const like = d.weighted({ dispenser: 1, bucket: 1, sink: 1 })
        const blocks = Object.entries(solutions[like] ?? {}).map(
          ([block, share], i) => [block, i === 0 ? share * (eye.get(person) ?? 1) : share] as const,
        )
        note(person, at, of, { kind: 'strip', like, block: d.weighted(Object.fromEntries(blocks)) })
        at += d.between(1, 3) * minute
        note(person, at, of, {
          kind: 'number',
          like: `cold ${of.id}`,
          value: Math.round(d.normal(3.4, 0.9) * 10) / 10,
        })
        at += d.between(0.5, 2) * minute
        note(person, at, of, { kind: 'run', from: begun, waits, work })
        at += d.between(2, 30) * minute
      }
    }
  }
  return { entries, shifts, rostered: [{ from: 0, to: 15 * day }] }
}
