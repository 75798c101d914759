import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join, relative, resolve, sep } from 'node:path'

/** Where the floors that have rooms lie, from the root of the project. */
export const floors = ['core', 'contract', 'devices', 'server', 'web/src'] as const

/** What one room takes from another: the file that does, and the file that it takes from. */
export interface Need {
  readonly from: string
  readonly to: string
  readonly by: string
  readonly what: string
}

const notRooms = new Set(['node_modules', 'dist', 'test', 'test-results', 'migrations'])

function filesIn(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (notRooms.has(entry.name)) return []
    const path = join(folder, entry.name)
    if (entry.isDirectory()) return filesIn(path)
    return /\.(ts|vue)$/.test(entry.name) ? [path] : []
  })
}

/** Imports, exports from elsewhere, and what is added to another module. */
const specifier = /(?:from|import|declare module)\s*\(?\s*'(\.{1,2}\/[^']+)'/g

/** What the rooms of a floor take from each other. What lies in no room joins them, and may. */
export function needsOf(floor: string): Need[] {
  const roomOf = (path: string) => {
    const parts = relative(floor, path).split(sep)
    return parts.length > 1 && parts[0] !== '..' ? parts[0] : undefined
  }
  return filesIn(floor).flatMap((by) => {
    const from = roomOf(by)
    const taken = [...readFileSync(by, 'utf8').matchAll(specifier)].map((m) =>
      resolve(dirname(by), m[1] ?? ''),
    )
    return taken.flatMap((what) => {
      const to = roomOf(what)
      return from === undefined || to === undefined || from === to ? [] : [{ from, to, by, what }]
    })
  })
}

/** The rooms that need each other, however far around: each circle once, by name. None: there is an order from below to above. */
export function circlesOf(needs: readonly Pick<Need, 'from' | 'to'>[]): string[][] {
  const reached = (start: string) => {
    const seen = new Set<string>()
    const next = [start]
    for (let room = next.pop(); room !== undefined; room = next.pop())
      for (const { from, to } of needs)
        if (from === room && !seen.has(to)) {
          seen.add(to)
          next.push(to)
        }
    return seen
  }
  const rooms = [...new Set(needs.map((n) => n.from))].toSorted()
  const reach = new Map(rooms.map((room) => [room, reached(room)]))
  const circles = rooms
    .filter((room) => reach.get(room)?.has(room))
    .map((room) => rooms.filter((other) => reach.get(room)?.has(other) && reach.get(other)?.has(room)))
  return circles.filter((circle, i) => circles.findIndex((c) => c[0] === circle[0]) === i)
}
