import type { Part } from '../language.ts'

/** What comes out of a gravity soft-serve freezer with one barrel, and must go back in. */
export const softServeParts: readonly Part[] = [
  { id: 'door', name: 'Door', count: 1 },
  { id: 'door-screw', name: 'Door screws', count: 4 },
  { id: 'door-seal', name: 'Door seal', count: 1 },
  { id: 'guide', name: 'Guide bearing', count: 1 },
  { id: 'front-bearing', name: 'Front bearing', count: 1 },
  { id: 'beater', name: 'Beater', count: 1 },
  { id: 'shaft-seal', name: 'Drive-shaft seal', count: 1 },
  { id: 'valve', name: 'Draw valve', count: 1 },
  { id: 'valve-ring', name: 'Draw-valve O-rings', count: 3 },
  { id: 'feed-tube', name: 'Feed tube and float', count: 2 },
  { id: 'tray', name: 'Drip trays', count: 2 },
]
