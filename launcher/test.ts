import { stripVTControlCharacters } from 'node:util'
import { runKeeping } from './run.ts'
import { root } from './paths.ts'

interface Step {
  readonly name: string
  readonly command: string
  readonly args: readonly string[]
}

interface Suite extends Step {
  /** How the runner tells its counts. */
  readonly counts: 'vitest' | 'playwright'
}

const bin = (name: string) => `node_modules/.bin/${name}`
/** Floors that know the same surroundings are read at once: each alone would read those below it anew. */
const types: readonly Step[] = [
  { name: 'types of web', command: bin('vue-tsc'), args: ['-p', 'web'] },
  { name: 'types of core and contract', command: bin('tsc'), args: ['-p', 'tsconfig.pure.json'] },
  { name: 'types of server and devices', command: bin('tsc'), args: ['-p', 'tsconfig.served.json'] },
  { name: 'types of launcher, tests and tools', command: bin('tsc'), args: ['-p', 'tsconfig.tools.json'] },
]

/** They hang on nothing but the sources: as many at once as a small machine has cores. */
const checks: readonly Step[] = [
  { name: 'lint', command: bin('eslint'), args: ['.', '--max-warnings', '0'] },
  {
    name: 'build',
    command: process.execPath,
    args: ['../node_modules/vite/bin/vite.js', 'build', '--logLevel', 'warn'],
  },
  ...types,
  { name: 'format', command: bin('prettier'), args: ['--check', '--log-level', 'warn', '.'] },
  { name: 'unused code', command: bin('knip'), args: [] },
]
const atOnce = 2

/** One after another: they want the whole machine. */
const suites: readonly Suite[] = [
  { name: 'unit and API tests', command: bin('vitest'), args: ['run'], counts: 'vitest' },
  { name: 'browser tests', command: bin('playwright'), args: ['test', '-c', 'e2e'], counts: 'playwright' },
]

/** The counts that a runner printed at its end. */
function countsIn(output: string, runner: 'vitest' | 'playwright'): { passed: number; failed: number } {
  const text = stripVTControlCharacters(output)
  const tail = runner === 'vitest' ? (text.match(/^\s*Tests\s+.*$/m)?.[0] ?? '') : text
  const number = (word: string) => Number(tail.match(new RegExp(`(\\d+) ${word}`))?.[1] ?? 0)
  return { passed: number('passed'), failed: number('failed') }
}

/** Runs everything that must pass, or the steps whose names hold one of `args`; ends with one line that counts. */
export async function test(args: readonly string[]): Promise<number> {
  // What takes over a minute runs small and seeded; whole where it is asked for.
  if (args.includes('--long')) process.env['TADKA_LONG'] = '1'
  const only = args.filter((a) => a !== '--long')
  let [passed, failed] = [0, 0]
  const asked = (step: Step) => only.length === 0 || only.some((word) => step.name.includes(word))
  const optionsOf = (step: Step) => ({ cwd: step.name === 'build' ? `${root}web` : root })
  const waiting = checks.filter(asked)
  const checkNext = async (): Promise<void> => {
    const step = waiting.shift()
    if (!step) return
    const { code, output } = await runKeeping(step.command, step.args, optionsOf(step), true)
    console.log(`\n== ${step.name}\n${output}`.trimEnd())
    if (code === 0) passed += 1
    else failed += 1
    return checkNext()
  }
  await Promise.all(Array.from({ length: atOnce }, checkNext))
  for (const step of suites.filter(asked)) {
    console.log(`\n== ${step.name}`)
    const { code, output } = await runKeeping(step.command, step.args, optionsOf(step))
    const counted = countsIn(output, step.counts)
    passed += counted.passed
    failed += code === 0 ? 0 : Math.max(1, counted.failed)
  }
  console.log(`\n${passed} passed, ${failed} failed`)
  return failed === 0 ? 0 : 1
}
