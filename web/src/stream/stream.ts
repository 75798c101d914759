import type { AnyRecord } from '@tadka/core/stream'

interface Listeners {
  readonly record: (record: AnyRecord) => void
  readonly time: (serverTime: number) => void
  readonly open: (up: boolean) => void
  /** Called before following anew after the stream was lost; brings the states up to date. */
  readonly again: () => Promise<void>
}

const retryMs = 1500

/** Follows a site's records from where the tablet stands, and goes on from there when the stream is lost. */
export function followEvents(site: string, after: () => number, on: Listeners): () => void {
  let source: EventSource | null = null
  let timer: ReturnType<typeof setTimeout> | null = null
  let stopped = false

  function open(): void {
    if (stopped) return
    source = new EventSource(`/api/sites/${site}/events?after=${after()}`)
    source.addEventListener('open', () => on.open(true))
    source.addEventListener('record', (e: MessageEvent<string>) => on.record(JSON.parse(e.data) as AnyRecord))
    source.addEventListener('time', (e: MessageEvent<string>) => on.time(Number(e.data)))
    source.addEventListener('error', () => {
      on.open(false)
      source?.close()
      timer = setTimeout(
        () =>
          void on
            .again()
            .catch(() => {})
            .then(open),
        retryMs,
      )
    })
  }
  open()
  return () => {
    stopped = true
    source?.close()
    if (timer) clearTimeout(timer)
  }
}
