import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { equivalents } from '../../mutants/equivalents.ts'
import { root } from '../paths.ts'

it('a mutant that is listed as none stands on a line that is still there', () => {
  const lost = equivalents.filter(({ file, line }) => {
    const lines = readFileSync(join(root, file), 'utf8').split('\n')
    return !lines.some((text) => text.trim() === line)
  })
  expect(lost.map((e) => `${e.file}: ${e.line}`)).toEqual([])
})
