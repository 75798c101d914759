import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { root } from '../paths.ts'
import { circlesOf, floors, needsOf } from '../rooms.ts'

const need = (from: string, to: string) => ({ from, to })

describe('rooms', () => {
  it.each(floors)('of %s: none needs one that needs it, however far around', (floor) => {
    const needs = needsOf(join(root, floor))
    const circles = circlesOf(needs)
    const inCircle = needs.filter((n) => circles.some((c) => c.includes(n.from) && c.includes(n.to)))
    expect(inCircle.map((n) => `${n.by} takes ${n.what}`)).toEqual([])
  })
  it('that are in a circle are found, over two others too', () => {
    expect(circlesOf([need('a', 'b'), need('b', 'c'), need('c', 'd')])).toEqual([])
    expect(circlesOf([need('a', 'b'), need('b', 'a'), need('b', 'c')])).toEqual([['a', 'b']])
    expect(circlesOf([need('a', 'b'), need('b', 'c'), need('c', 'a'), need('c', 'd')])).toEqual([
      ['a', 'b', 'c'],
    ])
  })
  it('of the core take from each other at all', () => {
    expect(needsOf(join(root, 'core')).length).toBeGreaterThan(100)
  })
})
