import { isStep } from './nodes.ts'
import { type Node } from './language.ts'

/**
 * A procedure's nodes, changed by key: the ids from the outside in, joined by dots, lanes among them ("soak.parts.loose").
 * A list has the key of the group, or the lane, that it stands in; the outermost has none (""). Nothing is changed in place.
 */
export type NodeKey = string

/** The key of a node in a list. */
export const keyIn = (at: NodeKey, id: string): NodeKey => (at === '' ? id : `${at}.${id}`)

/** The lists of nodes inside a node, each with its key. */
export function listsIn(
  node: Node,
  key: NodeKey,
): { readonly key: NodeKey; readonly nodes: readonly Node[] }[] {
  if (isStep(node)) return []
  if (node.kind === 'together') return node.lanes.map((l) => ({ key: keyIn(key, l.id), nodes: l.steps }))
  return [{ key, nodes: node.steps }]
}

/** Every node with its key, in order, groups before what is in them. */
export function keyed(
  nodes: readonly Node[],
  at: NodeKey = '',
): { readonly key: NodeKey; readonly node: Node }[] {
  return nodes.flatMap((node) => {
    const key = keyIn(at, node.id)
    return [{ key, node }, ...listsIn(node, key).flatMap((l) => keyed(l.nodes, l.key))]
  })
}

/** The node with a key, or null where there is none. */
export const nodeAt = (nodes: readonly Node[], key: NodeKey): Node | null =>
  keyed(nodes).find((k) => k.key === key)?.node ?? null

/** The list with a key, or null where there is none. */
export function listAt(nodes: readonly Node[], at: NodeKey): readonly Node[] | null {
  if (at === '') return nodes
  return (
    keyed(nodes)
      .flatMap((k) => listsIn(k.node, k.key))
      .find((l) => l.key === at)?.nodes ?? null
  )
}

/** The nodes with one list in another way. */
export function withList(
  nodes: readonly Node[],
  at: NodeKey,
  change: (list: readonly Node[]) => readonly Node[],
  here: NodeKey = '',
): readonly Node[] {
  if (at === here) return change(nodes)
  return nodes.map((node) => {
    const key = keyIn(here, node.id)
    if (isStep(node) || !(at === key || at.startsWith(`${key}.`))) return node
    if (node.kind === 'together')
      return {
        ...node,
        lanes: node.lanes.map((l) => {
          const lane = keyIn(key, l.id)
          return at === lane || at.startsWith(`${lane}.`)
            ? { ...l, steps: withList(l.steps, at, change, lane) }
            : l
        }),
      }
    return { ...node, steps: withList(node.steps, at, change, key) }
  })
}

/** The key of the list that a node stands in. */
export const listOf = (key: NodeKey): NodeKey => key.split('.').slice(0, -1).join('.')

/** The id of a node among its siblings. */
export const idOf = (key: NodeKey): string => key.split('.').at(-1) ?? ''

/** The nodes with one of them changed. */
export const withNode = (
  nodes: readonly Node[],
  key: NodeKey,
  change: (node: Node) => Node,
): readonly Node[] =>
  withList(nodes, listOf(key), (list) => list.map((n) => (n.id === idOf(key) ? change(n) : n)))

export const without = (nodes: readonly Node[], key: NodeKey): readonly Node[] =>
  withList(nodes, listOf(key), (list) => list.filter((n) => n.id !== idOf(key)))

export const withInserted = (
  nodes: readonly Node[],
  at: NodeKey,
  index: number,
  node: Node,
): readonly Node[] => withList(nodes, at, (list) => list.toSpliced(index, 0, node))

/**
 * The nodes with one of them moved to another place. @param index in the list without it.
 * @returns null where it would stand inside itself, or where there is no such node or list.
 */
export function withMoved(
  nodes: readonly Node[],
  key: NodeKey,
  at: NodeKey,
  index: number,
): { readonly nodes: readonly Node[]; readonly key: NodeKey } | null {
  const node = nodeAt(nodes, key)
  if (!node || at === key || at.startsWith(`${key}.`)) return null
  const left = without(nodes, key)
  const list = listAt(left, at)
  if (!list) return null
  const id = freeId(
    list.map((n) => n.id),
    node.id,
  )
  return { nodes: withInserted(left, at, index, { ...node, id } as Node), key: keyIn(at, id) }
}

/** Where a node would stand after one step up or down, into the group before it and out of its own; null at either end. */
export function stepTo(
  nodes: readonly Node[],
  key: NodeKey,
  by: 1 | -1,
): { readonly at: NodeKey; readonly index: number } | null {
  const at = listOf(key)
  const list = listAt(nodes, at)
  const index = list?.findIndex((n) => n.id === idOf(key)) ?? -1
  if (!list || index < 0) return null
  const beside = list[index + by]
  if (beside) {
    const inside = listsIn(beside, keyIn(at, beside.id)).at(by === 1 ? 0 : -1)
    if (!inside) return { at, index: index + by }
    return { at: inside.key, index: by === 1 ? 0 : inside.nodes.length }
  }
  if (at === '') return null
  const lists = keyed(nodes).flatMap((k) => listsIn(k.node, k.key).map((l) => ({ ...l, group: k.key })))
  const group = lists.find((l) => l.key === at)?.group ?? ''
  const lanes = lists.filter((l) => l.group === group)
  const next = lanes[lanes.findIndex((l) => l.key === at) + by]
  if (next) return { at: next.key, index: by === 1 ? 0 : next.nodes.length }
  const outer = listAt(nodes, listOf(group)) ?? []
  return { at: listOf(group), index: outer.findIndex((n) => n.id === idOf(group)) + (by === 1 ? 1 : 0) }
}

/** An id that no sibling has: the wished one, or it with a number. */
export function freeId(taken: readonly string[], wish: string): string {
  const plain =
    wish
      .replaceAll(/[^a-z0-9-]+/g, '-')
      .replaceAll(/^-+|-+$/g, '')
      .slice(0, 36) || 'step'
  if (!taken.includes(plain)) return plain
  for (let n = 2; ; n++) if (!taken.includes(`${plain}-${n}`)) return `${plain}-${n}`
}

/** A copy of a node for the same list, under an id of its own. */
export function copyOf(nodes: readonly Node[], key: NodeKey): Node | null {
  const node = nodeAt(nodes, key)
  const list = listAt(nodes, listOf(key))
  return node && list
    ? ({
        ...node,
        id: freeId(
          list.map((n) => n.id),
          node.id,
        ),
      } as Node)
    : null
}

/** Names of the plate's numbers that steps, parts and groups take; an unused one is asked of nobody. */
export function namesTaken(nodes: readonly Node[]): string[] {
  const found = new Set<string>()
  const look = (value: unknown): void => {
    if (Array.isArray(value)) return value.forEach(look)
    if (typeof value !== 'object' || value === null) return
    // What a wait is for stands under the same key as a plate's number.
    const isTimed = 'kind' in value && (value.kind === 'wait' || value.kind === 'tend')
    for (const [key, inside] of Object.entries(value)) {
      if (['of', 'per', 'each', 'less'].includes(key) && typeof inside === 'string') {
        if (!(isTimed && key === 'of')) found.add(inside)
      } else if (key === 'title' || key === 'text')
        for (const [, name = ''] of String(inside).matchAll(/\{(\w+)\}/g)) found.add(name)
      else look(inside)
    }
  }
  nodes.forEach(look)
  return [...found]
}
