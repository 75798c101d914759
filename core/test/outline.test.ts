import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  currentPosition,
  lastDone,
  outline,
  pieces,
  type Procedure,
  type Step,
  type Until,
} from '../procedure/index.ts'

const step = (id: string): Step => ({ id, kind: 'do', title: id })
const group = (id: string, steps: number): Until => ({
  kind: 'until',
  id,
  title: id,
  sign: 'clear?',
  usualRounds: 3,
  steps: Array.from({ length: steps }, (_, i) => step(`s${i}`)),
})
const procedureOf = (nodes: (Step | Until)[]): Procedure => ({
  id: 'p',
  version: 1,
  name: 'p',
  family: 'f',
  nodes,
  parameters: {},
  materials: [],
  cautions: [],
})

/** Procedures of steps and repeated groups, with how often each group's sign is not seen. */
const shapes = fc.array(
  fc.oneof(
    fc.constant(null),
    fc.record({ steps: fc.integer({ min: 1, max: 3 }), rounds: fc.integer({ min: 1, max: 4 }) }),
  ),
  { minLength: 1, maxLength: 6 },
)

/** Works a shape to its end; returns the keys in the order they were done. */
function work(shape: readonly ({ steps: number; rounds: number } | null)[]) {
  const nodes = shape.map((s, i) => (s ? group(`g${i}`, s.steps) : step(`n${i}`)))
  const procedure = procedureOf(nodes)
  const done: Record<string, { at: number; by: string; facts: Record<string, boolean>; before: object }> = {}
  const keys: string[] = []
  for (;;) {
    const position = currentPosition(procedure, { done })
    if (!position) return { procedure, done, keys }
    const rounds = position.kind === 'sign' ? (shape[Number(position.group.id.slice(1))]?.rounds ?? 1) : 0
    const facts = position.kind === 'sign' ? { shown: position.round >= rounds } : {}
    done[position.key] = { at: keys.length, by: 'b', facts, before: {} }
    keys.push(position.key)
  }
}

describe('the outline of a run', () => {
  it('is worked once through, each round in its turn, and ends', () => {
    fc.assert(
      fc.property(shapes, (shape) => {
        const { keys } = work(shape)
        const expected = shape.reduce((n, s) => n + (s ? s.rounds * (s.steps + 1) : 1), 0)
        return keys.length === expected && new Set(keys).size === keys.length
      }),
    )
  })
  it('never loses a place that was there before', () => {
    fc.assert(
      fc.property(shapes, (shape) => {
        const { procedure, done, keys } = work(shape)
        let seen = new Set<string>()
        const partly: typeof done = {}
        for (const key of keys) {
          const now = new Set(outline(procedure, { done: partly }).map((p) => p.key))
          if (![...seen].every((k) => now.has(k))) return false
          seen = now
          partly[key] = done[key] as (typeof done)[string]
        }
        return true
      }),
    )
  })
  it('taking the last step back makes it the current one again', () => {
    fc.assert(
      fc.property(shapes, fc.nat(), (shape, pick) => {
        const { procedure, done, keys } = work(shape)
        const upTo = keys.slice(0, (pick % keys.length) + 1)
        const partly = Object.fromEntries(upTo.map((k) => [k, done[k] as (typeof done)[string]]))
        const last = lastDone(outline(procedure, { done: partly }), { done: partly })
        if (last?.key !== upTo.at(-1)) return false
        const without = Object.fromEntries(Object.entries(partly).filter(([k]) => k !== last?.key))
        return currentPosition(procedure, { done: without })?.key === last?.key
      }),
    )
  })
  it('at its start has nothing to take back', () => {
    expect(lastDone(outline(procedureOf([step('a')]), { done: {} }), { done: {} })).toBeNull()
  })
  it('counts pieces, not names', () => {
    const parts = {
      id: 'p',
      kind: 'parts',
      title: 'p',
      direction: 'out',
      parts: [
        { id: 'a', name: 'A', count: 4 },
        { id: 'b', name: 'B', count: 1 },
      ],
    } as const
    expect(pieces(parts)).toBe(5)
  })
})
