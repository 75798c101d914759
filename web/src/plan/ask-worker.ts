import { toRaw } from 'vue'
import type { Asked, Said } from './worker.ts'

/** Ways out are looked for beside the plan, which waits for nobody. */
const workers: { plan: Worker | null; beside: Worker | null } = { plan: null, beside: null }
let last = 0
const listeners = new Map<number, (said: Said) => void>()

function started(which: keyof typeof workers): Worker {
  const kept = workers[which]
  if (kept) return kept
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
  worker.addEventListener('message', (event: MessageEvent<{ id: number; said: Said }>) =>
    listeners.get(event.data.id)?.(event.data.said),
  )
  workers[which] = worker
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
  const worker = started(asked.kind === 'ways' ? 'beside' : 'plan')
  worker.postMessage({ id, asked: JSON.parse(JSON.stringify(toRaw(asked))) as Asked })
  return () => worker.postMessage({ id })
}
