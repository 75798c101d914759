import { caseKinds, caseOrigins, caseParts } from '@tadka/core/case'
import { questionKinds } from '@tadka/core/honesty'
import { catalogue } from '@tadka/core/refusal'
import { allProcedures, safetyRules, stepsOf } from '@tadka/core/procedure'
import { flags } from '@tadka/core/record'
import { payloadSchemas } from '@tadka/contract/record'
import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { fetchWords, i18n } from '../src/words/index.ts'

await fetchWords()
const { t, te } = i18n.global

/** Every text of a tree with its path. */
function leaves(tree: object, path = ''): [string, string][] {
  return Object.entries(tree).flatMap(([key, value]): [string, string][] =>
    typeof value === 'string' ? [[`${path}${key}`, value]] : leaves(value as object, `${path}${key}.`),
  )
}

describe('the words', () => {
  const all = leaves(i18n.global.messages.value.en)
  it('are all there and none is empty', () => {
    expect(all.length).toBeGreaterThan(200)
    for (const [path, text] of all) expect(text.trim(), path).not.toBe('')
  })
  it('that a place asks for by name are there', () => {
    const source = new URL('../src/', import.meta.url)
    const files = readdirSync(source, { recursive: true, encoding: 'utf8' }).filter((f) =>
      /\.(vue|ts)$/.test(f),
    )
    const asked = files.flatMap((file) => {
      const text = readFileSync(new URL(file, source), 'utf8')
      return [...text.matchAll(/\bt\('([\w-]+(?:\.[\w-]+)+)'/g)].map((m) => [m[1] ?? '', file] as const)
    })
    expect(asked.length).toBeGreaterThan(500)
    expect(asked.filter(([key]) => !te(key)).map(([key, file]) => `${key} in ${file}`)).toEqual([])
  })
  it('have a sentence for every kind of record', () => {
    for (const type of Object.keys(payloadSchemas)) {
      const name = type.split('@')[0] ?? ''
      const own = [
        'reading.taken',
        'run.step.done',
        'case.action',
        'record.amended',
        'run.overridden',
        'station.made-safe',
        'training.ended',
      ].includes(name)
      expect(own || te(`log.say.${name}`), name).toBe(true)
    }
  })
  it.each<[string | string[], readonly string[]]>([
    ['run.why', safetyRules],
    ['house.rules_', safetyRules],
    ['run.act', ['freeze', 'reach-in', 'serve', 'sanitize', 'prime']],
    ['verdict', ['in', 'too-close', 'out', 'cannot-tell']],
    ['log.flags', flags],
    ['log.say', ['strengthened', 'weakened', 'drained-refilled', 'remixed', 'discarded', 'other']],
    ['log.case', ['open', 'openNow', 'closed', 'void', 'rechecked']],
    ['log.case.part', caseParts],
    ['case.ask', caseParts],
    ['case.origins', caseOrigins],
    ...caseKinds.flatMap((kind) =>
      caseParts.map((part): [string, string[]] => [`case.suggest.${kind}.${part}`, ['0', '1']]),
    ),
    ['question.asks', questionKinds],
    ['question.rests', questionKinds],
    ['question.answers', questionKinds],
    ['shift.risk', ['late', 'past-target', 'now', 'ahead']],
    ['people.role', ['crew', 'lead', 'manager']],
  ])('of %s cover every case', (path, names) => {
    for (const name of names) expect(te(`${path}.${name}`), name).toBe(true)
  })
  it('fill their blanks', () => {
    expect(t('bench.add', { amount: '11 mL' })).toBe('Add 11 mL, stir, test again')
    expect(t('run.count', { n: 2, of: 4 })).toBe('2 of 4 counted')
  })
})

describe('refusals', () => {
  it.each(Object.entries(catalogue))('%s is a sentence that ends', (_, { message }) => {
    expect(message).toMatch(/^[A-Z].*[.]$/)
    expect(message.length).toBeLessThan(140)
  })
})

describe('procedures', () => {
  it.each(allProcedures().map((p) => [p.id, p] as const))(
    '%s has short titles for a screen read at arm’s length',
    (_, p) => {
      for (const step of stepsOf(p.nodes)) expect(step.title.length).toBeLessThan(76)
    },
  )
})
