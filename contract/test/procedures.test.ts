import { allProcedures, latestProcedure, type Procedure } from '@tadka/core/procedure'
import { describe, expect, it } from 'vitest'
import { readProcedure } from '../procedure/index.ts'
import { checkContents, checkDraft } from '../record/index.ts'

const copy = (id: string) =>
  JSON.parse(JSON.stringify(latestProcedure(id))) as Record<string, never> & Procedure

describe.each(allProcedures().map((p) => [p.id, p] as const))('the file of %s', (_, p) => {
  it('has the documented shape, names that are known, and is safe', () => {
    expect(readProcedure(JSON.parse(JSON.stringify(p))).faults).toEqual([])
  })
})

describe('a bad file is refused with its path and reason', () => {
  const broken = (change: (p: Record<string, unknown> & { nodes: Record<string, unknown>[] }) => void) => {
    const p = copy('bucket.fill') as unknown as Record<string, unknown> & { nodes: Record<string, unknown>[] }
    change(p)
    return readProcedure(p)
  }
  it.each([
    ['no procedure at all', (p: { nodes: unknown }) => delete p.nodes, 'shape', 'nodes'],
    ['an unknown field', (p: Record<string, unknown>) => (p['colour'] = 'red'), 'shape', ''],
    [
      'an unknown kind of step',
      (p: { nodes: { kind: unknown }[] }) => ((p.nodes[0] as { kind: unknown }).kind = 'stir'),
      'shape',
      'nodes.0',
    ],
    [
      'an id used twice',
      (p: { nodes: { id: unknown }[] }) => ((p.nodes[1] as { id: unknown }).id = 'mix'),
      'name',
      'mix',
    ],
    [
      'a parameter nobody declared',
      (p: { nodes: { volume: unknown }[] }) => ((p.nodes[0] as { volume: unknown }).volume = { of: 'tub' }),
      'name',
      'mix',
    ],
    [
      'a word in braces nobody declared',
      (p: { nodes: { title: unknown }[] }) => ((p.nodes[1] as { title: unknown }).title = 'Wait {ages}'),
      'name',
      'stand',
    ],
    [
      'an option nobody declared',
      (p: { nodes: { when: unknown }[] }) =>
        ((p.nodes[1] as { when: unknown }).when = [{ option: 'x', is: ['y'] }]),
      'name',
      'stand',
    ],
  ] as const)('%s', (_, change, kind, at) => {
    const { procedure, faults } = broken(change as never)
    expect(procedure).toBeNull()
    expect(faults[0]).toMatchObject({ kind, at: expect.stringContaining(at) })
  })
  it('and what is not safe, with the rule and the way to it', () => {
    const p = copy('ice-nugget.half-year') as unknown as { nodes: { id: string }[] }
    p.nodes = p.nodes.filter((n) => n.id !== 'clear')
    const { faults } = readProcedure(p)
    expect(faults[0]).toMatchObject({ kind: 'safety', rule: 'sanitizer-on-descaler' })
    expect(faults[0]?.kind === 'safety' && faults[0].path.at(-1)).toBe('Sanitizer in the reservoir, water on')
  })
  it.each([null, 7, 'procedure', [], {}])('%j is none', (value) =>
    expect(readProcedure(value).procedure).toBeNull(),
  )
})

describe('a procedure of the site’s own is checked where it is saved', () => {
  const draft = (type: string, subject: object, payload: object) => ({
    id: '019a9b3c-0000-7000-8000-000000000001',
    site: 's',
    type,
    subject,
    observedAt: 1,
    device: 'd',
    counter: 1,
    by: 'oriel',
    payload,
  })
  const own = { ...latestProcedure('bucket.fill'), id: 'own.bucket.fill' } as Procedure
  const set = (document: unknown, id = 'own.bucket.fill') =>
    checkContents(checkDraft(draft('procedure.set@1', { kind: 'procedure', id }, { document })))
  const unsafe = { ...own, begins: { feeds: 'off' } }
  it('a sound one is let through', () => expect(() => set(own)).not.toThrow())
  it.each([
    ['what is unsafe', () => set(unsafe), 'procedure_unsafe'],
    ['a name of the library', () => set({ ...own, id: 'bucket.fill' }), 'procedure_malformed'],
    ['another subject', () => set(own, 'own.other'), 'procedure_malformed'],
    ['what is no procedure', () => set({ id: 'own.bucket.fill' }), 'body_malformed'],
  ] as const)('%s is refused', (_, act, code) => expect(act).toThrow(expect.objectContaining({ code })))
})
