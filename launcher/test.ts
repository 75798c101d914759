import { stripVTControlCharacters } from 'node:util'
import { run, runKeeping } from './run.ts'
import { root } from './paths.ts'

interface Step {
  readonly name: string
  readonly command: string
  readonly args: readonly string[]
  /** How the runner tells its counts; none for a check that only passes or fails. */
  readonly counts?: 'vitest' | 'playwright'
}

const bin = (name: string) => `node_modules/.bin/${name}`
const types = (floor: string): Step => ({
  name: `types of ${floor}`,
  command: bin(floor === 'web' ? 'vue-tsc' : 'tsc'),
  args: ['-p', floor],
})

const steps: readonly Step[] = [
  { name: 'format', command: bin('prettier'), args: ['--check', '--log-level', 'warn', '.'] },
  { name: 'lint', command: bin('eslint'), args: ['.', '--max-warnings', '0'] },
  ...['core', 'contract', 'server', 'web', 'launcher', 'e2e', 'bench'].map(types),
  { name: 'unused code', command: bin('knip'), args: [] },
  { name: 'unit and API tests', command: bin('vitest'), args: ['run'], counts: 'vitest' },
  {
    name: 'build',
    command: process.execPath,
    args: ['../node_modules/vite/bin/vite.js', 'build', '--logLevel', 'warn'],
  },
  { name: 'browser tests', command: bin('playwright'), args: ['test', '-c', 'e2e'], counts: 'playwright' },
]

/** The counts that a runner printed at its end. */
function countsIn(output: string, runner: 'vitest' | 'playwright'): { passed: number; failed: number } {
  const text = stripVTControlCharacters(output)
  const tail = runner === 'vitest' ? (text.match(/^\s*Tests\s+.*$/m)?.[0] ?? '') : text
  const number = (word: string) => Number(tail.match(new RegExp(`(\\d+) ${word}`))?.[1] ?? 0)
  return { passed: number('passed'), failed: number('failed') }
}

/** Runs everything that must pass, or the steps whose names hold one of `only`; ends with one line that counts. */
export async function test(only: readonly string[]): Promise<number> {
  let [passed, failed] = [0, 0]
  for (const step of steps) {
    if (only.length > 0 && !only.some((word) => step.name.includes(word))) continue
    console.log(`\n== ${step.name}`)
    const options = { cwd: step.name === 'build' ? `${root}web` : root }
    if (!step.counts) {
      const code = await run(step.command, step.args, options)
      if (code === 0) passed += 1
      else failed += 1
      continue
    }
    const { code, output } = await runKeeping(step.command, step.args, options)
    const counted = countsIn(output, step.counts)
    passed += counted.passed
    failed += code === 0 ? 0 : Math.max(1, counted.failed)
  }
  console.log(`\n${passed} passed, ${failed} failed`)
  return failed === 0 ? 0 : 1
}
