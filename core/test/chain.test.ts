import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  canonicalText,
  isFault,
  noRecordBefore,
  placeIn,
  verifyChain,
  type ChainLink,
  type Sha256,
} from '../stream/index.ts'

/** Not a hash to trust; enough to see a changed text. */
const sum: Sha256 = (text) =>
  [...text].reduce((h, c) => (h * 31 + (c.codePointAt(0) ?? 0)) % 2 ** 31, 7).toString(16)

describe('the chain', () => {
  const chain = (n: number): ChainLink[] => {
    const links: ChainLink[] = []
    let prev = noRecordBefore
    for (let seq = 1; seq <= n; seq++) {
      const text = canonicalText({ seq, prev, what: `r${seq}` })
      prev = sum(text)
      links.push({ seq, text, hash: prev })
    }
    return links
  }
  const start = { seq: 0, hash: noRecordBefore }
  it('verifies whole, and in stretches', () => {
    const links = chain(9)
    const half = verifyChain(links.slice(0, 4), sum, start)
    if (isFault(half)) throw new Error('whole chain is called broken')
    expect(verifyChain(links.slice(4), sum, half)).toEqual({ seq: 9, hash: links[8]?.hash })
  })
  it('shows any altered, removed or swapped line', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 7 }), fc.constantFrom('alter', 'remove', 'rehash'), (at, how) => {
        const links = chain(9)
        const line = links[at]
        if (!line) return false
        if (how === 'remove') links.splice(at, 1)
        else {
          const text = line.text.replace('"r', '"R')
          links[at] = { ...line, text, hash: how === 'rehash' ? sum(text) : line.hash }
        }
        return isFault(verifyChain(links, sum, start))
      }),
    )
  })
  it('shows a text that cannot be read, and one that says another place than it has', () => {
    const text = '{"seq":1'
    expect(verifyChain([{ seq: 1, text, hash: sum(text) }], sum, start)).toEqual({
      seq: 1,
      why: 'unreadable',
    })
    const other = canonicalText({ seq: 2, prev: noRecordBefore })
    expect(verifyChain([{ seq: 1, text: other, hash: sum(other) }], sum, start)).toEqual({
      seq: 1,
      why: 'seq',
    })
  })
})

describe('the place that a record gives itself', () => {
  const fields = (payload: unknown, seq: number, prev: string) => ({
    by: 'bao',
    clockOffset: -3,
    counter: 7,
    device: 'd',
    flags: [],
    id: 'x',
    observedAt: 1,
    payload,
    prev,
    receivedAt: 2,
    seq,
    site: 'gannet',
    subject: { id: 'a', kind: 'run' },
    type: 'run.started@1',
  })
  const hex = fc.stringMatching(/^[0-9a-f]{64}$/)
  it('is what parsing the whole text gives, whatever else it holds', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.integer({ min: 1 }), hex, (payload, seq, prev) => {
        const text = JSON.stringify(fields(payload, seq, prev))
        expect(placeIn(text)).toEqual({ prev, seq })
      }),
    )
  })
  it('is never taken from within a payload or a key that looks like it', () => {
    const real = 'a'.repeat(64)
    const told = JSON.stringify(fields(null, 9, 'b'.repeat(64))).slice(0, -1)
    const lies = [
      told,
      `${told}}`,
      { [`x,"prev`]: 'b'.repeat(64) },
      {
        x: {
          prev: 'b'.repeat(64),
          receivedAt: 2,
          seq: 9,
          site: 's',
          subject: { id: 'a', kind: 'b' },
          type: 't',
        },
      },
    ]
    for (const lie of lies) {
      expect(placeIn(JSON.stringify(fields(lie, 5, real)))).toEqual({ prev: real, seq: 5 })
      // At the end of the text too, where its own fields come first.
      const { prev, seq, ...others } = fields('', 5, real)
      const last = JSON.stringify({ prev, seq, ...others, zz: lie })
      expect(placeIn(last)).toEqual({ prev: real, seq: 5 })
    }
  })
})
