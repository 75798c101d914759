import { readProcedure } from '@tadka/contract/procedure'
import { allProcedures, keyed, latestProcedure, type Node, type Procedure } from '@tadka/core/procedure'
import { describe, expect, it } from 'vitest'
import { fieldAt } from '../src/editor/fault-words.ts'
import { fieldsFor, nodeKinds, type FieldSpec } from '../src/editor/fields.ts'
import { newNode } from '../src/editor/new-node.ts'
import { namesIn, unitOf } from '../src/editor/plate-names.ts'
import { fetchWords, i18n } from '../src/words/index.ts'

await fetchWords()
const { t, te } = i18n.global

/** What is no field of a form: what a node is, and the parts of it that are lists of their own. */
const structure = ['id', 'kind', 'steps', 'lanes', 'is', 'chose', 'leave']

describe('the form of a step', () => {
  it.each(allProcedures().map((p) => [p.id, p] as const))('has a field for all that %s says', (_, p) => {
    for (const { key, node } of keyed(p.nodes)) {
      const known = [...structure, ...fieldsFor(node.kind).map((f) => f.name)]
      expect([key, Object.keys(node).filter((name) => !known.includes(name))]).toEqual([key, []])
    }
  })
  it.each(nodeKinds)('of %s has words for its fields and their choices', (kind) => {
    const look = (fields: readonly FieldSpec[], of: string) => {
      for (const f of fields) {
        const own = `editor.field.${of}.${f.name}`
        expect([f.name, te(own) || te(`editor.field.any.${f.name}`)]).toEqual([f.name, true])
        if (f.is === 'choice') for (const c of f.of) expect([c, te(`${f.words}.${c}`)]).toEqual([c, true])
        if (f.is === 'rows') look(f.fields, of + f.name.charAt(0).toUpperCase() + f.name.slice(1))
        if (f.is === 'rows') expect(te(`editor.add.${f.name}`)).toBe(true)
      }
    }
    look(fieldsFor(kind), kind)
    for (const under of ['kind', 'kindHow', 'newTitle']) expect(te(`editor.${under}.${kind}`)).toBe(true)
  })
})

describe('a new step', () => {
  const base = latestProcedure('bucket.fill') as Procedure
  it.each(nodeKinds)('%s lacks nothing but words, which its form asks for', (kind) => {
    const nodes = [newNode(kind, 'fresh', t(`editor.newTitle.${kind}`)), ...base.nodes]
    for (const fault of readProcedure({ ...base, nodes }).faults) {
      if (fault.kind === 'safety') continue
      const told = fault.kind === 'shape' ? fieldAt({ ...base, nodes } as Procedure, fault.at) : null
      expect([fault.kind, told?.at]).toEqual(['shape', 'fresh'])
    }
  })
})

describe('a fault in a file', () => {
  const p = latestProcedure('soft-serve-twin.close') as Procedure
  const pathOf = (nodes: readonly Node[], key: string): string => {
    const [id, ...rest] = key.split('.')
    const i = nodes.findIndex((n) => n.id === id)
    const node = nodes[i]
    if (!node || rest.length === 0) return `${i}`
    if (node.kind === 'together') {
      const lane = node.lanes.findIndex((l) => l.id === rest[0])
      return `${i}.lanes.${lane}.steps.${pathOf(node.lanes[lane]?.steps ?? [], rest.slice(1).join('.'))}`
    }
    return `${i}.steps.${pathOf('steps' in node ? node.steps : [], rest.join('.'))}`
  }
  it('is told at its step and its field, in groups and lanes too', () => {
    for (const any of allProcedures())
      for (const { key } of keyed(any.nodes))
        expect(fieldAt(any, `nodes.${pathOf(any.nodes, key)}.title`)).toEqual({ at: key, field: 'title' })
  })
  it('that is of all of it is told so', () => {
    expect(fieldAt(p, 'name')).toEqual({ at: null, field: 'name' })
    expect(fieldAt(p, 'nodes')).toEqual({ at: null, field: 'nodes' })
  })
})

describe('the names of the plate', () => {
  it('are offered by what they measure', () => {
    expect(namesIn('mL')).toContain('rinse')
    expect(namesIn('min')).not.toContain('rinse')
    for (const p of allProcedures())
      for (const [name, unit] of Object.entries(p.parameters)) expect(unitOf(name)).toBe(unit)
    for (const unit of ['mL', 'min', 'count', '°C', 'µm'] as const)
      for (const name of namesIn(unit)) expect([name, te(`plate.${name}`)]).toEqual([name, true])
  })
})
