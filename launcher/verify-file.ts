import { createHash } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { exportFile } from '@tadka/contract/record'
import { verifyExport, type ExportFile } from '@tadka/core/stream'
import { rememberedHeads } from './heads-file.ts'
import { Trouble } from './trouble.ts'

const sha256 = (text: string) => createHash('sha256').update(text).digest('hex')

function read(path: string): ExportFile {
  if (!existsSync(path)) throw new Trouble(`There is no file ${path}.`)
  try {
    return exportFile.parse(JSON.parse(readFileSync(path, 'utf8'))) as ExportFile
  } catch {
    throw new Trouble(`${path} is no log or pack as Tadka saves it: JSON with a format, a site and records.`)
  }
}

/** Checks a log or a pack that was saved as JSON, with no database; returns the exit code. @param more a file of heads kept elsewhere. */
export function verifyFile(path: string | undefined, more?: string): number {
  if (!path) throw new Trouble('Say which file: ./tadka verify --file pack.json [HEADS]')
  const file = read(path)
  const heads = more === undefined ? [] : rememberedHeads(more, file.site)
  const { records, first, last, fault, missed, held } = verifyExport(file, sha256, heads)
  if (fault)
    console.log(
      fault.why === 'head'
        ? `${path}: the last records are missing, or others: record ${fault.seq} should be the last.`
        : `${path}: record ${fault.seq} was altered, or one before it is missing (${fault.why}). ${records} records before it are whole.`,
    )
  for (const { seq } of missed)
    console.log(
      `${path}: record ${seq} is not the one that the heads remember: it was written anew from there or before.`,
    )
  if (fault || missed.length > 0) return 1
  console.log(
    last
      ? `${path}: ${records} records of ${file.site} are whole, from ${first} to ${last.seq}, head ${last.hash}`
      : `${path} holds no record of ${file.site}.`,
  )
  console.log(
    held > 0
      ? `They go through ${held} of the heads given.`
      : 'Whether they were all written anew only a head kept elsewhere can tell: name a file of heads.',
  )
  return 0
}
