import { describe, expect, it } from 'vitest'
import { familyBy, readJson, readTable, type ReadFile, type TableKnown } from '../src/house/read-site-file.ts'

const faultsOf = (read: ReadFile) =>
  'faults' in read ? read.faults.map(({ line, why }) => [line, why]) : null
const fileOf = (read: ReadFile) => ('file' in read ? read.file : null)

const known: TableKnown = {
  units: 'metric',
  model: 'typical',
  family: familyBy((id) => (id === 'espresso' ? ['Espresso machine'] : [])),
  stations: [{ id: 'bar-1', name: 'Bar 1', tag: '3' }],
}

describe('a set-up from JSON', () => {
  it('is read, and each part of it is found by its line', async () => {
    const text = '{\n "format": "tadka-site@1",\n "people": [\n  {"name": "Bo", "role": "crew"}\n ]\n}'
    const read = await readJson(text)
    expect(fileOf(read)).toEqual({ format: 'tadka-site@1', people: [{ name: 'Bo', role: 'crew' }] })
    expect('lineOf' in read && read.lineOf(['people', 0, 'name'])).toBe(4)
    expect('lineOf' in read && read.lineOf(['people', 0, 'missing'])).toBe(4)
  })
  it('that is no JSON, or of another shape, is refused with the line', async () => {
    expect(faultsOf(await readJson('{\n "format": "tadka-site@1"\n "people": []\n}'))).toEqual([[3, 'json']])
    expect(faultsOf(await readJson(''))).toEqual([[1, 'json']])
    const shape = await readJson(
      '{\n"format": "tadka-site@1",\n"people": [\n{"name": "Bo",\n"role": "boss"}]}',
    )
    expect(faultsOf(shape)).toEqual([[5, 'shape']])
  })
})

describe('a table', () => {
  it('of people is read, whatever its separator and the case of its words', async () => {
    const read = await readTable('\ufeffName;Role;Cleans\r\nBo;Crew;everything\r\n\r\nUma;lead;\r\n', known)
    expect(fileOf(read)?.people).toEqual([
      { name: 'Bo', role: 'crew', cleans: 'everything' },
      { name: 'Uma', role: 'lead' },
    ])
  })
  it('of machines gives each what a typical one has, a free number, and leaves those that are there', async () => {
    const read = await readTable(
      'name,family,place,tag\nBar 1,espresso machine,Bar,\nBar 2,Espresso machine,Bar,\n',
      known,
    )
    const [station, second] = fileOf(read)?.stations ?? []
    expect(second).toBeUndefined()
    expect(station).toMatchObject({ id: 'bar-2', name: 'Bar 2', tag: '4', typical: true, place: 'Bar' })
    expect(station?.duties.length).toBeGreaterThan(0)
    expect('lineOf' in read && read.lineOf(['stations', 0, 'tag'])).toBe(3)
  })
  it.each([
    ['another head', 'who,what\nBo,crew', [[1, 'head']]],
    ['a role that is none', 'name,role\nBo,crew\n\nUma,boss', [[4, 'role']]],
    ['a manager', 'name,role\nUma,manager', [[2, 'manager']]],
    ['no name', 'name,role\n,crew', [[2, 'name']]],
    ['a family that is none', 'name,family\nX,toaster', [[2, 'family']]],
    ['a name twice', 'name,family\nX,Espresso machine\nx,Espresso machine', [[3, 'name-twice']]],
    ['a cell too many', 'name,role\nBo,crew,x', [[2, 'cells']]],
    ['cleaning of its own kind', 'name,role,cleans\nBo,crew,some', [[2, 'cleans']]],
  ])('with %s is refused with its line', async (_, text, faults) =>
    expect(faultsOf(await readTable(text, known))).toEqual(faults),
  )
})
