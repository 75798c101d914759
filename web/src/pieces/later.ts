import { defineAsyncComponent, type Component } from 'vue'

const againMs = 2000
const longestMs = 1000

/** When the place itself stands. */
const idle = () =>
  new Promise<void>((resolve) =>
    'requestIdleCallback' in window
      ? requestIdleCallback(() => resolve(), { timeout: longestMs })
      : setTimeout(resolve, longestMs / 4),
  )

/** A view of a place, read when it is opened. On patchy Wi-Fi it is asked for until it is there. */
export const opened = <C extends Component>(load: () => Promise<{ default: C }>) =>
  defineAsyncComponent<C>({
    loader: () => load().then((it) => it.default),
    onError: (_error, retry) => void setTimeout(retry, againMs),
  })

/** A part of a place that comes after it: a person reads and begins meanwhile. */
export const later = <C extends Component>(load: () => Promise<{ default: C }>) =>
  opened(() => idle().then(load))
