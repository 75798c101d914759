import { on } from 'node:events'
import { MessageChannel, type MessagePort } from 'node:worker_threads'
import { Refusal } from '@tadka/core/refusal'
import { Tinypool } from 'tinypool'

/** What a job is given: what was asked, and where to its pieces go, if it makes any. */
export interface Job<Asked> {
  readonly asked: Asked
  readonly port: MessagePort | null
}

/** How many jobs are worked on at a time, and how many may wait. */
const [threads, waiting] = [4, 32]
/** A thread that had nothing to do for so long ends: soon, or, in a server that serves, after half an hour. */
const [idleMs, servingIdleMs] = [60_000, 1_800_000]
const warmUp = new URL('./warm-up-job.ts', import.meta.url)
const warmMs = 60_000
/** When a server that has just begun has answered those who waited for it. */
const settledMs = 20_000

/**
 * Threads of their own for what takes long, so that nobody else waits for it. A job is a file whose default export takes a `Job`;
 * its database is this one (`database.ts`).
 */
export class Work {
  readonly #threads: Tinypool
  readonly #warming: ReturnType<typeof setTimeout> | undefined

  /** @param serving whether people wait for it: then a thread is ready soon after the begin, and stays. */
  constructor(databaseUrl: string, serving = false) {
    this.#threads = new Tinypool({
      minThreads: 0,
      maxThreads: threads,
      maxQueue: waiting,
      idleTimeout: serving ? servingIdleMs : idleMs,
      filename: new URL('./thread.mjs', import.meta.url).href,
      execArgv: [],
      workerData: databaseUrl,
    })
    if (serving)
      this.#warming = setTimeout(() => {
        void this.answer(warmUp, null, warmMs).catch(() => {})
      }, settledMs).unref()
  }

  /** One answer. Throws `work_too_long` where it is not there in time, `busy` where too much waits already. @param longestMs milliseconds. */
  async answer<Asked, Answer>(file: URL, asked: Asked, longestMs: number): Promise<Answer> {
    return (await this.#run(file, asked, null, AbortSignal.timeout(longestMs))) as Answer
  }

  /** What a job makes, piece by piece: it goes on when the last piece was taken, and ends when nobody takes more. Throws as `answer` does. */
  async *pieces<Asked, Piece>(file: URL, asked: Asked, longestMs: number): AsyncGenerator<Piece, void> {
    const { port1: here, port2: there } = new MessageChannel()
    const done = this.#run(file, asked, there, AbortSignal.timeout(longestMs)).finally(() => here.close())
    // Awaited below; one that fails before the first piece must not be an error that nobody hears.
    done.catch(() => {})
    try {
      for await (const [piece] of on(here, 'message', { close: ['close'] }) as AsyncIterable<[Piece]>) {
        yield piece
        here.postMessage(null)
      }
      await done
    } finally {
      here.close()
    }
  }

  async #run(file: URL, asked: unknown, port: MessagePort | null, signal: AbortSignal): Promise<unknown> {
    if (this.#threads.queueSize >= waiting) throw new Refusal('busy')
    const job: Job<unknown> = { asked, port }
    try {
      return await this.#threads.run(
        { file: file.href, job },
        { signal, ...(port ? { transferList: [port] } : {}) },
      )
    } catch (error) {
      throw signal.aborted ? new Refusal('work_too_long') : error
    }
  }

  /** Ends all that is under way. */
  close(): Promise<void> {
    clearTimeout(this.#warming)
    return this.#threads.destroy()
  }
}

/**
 * Pieces whose first is there: what is refused before it can still be answered as a refusal, not as an answer that breaks off.
 */
export async function begun<Piece>(
  pieces: AsyncGenerator<Piece, void>,
): Promise<AsyncGenerator<Piece, void>> {
  const first = await pieces.next()
  return (async function* () {
    try {
      if (!first.done) yield first.value
      yield* pieces
    } finally {
      await pieces.return()
    }
  })()
}
