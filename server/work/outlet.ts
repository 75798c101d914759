import type { MessagePort } from 'node:worker_threads'

/** Where a job's pieces go, one at a time. */
export class Outlet<Piece> {
  readonly #port: MessagePort
  #isOpen = true
  #taken: (goOn: boolean) => void = () => {}

  constructor(port: MessagePort) {
    this.#port = port
    port.on('message', () => this.#taken(true))
    port.on('close', () => {
      this.#isOpen = false
      this.#taken(false)
    })
  }

  /** Hands over a piece and waits until it was taken. Returns false where nobody takes more. */
  put(piece: Piece): Promise<boolean> {
    if (!this.#isOpen) return Promise.resolve(false)
    return new Promise((resolve) => {
      this.#taken = resolve
      this.#port.postMessage(piece)
    })
  }

  close(): void {
    this.#port.close()
  }
}
