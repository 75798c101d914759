/**
 * Things by a key, in the order in which each key first comes.
 * @example [...groupedBy(['ab', 'c', 'ad'], (s) => s.charAt(0)).keys()].join() // 'a,c'
 */
export function groupedBy<T>(all: readonly T[], key: (one: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const one of all) {
    const group = groups.get(key(one))
    if (group) group.push(one)
    else groups.set(key(one), [one])
  }
  return groups
}
