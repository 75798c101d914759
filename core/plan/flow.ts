/** A network of arcs with whole capacities, and the most that flows through it. Method: Dinic's blocking flows. */
export interface Flow {
  readonly arc: (from: number, to: number, capacity: number) => void
  readonly most: (source: number, sink: number) => number
  /** Whether more could still come to a node after that: which side of the least cut it is on. */
  readonly reached: (node: number) => boolean
}

export function flowNetwork(nodes: number): Flow {
  const first = new Int32Array(nodes).fill(-1)
  const next: number[] = []
  const to: number[] = []
  const left: number[] = []
  const half = (a: number, b: number, capacity: number) => {
    next.push(first[a] as number)
    to.push(b)
    left.push(capacity)
    first[a] = to.length - 1
  }
  const level = new Int32Array(nodes)
  const at = new Int32Array(nodes)

  function levels(source: number, sink: number): boolean {
    level.fill(-1)
    level[source] = 0
    const queue = [source]
    for (let q = 0; q < queue.length; q++) {
      const node = queue[q] as number
      for (let e = first[node] as number; e >= 0; e = next[e] as number)
        if ((left[e] as number) > 0 && level[to[e] as number] === -1) {
          level[to[e] as number] = (level[node] as number) + 1
          queue.push(to[e] as number)
        }
    }
    return level[sink] !== -1
  }

  function push(node: number, sink: number, most: number): number {
    if (node === sink) return most
    let sent = 0
    for (; (at[node] as number) >= 0; at[node] = next[at[node] as number] as number) {
      const e = at[node] as number
      const other = to[e] as number
      if ((left[e] as number) <= 0 || level[other] !== (level[node] as number) + 1) continue
      const more = push(other, sink, Math.min(most - sent, left[e] as number))
      if (more === 0) continue
      left[e] = (left[e] as number) - more
      left[e ^ 1] = (left[e ^ 1] as number) + more
      sent += more
      if (sent === most) return sent
    }
    return sent
  }

  return {
    arc: (from, target, capacity) => {
      half(from, target, capacity)
      half(target, from, 0)
    },
    most: (source, sink) => {
      let total = 0
      while (levels(source, sink)) {
        at.set(first)
        total += push(source, sink, Number.MAX_SAFE_INTEGER)
      }
      return total
    },
    reached: (node) => level[node] !== -1,
  }
}
