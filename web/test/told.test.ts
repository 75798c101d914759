import { common } from '@tadka/words/en/common'
import { log } from '@tadka/words/en/log'
import { pack } from '@tadka/words/en/pack'
import { sheet } from '@tadka/words/en/sheet'
import { translateBy, type Catalogue } from '@tadka/words/tell'
import { expect, it } from 'vitest'
import { fetchWords, i18n } from '../src/words/index.ts'

await fetchWords()
const onScreen = i18n.global.t
const onPaper = translateBy({ ...common, log, pack, sheet })

const keysOf = (of: Catalogue, before = ''): string[] =>
  Object.entries(of).flatMap(([k, v]) =>
    typeof v === 'string' ? [before + k] : v instanceof Array ? [] : keysOf(v as Catalogue, `${before}${k}.`),
  )

it('paper says what the screen says, in every form of every text that both have', () => {
  const keys = keysOf({ pack, sheet, span: common.span, verdict: common.verdict })
  expect(keys.length).toBeGreaterThan(80)
  const texts = { ...common, pack, sheet } as Catalogue
  const textOf = (key: string) => key.split('.').reduce<unknown>((at, k) => (at as Catalogue)[k], texts)
  for (const key of keys) {
    const names = [...String(textOf(key)).matchAll(/\{(\w+)\}/g)].map((m) => m[1] ?? '')
    const places = Object.fromEntries(names.map((name) => [name, `a ${name}`]))
    expect(onPaper(key, places)).toBe(onScreen(key, places))
    for (const n of [0, 1, 2, 7])
      expect(onPaper(key, { ...places, n }, n)).toBe(onScreen(key, { ...places, n }, n))
  }
})
it('a text that is not there is its own key, and is found by it', () =>
  expect([onPaper('sheet.no.such'), onPaper('sheet')]).toEqual(['sheet.no.such', 'sheet']))
