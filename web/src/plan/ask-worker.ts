import { toRaw } from 'vue'
import type { Asked, Said } from './worker.ts'

let worker: Worker | null = null
let last = 0
const listeners = new Map<number, (said: Said) => void>()

function started(): Worker {
  if (worker) return worker
  worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
  worker.addEventListener('message', (event: MessageEvent<{ id: number; said: Said }>) =>
    listeners.get(event.data.id)?.(event.data.said),
  )
  return worker
}

/** Asks the planner; `heard` hears every answer until the final one. Returns how to call it off: it then answers with what it has. */
export function askPlanner(asked: Asked, heard: (said: Said) => void): () => void {
  const id = ++last
  listeners.set(id, (said) => {
    if (said.kind !== 'better') listeners.delete(id)
    heard(said)
  })
  // What comes from the store is plain data behind proxies, which cannot be sent.
  started().postMessage({ id, asked: JSON.parse(JSON.stringify(toRaw(asked))) as Asked })
  return () => started().postMessage({ id })
}
