import { siteFile } from '@tadka/contract/house'
import {
  beginsAs,
  families,
  freeSlug,
  typicalStation,
  type SiteFile,
  type StationSet,
} from '@tadka/core/house'
import type { UnitSystem } from '@tadka/core/quantity'

/** What is wrong in a file: in which line, where that is known, and why, in words or by a key of them. */
export interface FileFault {
  readonly line: number | null
  readonly why: string
  readonly what: string
  /** The way to it inside a JSON file. */
  readonly at: string
}
export type ReadFile =
  | { readonly file: SiteFile; readonly lineOf: (path: readonly (string | number)[]) => number | null }
  | { readonly faults: readonly FileFault[] }

const lineAt = (text: string, offset: number): number => text.slice(0, offset).split('\n').length

/** A site's set-up from a JSON file: the file, or everything that is wrong with its shape, line by line. */
export async function readJson(text: string): Promise<ReadFile> {
  const { parseTree, findNodeAtLocation, getNodeValue, printParseErrorCode } = await import('jsonc-parser')
  const errors: { error: number; offset: number; length: number }[] = []
  const tree = parseTree(text, errors, { disallowComments: true })
  const [broken] = errors
  if (!tree || broken) {
    const line = broken ? lineAt(text, broken.offset) : 1
    return { faults: [{ line, why: 'json', what: broken ? printParseErrorCode(broken.error) : '', at: '' }] }
  }
  /** Of the nearest part that is there: a field that is missing has none of its own. */
  const lineOf = (path: readonly (string | number)[]): number | null => {
    for (let depth = path.length; depth >= 0; depth--) {
      const node = findNodeAtLocation(tree, path.slice(0, depth))
      if (node) return lineAt(text, node.offset)
    }
    return null
  }
  const read = siteFile.safeParse(getNodeValue(tree))
  if (read.success) return { file: read.data, lineOf }
  return {
    faults: read.error.issues.map((issue) => {
      const path = issue.path.filter((p) => typeof p !== 'symbol')
      return { line: lineOf(path), why: 'shape', what: issue.message, at: path.join('.') }
    }),
  }
}

/** What a table's station is made with: what families are called, who is there already, and the words of a typical one. */
export interface TableKnown {
  readonly units: UnitSystem
  readonly model: string
  /** A family by what it is called, or by its id; null for none. */
  readonly family: (called: string) => string | null
  readonly stations: readonly { readonly id: string; readonly name: string; readonly tag: string }[]
}

type Row = Readonly<Record<string, string>>

/** People (`name`, `role`, `cleans`) or stations (`name`, `family`, `place`, `tag`) from a table with a head line. */
export async function readTable(text: string, known: TableKnown): Promise<ReadFile> {
  const { default: Papa } = await import('papaparse')
  const table = Papa.parse<Row>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim().toLowerCase(),
    transform: (v) => v.trim(),
  })
  const head = table.meta.fields ?? []
  const kind = head.includes('role') ? 'people' : head.includes('family') ? 'stations' : null
  if (kind === null || !head.includes('name'))
    return { faults: [{ line: 1, why: 'head', what: head.join(', '), at: '' }] }
  // The head is line 1, and lines without anything count.
  const lines = linesOf(text)
  const line = (row: number) => lines[row + 1] ?? row + 2
  const broken = table.errors.filter((e) => e.type !== 'Delimiter')
  const faults: FileFault[] = broken.map((e) => ({
    line: line(e.row ?? 0),
    why: 'cells',
    what: e.message,
    at: '',
  }))
  const found = kind === 'people' ? peopleOf(table.data) : stationsOf(table.data, known)
  faults.push(...found.faults.map((f) => ({ ...f, line: line(f.row), at: '' })))
  if (faults.length > 0) return { faults: faults.toSorted((a, b) => (a.line ?? 0) - (b.line ?? 0)) }
  const rowOf = found.rows
  return {
    file: { format: 'tadka-site@1', [kind]: found.entries } as SiteFile,
    lineOf: ([, i]) => (typeof i === 'number' ? line(rowOf[i] ?? i) : null),
  }
}

/** The numbers of the lines that hold anything. A quoted line end inside a cell makes them too low: then the row is counted. */
const linesOf = (text: string): number[] =>
  text.split(/\r\n|\r|\n/).flatMap((line, i) => (/[^\s,;"\t]/.test(line) ? [i + 1] : []))

interface Found {
  readonly entries: readonly object[]
  /** By entry: its row in the table. */
  readonly rows: readonly number[]
  readonly faults: readonly { readonly row: number; readonly why: string; readonly what: string }[]
}

function peopleOf(rows: readonly Row[]): Found {
  const faults: { row: number; why: string; what: string }[] = []
  const entries = rows.map((r, row) => {
    const { name = '', role = '' } = r
    const [asked, does] = [role.toLowerCase(), (r['cleans'] ?? '').toLowerCase()]
    if (name === '' || name.length > 40) faults.push({ row, why: 'name', what: name })
    if (asked === 'manager') faults.push({ row, why: 'manager', what: name })
    else if (asked !== 'crew' && asked !== 'lead') faults.push({ row, why: 'role', what: role })
    const clean = beginsAs.find((c) => c === does)
    if (does !== '' && !clean) faults.push({ row, why: 'cleans', what: does })
    return { name, role: asked, ...(clean ? { cleans: clean } : {}) }
  })
  return { entries, rows: rows.map((_, i) => i), faults }
}

/** A station whose name is there already is the one that is meant: it stays as it is. */
function stationsOf(rows: readonly Row[], known: TableKnown): Found {
  const faults: { row: number; why: string; what: string }[] = []
  const entries: (StationSet & { id: string })[] = []
  const rowOf: number[] = []
  const ids = known.stations.map((s) => s.id)
  const tags = [...known.stations.map((s) => s.tag), ...rows.map((r) => r['tag'] ?? '')]
  const names = known.stations.map((s) => s.name.toLowerCase())
  let tag = Math.max(0, ...tags.map(Number).filter(Number.isInteger))
  for (const [row, r] of rows.entries()) {
    const { name = '', place = '' } = r
    const family = known.family(r['family'] ?? '')
    if (name === '' || name.length > 80) faults.push({ row, why: 'name', what: name })
    if (!family) faults.push({ row, why: 'family', what: r['family'] ?? '' })
    if ((r['tag'] ?? '').length > 12) faults.push({ row, why: 'tag', what: r['tag'] ?? '' })
    if (names.includes(name.toLowerCase())) {
      if (!known.stations.some((s) => s.name.toLowerCase() === name.toLowerCase()))
        faults.push({ row, why: 'name-twice', what: name })
      continue
    }
    names.push(name.toLowerCase())
    if (!family) continue
    const id = freeSlug(name, ids, 'station')
    ids.push(id)
    const typical = typicalStation(family, known.units) ?? { parameters: {}, duties: [] }
    const own = r['tag'] || String((tag += 1))
    rowOf.push(row)
    entries.push({ id, name, tag: own, place, family, model: known.model, ...typical })
  }
  return { entries, rows: rowOf, faults }
}

/** A family by what it is called in the words, or by its id. @param names what each is called. */
export const familyBy =
  (names: (family: string) => readonly string[]) =>
  (called: string): string | null => {
    const asked = called.trim().toLowerCase()
    const found = families.find(
      ({ id }) => id === asked || names(id).some((name) => name.toLowerCase() === asked),
    )
    return found?.id ?? null
  }
