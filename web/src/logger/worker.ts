import { Refusal, type RefusalWire } from '@tadka/core/refusal'
import { checkFile, type Checked, type CheckAsked } from './check.ts'

export type Said =
  | { readonly kind: 'read'; readonly rows: number; readonly share: number }
  | { readonly kind: 'checked'; readonly checked: Checked }
  | { readonly kind: 'refused'; readonly refused: RefusalWire }

const cancelled = new Set<number>()
/** Progress is told no more often than this, ms. */
const everyMs = 100

async function work(id: number, asked: CheckAsked, say: (said: Said) => void): Promise<void> {
  let told = 0
  const tell = (rows: number, share: number) => {
    if (performance.now() - told < everyMs) return
    told = performance.now()
    say({ kind: 'read', rows, share })
  }
  try {
    const checked = await checkFile(asked, tell, () => !cancelled.delete(id))
    if (checked) say({ kind: 'checked', checked })
  } catch (error) {
    const refused = error instanceof Refusal ? error : new Refusal('broken')
    say({ kind: 'refused', refused: refused.toWire() })
  }
}

/** Reads a logger's file off the screen's thread. */
self.addEventListener('message', (event: MessageEvent<{ id: number; asked?: CheckAsked }>) => {
  const { id, asked } = event.data
  if (!asked) {
    cancelled.add(id)
    return
  }
  void work(id, asked, (said) => self.postMessage({ id, said }))
})
