import { mkdir, readFile } from 'node:fs/promises'
import { Stryker } from '@stryker-mutator/core'
import { equivalents } from './equivalents.ts'
import { folders, type Folder } from './folders.ts'

/** The share of mutants that the tests must notice. */
const least = 0.9

type Mutant = Awaited<ReturnType<Stryker['runMutationTest']>>[number]

const kept = '.data/mutants'

/** Mutates one folder and runs the tests beside it on each mutant; what was found before is taken over. */
async function mutantsOf(folder: Folder): Promise<readonly Mutant[]> {
  process.env['TADKA_MUTANTS'] = folder.name
  await mkdir(kept, { recursive: true })
  return new Stryker({
    testRunner: 'vitest',
    plugins: ['@stryker-mutator/vitest-runner'],
    mutate: [...folder.mutate],
    vitest: { configFile: 'mutants/vitest.config.ts', related: false },
    coverageAnalysis: 'perTest',
    concurrency: 2,
    ignorePatterns: ['.data', 'web', 'e2e', 'docs', '**/test-results'],
    // Values that are made once when a file is loaded are told apart by no single test. Tests of the server ask it
    // before each of them too: what those asked for is not static.
    ignoreStatic: !folder.database,
    reporters: ['progress-append-only'],
    tempDirName: '.data/stryker',
    incremental: true,
    incrementalFile: `${kept}/${folder.name}.json`,
  }).runMutationTest()
}

const lines = new Map<string, string[]>()
async function lineOf(m: Mutant): Promise<string> {
  const known = lines.get(m.fileName) ?? (await readFile(m.fileName, 'utf8')).split('\n')
  lines.set(m.fileName, known)
  return known[m.location.start.line - 1]?.trim() ?? ''
}

/** Runs the folders named, or all; prints who lived, and fails where fewer than nine in ten were killed. */
async function main(names: readonly string[]): Promise<number> {
  const unknown = names.find((name) => !folders.some((f) => f.name === name))
  if (unknown) {
    console.error(`There is no folder ${unknown}. There are: ${folders.map((f) => f.name).join(', ')}`)
    return 2
  }
  let worst = 0
  for (const folder of folders.filter((f) => names.length === 0 || names.includes(f.name))) {
    const found = await mutantsOf(folder)
    let [killed, lived, equal] = [0, 0, 0]
    for (const m of found) {
      if (m.status === 'Killed' || m.status === 'Timeout') killed += 1
      if (m.status !== 'Survived' && m.status !== 'NoCoverage') continue
      const line = await lineOf(m)
      const file = m.fileName.split('/').slice(-3).join('/')
      if (
        equivalents.some(
          (e) =>
            m.fileName.endsWith(e.file) &&
            e.line === line &&
            e.mutator === m.mutatorName &&
            e.replacement === m.replacement,
        )
      )
        equal += 1
      else {
        lived += 1
        console.log(
          `${m.status} ${file}:${m.location.start.line}:${m.location.start.column} ${m.mutatorName} -> ${m.replacement}\n    ${line}`,
        )
      }
    }
    const share = killed / Math.max(1, killed + lived)
    console.log(
      JSON.stringify({
        folder: folder.name,
        killed,
        lived,
        equivalent: equal,
        share: Number(share.toFixed(3)),
      }),
    )
    if (share < least) worst = 1
  }
  return worst
}

process.exitCode = await main(process.argv.slice(2))
