import type { Delivery } from '@tadka/contract/warewash'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { emptyBlock, putInto, seconds, unpack } from '../warewash/block.ts'

const figure = fc.option(fc.double({ min: -40, max: 320, noNaN: true }), { freq: 8 })
const delivery = fc
  .record({ from: fc.integer({ min: 0, max: 400 }), length: fc.integer({ min: 1, max: 150 }) })
  .chain(({ from, length }) =>
    fc.record({
      from: fc.constant(from),
      tank: fc.array(figure, { minLength: length, maxLength: length }),
      on: fc.array(fc.integer({ min: 0, max: 7 }), { minLength: length, maxLength: length }),
    }),
  )
  .map(({ from, tank, on }): Delivery => ({
    boot: 'boot-1',
    uptime: 1000,
    from,
    tank,
    rinse: tank.map((v) => (v === null ? null : v / 2)),
    pressure: tank,
    on,
  }))
const minutesOf = (d: Delivery) => {
  const first = Math.floor(d.from / seconds)
  const last = Math.floor((d.from + d.tank.length - 1) / seconds)
  return Array.from({ length: last - first + 1 }, (_, i) => first + i)
}

describe('a minute of samples', () => {
  it('gives back what was put in, to a hundredth', () => {
    fc.assert(
      fc.property(delivery, (d) => {
        const blocks = minutesOf(d).map((minute) => {
          const data = emptyBlock()
          expect(putInto(data, minute, d)).toBe(Math.max(d.from, minute * seconds))
          return { minute, data }
        })
        const out = unpack(blocks, 0, 10_000)
        expect([...out.at]).toEqual(d.tank.map((_, i) => d.from + i))
        expect([...out.on]).toEqual(d.on)
        d.tank.forEach((v, i) => {
          if (v === null) expect(out.tank[i]).toBeNaN()
          else {
            expect(Math.abs((out.tank[i] ?? 0) - v)).toBeLessThan(0.0051)
            expect(Math.abs((out.rinse[i] ?? 0) - v / 2)).toBeLessThan(0.0051)
            expect(Math.abs((out.pressure[i] ?? 0) - v)).toBeLessThan(0.0501)
          }
          expect(out.conductivity[i]).toBeNaN()
        })
      }),
    )
  })
  it('what is there stays: the same again is no news, and neither is another value for it', () => {
    fc.assert(
      fc.property(delivery, (d) => {
        const [minute = 0] = minutesOf(d)
        const data = emptyBlock()
        putInto(data, minute, d)
        const before = Buffer.from(data)
        expect(putInto(data, minute, d)).toBeNull()
        expect(putInto(data, minute, { ...d, tank: d.tank.map(() => 99) })).toBeNull()
        expect(data.equals(before)).toBe(true)
      }),
    )
  })
  it('gives only the seconds asked for', () => {
    const d: Delivery = {
      boot: 'boot-1',
      uptime: 100,
      from: 10,
      tank: new Array<number>(40).fill(68),
      rinse: new Array<number>(40).fill(60),
      pressure: new Array<number>(40).fill(0),
      on: new Array<number>(40).fill(1),
    }
    const data = emptyBlock()
    putInto(data, 0, d)
    expect([...unpack([{ minute: 0, data }], 20, 23).at]).toEqual([20, 21, 22, 23])
    expect(unpack([{ minute: 0, data }], 50, 59).at).toHaveLength(0)
  })
})
