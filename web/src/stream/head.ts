import { StorageSerializers, useStorage } from '@vueuse/core'
import { ask } from '../wire/api.ts'

/** Where the chain of a site ended when this tablet last saw it. */
interface Head {
  readonly site: string
  readonly seq: number
  readonly hash: string
}

const kept = <T>(key: string) =>
  useStorage<T | null>(key, null, undefined, { serializer: StorageSerializers.object })
const remembered = kept<Head>('tadka.head')
/** The last record that this tablet saw in a chain which the server no longer has; null where that never was, or was noted. */
export const lostHead = kept<Pick<Head, 'site' | 'seq'>>('tadka.lostHead')

/** Whether the server was found to have what is remembered, since the last time that it could not be reached. */
let isAgreed = false

/** Whoever alters the log, or restores an old copy, must reckon with every tablet that saw the newer one. */
export function rememberHead(head: Head): void {
  isAgreed = true
  if (head.seq > 0) remembered.value = head
}
/** The same by what comes in the stream: it may be another chain's, until that was asked. */
export function moveHead(head: Head): void {
  if (isAgreed) rememberHead(head)
}

/** Whether the server's chain no longer goes through what this tablet saw; it is told until somebody notes it. */
export async function isChainLost(site: string): Promise<boolean> {
  isAgreed = false
  const head = remembered.value
  if (head?.site !== site) return false
  const { seq, hash } = head
  const { holds } = await ask<{ holds: boolean }>('POST', `/api/sites/${site}/head`, { seq, hash })
  if (!holds) lostHead.value = { site, seq }
  return !holds
}
