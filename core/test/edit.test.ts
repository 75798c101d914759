import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Refusal } from '../refusal/index.ts'
import {
  allProcedures,
  compared,
  copyOf,
  freeId,
  keyed,
  latestProcedure,
  listAt,
  listOf,
  listsIn,
  namesTaken,
  neededNames,
  nodeAt,
  optionalNames,
  stepTo,
  violationsOf,
  without,
  withInserted,
  withMoved,
  withNode,
  type Node,
  type Procedure,
  type Step,
} from '../procedure/index.ts'

const library = (id: string) => latestProcedure(id) as Procedure
const close = library('soft-serve-gravity.close')
const step = (id: string, title = id): Step => ({ id, kind: 'do', title })

/** Any node of any procedure of the library. */
const anyNode = fc
  .constantFrom(...allProcedures())
  .chain((p) => fc.record({ p: fc.constant(p), at: fc.constantFrom(...keyed(p.nodes).map((k) => k.key)) }))
/** And any list of the same procedure, with a place in it. */
const anyMove = anyNode.chain(({ p, at }) => {
  const lists = ['', ...keyed(p.nodes).flatMap((k) => listsIn(k.node, k.key).map((l) => l.key))]
  return fc.record({
    p: fc.constant(p),
    key: fc.constant(at),
    to: fc.constantFrom(...lists),
    index: fc.nat(12),
  })
})
const ids = (p: readonly Node[]) =>
  keyed(p)
    .map((k) => k.node.kind + ('title' in k.node ? k.node.title : ''))
    .toSorted()

describe('nodes by their key', () => {
  it('have each its own', () => {
    for (const p of allProcedures()) {
      const keys = keyed(p.nodes).map((k) => k.key)
      expect(new Set(keys).size).toBe(keys.length)
      for (const { key, node } of keyed(p.nodes)) expect(nodeAt(p.nodes, key)).toBe(node)
    }
  })
  it('taken out and put back are where they were', () => {
    fc.assert(
      fc.property(anyNode, ({ p, at }) => {
        const node = nodeAt(p.nodes, at)
        const index = listAt(p.nodes, listOf(at))?.findIndex((n) => n.id === node?.id) ?? -1
        if (!node) throw new Error(at)
        const left = without(p.nodes, at)
        expect(nodeAt(left, at)).toBeNull()
        expect(withInserted(left, listOf(at), index, node)).toEqual(p.nodes)
      }),
    )
  })
  it('moved are there once, and nothing else is lost, twice or renamed', () => {
    fc.assert(
      fc.property(anyMove, ({ p, key, to, index }) => {
        const moved = withMoved(p.nodes, key, to, index)
        if (!moved) {
          expect(to === key || to.startsWith(`${key}.`)).toBe(true)
          return
        }
        expect(ids(moved.nodes)).toEqual(ids(p.nodes))
        expect(nodeAt(moved.nodes, moved.key)).toMatchObject({ kind: nodeAt(p.nodes, key)?.kind })
        const keys = keyed(moved.nodes).map((k) => k.key)
        expect(new Set(keys).size).toBe(keys.length)
      }),
    )
  })
  it('step by step reach every place, and come back by the way they went', () => {
    fc.assert(
      fc.property(anyNode, fc.constantFrom(1 as const, -1 as const), ({ p, at }, by) => {
        const to = stepTo(p.nodes, at, by)
        if (!to) return
        const moved = withMoved(p.nodes, at, to.at, to.index)
        expect(moved).not.toBeNull()
        if (!moved) return
        const back = stepTo(moved.nodes, moved.key, by === 1 ? -1 : 1)
        const home = back && withMoved(moved.nodes, moved.key, back.at, back.index)
        // A group that was left empty is stepped over, not into.
        expect(home && keyed(home.nodes).map((k) => k.node.kind)).toEqual(
          keyed(p.nodes).map((k) => k.node.kind),
        )
      }),
    )
  })
  it('never move into themselves, nor to a list that is not there', () => {
    const round = close.nodes.find((n) => n.kind === 'until')
    if (!round) throw new Error('no round')
    expect(withMoved(close.nodes, round.id, round.id, 0)).toBeNull()
    expect(withMoved(close.nodes, round.id, 'nowhere', 0)).toBeNull()
    expect(withMoved(close.nodes, 'nothing', '', 0)).toBeNull()
  })
  it('change alone: every other node is the very same', () => {
    fc.assert(
      fc.property(anyNode, ({ p, at }) => {
        const changed = withNode(p.nodes, at, (n) => ({ ...n, id: n.id, when: undefined }) as unknown as Node)
        for (const { key, node } of keyed(p.nodes))
          if (!at.startsWith(key) && !key.startsWith(at)) expect(nodeAt(changed, key)).toBe(node)
      }),
    )
  })
  it('get ids that no sibling has', () => {
    expect(freeId(['fill', 'fill-2'], 'fill')).toBe('fill-3')
    expect(freeId([], 'Où? 3 Seals!')).toBe('3-eals')
    expect(freeId([], '!!!')).toBe('step')
    const copy = copyOf(close.nodes, close.nodes[0]?.id ?? '')
    expect(close.nodes.map((n) => n.id)).not.toContain(copy?.id)
  })
})

describe('the plate’s numbers that steps take', () => {
  it.each(allProcedures().map((p) => [p.id, p] as const))('of %s are those that it names', (_, p) => {
    const named = [...neededNames(p), ...optionalNames(p)]
    expect(namesTaken(p.nodes).toSorted()).toEqual([...new Set(named)].toSorted())
  })
})

/** What breaks; nothing where there are more ways than are walked. */
function brokenIn(p: Procedure) {
  try {
    return violationsOf(p)
  } catch (error) {
    expect((error as Refusal).code).toBe('procedure_too_large')
    return []
  }
}

describe('a safety rule that breaks', () => {
  it('is told at the step where it breaks, in groups and lanes too', () => {
    fc.assert(
      fc.property(anyMove, ({ p, key, to, index }) => {
        const moved = withMoved(p.nodes, key, to, index)
        if (!moved) return
        for (const v of brokenIn({ ...p, nodes: moved.nodes }))
          if (v.at !== '') {
            const at = nodeAt(moved.nodes, v.at)
            expect(v.path).toContain(at && 'title' in at ? at.title : null)
          }
      }),
      { numRuns: 40 },
    )
  })
})

describe('two versions side by side', () => {
  it('that are the same differ in nothing', () => {
    for (const p of allProcedures()) {
      const { head, lines } = compared(p, p)
      expect(head).toEqual([])
      expect(lines.every((l) => l.change === 'same')).toBe(true)
      expect(lines.map((l) => l.key)).toEqual(keyed(p.nodes).map((k) => k.key))
    }
  })
  const of = (change: (nodes: readonly Node[]) => readonly Node[], more: Partial<Procedure> = {}) =>
    compared(close, { ...close, ...more, nodes: change(close.nodes) })
  const changes = (c: ReturnType<typeof of>) =>
    c.lines.filter((l) => l.change !== 'same').map((l) => [l.key, l.change, ...l.fields])

  it('tell a step that was added, one that was taken out, and one that says something else', () => {
    const [first, second] = close.nodes
    if (!first || !second) throw new Error('empty')
    expect(changes(of((n) => withInserted(n, '', 2, step('new'))))).toEqual([['new', 'added']])
    expect(changes(of((n) => without(n, second.id)))).toEqual([[second.id, 'removed']])
    const said = of((n) => withNode(n, first.id, (s) => ({ ...s, title: 'Other', caution: 'Hot' }) as Node))
    expect(changes(said)).toEqual([[first.id, 'changed', 'title', 'caution']])
  })
  it('tell one that was moved once, where it went', () => {
    const [first] = close.nodes
    if (!first) throw new Error('empty')
    const moved = of((n) => withMoved(n, first.id, '', 3)?.nodes ?? n)
    expect(changes(moved)).toEqual([[first.id, 'moved']])
    const group = close.nodes.find((n) => n.kind === 'until')
    if (!group) throw new Error('no round')
    const into = of((n) => withMoved(n, first.id, group.id, 0)?.nodes ?? n)
    expect(changes(into)).toEqual([[`${group.id}.${first.id}`, 'moved']])
  })
  it('tell what is changed of all of it, not its name in the log', () => {
    expect(of((n) => n, { name: 'Ours', version: 9, id: 'own.x' }).head).toEqual(['name'])
  })
})
