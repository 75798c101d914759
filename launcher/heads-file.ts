import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { headsFile, type HeadsFile } from '@tadka/contract/record'
import { Trouble } from './trouble.ts'

export const headsNameOf = (dump: string): string => dump.replace(/\.dump$/, '.heads.json')

function headsIn(file: string): HeadsFile['heads'] {
  try {
    return headsFile.parse(JSON.parse(readFileSync(file, 'utf8'))).heads
  } catch {
    throw new Trouble(`${file} is no file of heads, as a backup makes it: tadka-....heads.json.`)
  }
}

/** The heads of a site in a file, or in all files of a folder of backups. Throws where there is none. */
export function rememberedHeads(path: string, site: string): HeadsFile['heads'] {
  if (!existsSync(path)) throw new Trouble(`There is no file or folder ${path}.`)
  const files = statSync(path).isDirectory()
    ? readdirSync(path)
        .filter((name) => name.endsWith('.heads.json'))
        .map((name) => join(path, name))
    : [path]
  if (files.length === 0) throw new Trouble(`${path} holds no file of heads: tadka-....heads.json.`)
  return files.flatMap(headsIn).filter((h) => h.site === site)
}
