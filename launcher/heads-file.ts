import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { headsFile, headsOfLines, type HeadsFile } from '@tadka/contract/record'
import { Trouble } from './trouble.ts'

export const headsNameOf = (dump: string): string => dump.replace(/\.dump$/, '.heads.json')

function headsIn(file: string): HeadsFile['heads'] {
  const text = readFileSync(file, 'utf8')
  const lines = headsOfLines(text)
  if (lines) return lines
  try {
    return headsFile.parse(JSON.parse(text)).heads
  } catch {
    throw new Trouble(
      `${file} is no file of heads: neither tadka-....heads.json, as a backup makes it, nor lines as a pack’s code says them: tadka-head 1 SITE NUMBER FINGERPRINT.`,
    )
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
