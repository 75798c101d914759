import { buildIfStale } from './build.ts'
import { root } from './paths.ts'
import { run } from './run.ts'
import { Trouble } from './trouble.ts'

const benches = [
  'record',
  'screen',
  'judge',
  'plan',
  'optima',
  'calm',
  'warewash',
  'stream',
  'logger',
  'load',
  'chain',
  'requests',
  'year',
] as const

/** Runs one benchmark, or all; each prints one JSON object a line. */
export async function bench(name: string | undefined, more: readonly string[] = []): Promise<number> {
  const chosen = name === undefined ? benches : benches.filter((b) => b === name)
  if (chosen.length === 0)
    throw new Trouble(`There is no benchmark ${name}. There are: ${benches.join(', ')}`)
  if (chosen.includes('screen')) await buildIfStale((line) => console.error(line))
  let worst = 0
  for (const one of chosen)
    worst = Math.max(
      worst,
      await run(process.execPath, ['--import', 'tsx', `bench/${one}.ts`, ...more], { cwd: root }),
    )
  return worst
}
