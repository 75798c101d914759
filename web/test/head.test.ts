import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { isChainLost, lostHead, moveHead, rememberHead } from '../src/stream/head.ts'
import { tablet, type Tablet } from './tablet.ts'

let t: Tablet
const head = (seq: number, site = 'gannet') => ({ site, seq, hash: seq.toString(16).padStart(64, '0') })
const says = (holds: boolean) => (t.server.answer = () => ({ status: 200, body: { holds } }))
const asked = () => t.server.asked.map((a) => (a.body as { seq: number }).seq)
beforeEach(() => {
  t = tablet()
  lostHead.value = null
})
afterEach(() => vi.unstubAllGlobals())

describe('what a tablet remembers of the chain', () => {
  it('is asked of the server, and told as lost where that does not have it', async () => {
    rememberHead(head(7))
    says(true)
    expect(await isChainLost('gannet')).toBe(false)
    expect(lostHead.value).toBeNull()
    says(false)
    expect(await isChainLost('gannet')).toBe(true)
    expect(lostHead.value).toEqual({ site: 'gannet', seq: 7 })
    expect(t.server.asked[0]?.body).toEqual({ seq: 7, hash: head(7).hash })
  })
  it('is not replaced by what streams in while the chain may be another', async () => {
    rememberHead(head(7))
    says(false)
    await isChainLost('gannet')
    moveHead(head(3))
    await isChainLost('gannet')
    expect(asked()).toEqual([7, 7])
    rememberHead(head(4))
    moveHead(head(5))
    await isChainLost('gannet')
    expect(asked()).toEqual([7, 7, 5])
  })
  it('is of one site, and nothing of an empty chain', async () => {
    rememberHead(head(7, 'elsewhere'))
    rememberHead(head(0))
    expect(await isChainLost('gannet')).toBe(false)
    expect(t.server.asked).toEqual([])
  })
})
