import { isStep, type Node, type Procedure } from './language.ts'

const prefix = 'own.'

/** The id of a site's own copy. */
export const ownId = (id: string): string => (isOwn(id) ? id : prefix + id)

/** Whether a procedure is a site's own, by its id. */
export const isOwn = (id: string): boolean => id.startsWith(prefix)

/** The procedure that a site's own one stands in for: its id without the mark. */
export const baseOf = (id: string): string => (isOwn(id) ? id.slice(prefix.length) : id)

/** A site's own copy, at a version that follows what it has. */
export const ownCopy = (
  procedure: Procedure,
  versions: readonly Pick<Procedure, 'version'>[],
): Procedure => ({
  ...procedure,
  id: ownId(procedure.id),
  version: Math.max(0, ...versions.map((v) => v.version)) + 1,
})

/** A fixed number of a procedure that a site may set for itself: the length of a wait, how often it is looked after. */
export interface OwnNumber {
  readonly key: string
  readonly title: string
  readonly what: 'length' | 'every' | 'usualRounds'
  readonly value: number
}

/** The fixed numbers of a procedure, by the keys of their steps. Numbers of the data plate are set at the station. */
export function ownNumbers(nodes: readonly Node[], at = ''): OwnNumber[] {
  return nodes.flatMap((node): OwnNumber[] => {
    const key = at + node.id
    if (isStep(node)) {
      if (node.kind !== 'wait' && node.kind !== 'tend') return []
      const length =
        typeof node.length === 'number'
          ? [{ key, title: node.title, what: 'length' as const, value: node.length }]
          : []
      const every =
        node.kind === 'tend' && typeof node.every === 'number'
          ? [{ key, title: node.duty, what: 'every' as const, value: node.every }]
          : []
      return [...length, ...every]
    }
    if (node.kind === 'together') return node.lanes.flatMap((l) => ownNumbers(l.steps, `${key}.${l.id}.`))
    const rounds =
      node.kind === 'until'
        ? [{ key, title: node.title, what: 'usualRounds' as const, value: node.usualRounds }]
        : []
    return [...rounds, ...ownNumbers(node.steps, `${key}.`)]
  })
}

/** The nodes with other numbers in them, by key and what: "soak.parts.loose-soak length". */
export function withNumbers(
  nodes: readonly Node[],
  numbers: Readonly<Record<string, number>>,
  at = '',
): Node[] {
  return nodes.map((node): Node => {
    const key = at + node.id
    const own = Object.fromEntries(
      (['length', 'every', 'usualRounds'] as const).flatMap((what) => {
        const value = numbers[`${key} ${what}`]
        return value === undefined ? [] : [[what, value]]
      }),
    )
    if (isStep(node)) return { ...node, ...own } as Node
    if (node.kind === 'together')
      return {
        ...node,
        lanes: node.lanes.map((l) => ({ ...l, steps: withNumbers(l.steps, numbers, `${key}.${l.id}.`) })),
      }
    return { ...node, ...own, steps: withNumbers(node.steps, numbers, `${key}.`) } as Node
  })
}
