import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { root } from '../paths.ts'

const pages = ['README.md', ...['docs', 'docs/decisions'].flatMap(pagesIn)]

function pagesIn(folder: string): string[] {
  return readdirSync(join(root, folder))
    .filter((name) => name.endsWith('.md'))
    .map((name) => `${folder}/${name}`)
}

/** A file or a folder of a floor, as a page names it: `core/rules/heat.ts`. */
const named = /`((?:core|contract|devices|server|web|launcher|e2e|bench|torture|mutants)\/[\w./-]+)`/g

it.each(pages)('%s names no file that is not there', (page) => {
  const paths = [...readFileSync(join(root, page), 'utf8').matchAll(named)].map((m) => m[1] ?? '')
  expect(paths.filter((path) => !existsSync(join(root, path)))).toEqual([])
})

/** A name and the file that defines it: `judge` in `core/reading/judge.ts`; several names may share a file. */
const defined = /((?:`\w+`, )*`\w+`) in `((?:core|contract|server|web|launcher)\/[\w./-]+\.ts)`/g

it.each(['docs/glossary.md', 'docs/screens.md'])('%s names nothing that its file does not define', (page) => {
  const found = [...readFileSync(join(root, page), 'utf8').matchAll(defined)]
  expect(found.length).toBeGreaterThan(20)
  const lacking = found.flatMap(([, names = '', file = '']) => {
    const text = readFileSync(join(root, file), 'utf8')
    return names
      .split(', ')
      .map((name) => name.replaceAll('`', ''))
      .filter((name) => !new RegExp(`\\b${name}\\b`).test(text))
      .map((name) => `${name} in ${file}`)
  })
  expect(lacking).toEqual([])
})
