import { diffArrays } from 'diff'
import { idOf, keyed, type NodeKey } from './edit.ts'
import { isStep } from './nodes.ts'
import { type Node, type Procedure } from './language.ts'

export type LineChange = 'same' | 'changed' | 'moved' | 'added' | 'removed'

/** One node of two procedures side by side. */
export interface ComparedLine {
  readonly key: NodeKey
  readonly change: LineChange
  readonly before: Node | null
  readonly after: Node | null
  /** Names of what differs in it. */
  readonly fields: readonly string[]
}

/** What differs between two procedures: by name for all of it, and node by node in the order that a reader meets them. */
export interface Compared {
  readonly head: readonly string[]
  readonly lines: readonly ComparedLine[]
}

/** A node by itself: what stands inside it is compared apart. */
function alone(node: Node): Record<string, unknown> {
  if (isStep(node)) return { ...node }
  if (node.kind === 'together') return { ...node, lanes: node.lanes.map(({ id, title }) => ({ id, title })) }
  const { steps: _, ...head } = node
  return head
}

const text = (value: unknown) => JSON.stringify(value) ?? ''

/** The names of the fields in which two things differ. */
const fieldsOf = (a: object, b: object): string[] => {
  const [before, after] = [a, b] as readonly Readonly<Record<string, unknown>>[]
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].filter(
    (name) => text(before?.[name]) !== text(after?.[name]),
  )
}

/** Two versions of a procedure side by side. A node that stands elsewhere under its own id, and is the same else, was moved. */
export function compared(before: Procedure, after: Procedure): Compared {
  const [was, is] = [keyed(before.nodes), keyed(after.nodes)]
  const find = (all: typeof was, key: string) => all.find((k) => k.key === key)?.node ?? null
  const rows = diffArrays(
    was.map((k) => k.key),
    is.map((k) => k.key),
  ).flatMap((part) => part.value.map((key) => ({ key, isGone: part.removed, isNew: part.added })))
  const gone = rows.filter((r) => r.isGone).map((r) => r.key)
  const lines = rows.flatMap(({ key, isGone, isNew }): ComparedLine[] => {
    const [a, b] = [find(was, key), find(is, key)]
    if (!isGone && !isNew && a && b) {
      const fields = fieldsOf(alone(a), alone(b))
      return [{ key, change: fields.length > 0 ? 'changed' : 'same', before: a, after: b, fields }]
    }
    if (isNew && b) {
      const from = gone.find((g) => g === key || (idOf(g) === b.id && !find(is, g)))
      const old = from === undefined ? null : find(was, from)
      return old && old.kind === b.kind
        ? [{ key, change: 'moved', before: old, after: b, fields: fieldsOf(alone(old), alone(b)) }]
        : [{ key, change: 'added', before: null, after: b, fields: [] }]
    }
    return a ? [{ key, change: 'removed', before: a, after: null, fields: [] }] : []
  })
  // What was moved is told where it went.
  const moved = lines.flatMap((l) => (l.change === 'moved' && l.before ? [l.before] : []))
  const { nodes: _a, version: _va, id: _ia, ...headBefore } = before
  const { nodes: _b, version: _vb, id: _ib, ...headAfter } = after
  return {
    head: fieldsOf(headBefore, headAfter),
    lines: lines.filter((l) => l.change !== 'removed' || !l.before || !moved.includes(l.before)),
  }
}
