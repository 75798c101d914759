import { readFileSync, writeFileSync } from 'node:fs'
import { planViolations } from '@tadka/core/plan'
import loadHighs from 'highs'
import { optimum } from '../core/test/plan/mip.ts'
import { bestPlan, grid, sha256, smallShifts, type Proved } from '../core/test/plan/small-shifts.ts'
import { report } from './report.ts'

/**
 * Small shifts against their proved optima, which are stored with the hashes of instance and program; with `--solve` each is solved
 * anew by the mixed integer program, and stored.
 */
const file = new URL('../core/test/plan/optima.json', import.meta.url)

async function solved(): Promise<Proved[]> {
  const highs = await loadHighs()
  return smallShifts.map(({ shift, problem }) => {
    const { late, price, log } = optimum(highs, problem, grid)
    return {
      ...{ shift, instance: sha256(JSON.stringify(problem)), late, price },
      log: log.map(({ text, ...said }) => ({ program: sha256(text), ...said })),
    }
  })
}

if (process.argv.includes('--solve')) writeFileSync(file, `${JSON.stringify(await solved(), null, 2)}\n`)
const stored = JSON.parse(readFileSync(file, 'utf8')) as Proved[]
let [equal, worst] = [0, 0]
for (const { shift, problem } of smallShifts) {
  const proved = stored.find((p) => p.shift === shift)
  if (proved?.instance !== sha256(JSON.stringify(problem)))
    throw new Error(`shift ${shift} is another than the one that was solved: run it with --solve`)
  const plan = bestPlan(problem, proved)
  if (planViolations(problem, plan).length > 0) throw new Error(`the plan of shift ${shift} breaks a rule`)
  const { late, price } = plan.objective
  if (late === proved.late && price === proved.price) equal += 1
  worst = Math.max(worst, late > proved.late ? Infinity : price / proved.price - 1)
}
const about = { bench: 'optima', case: `${smallShifts.length} small shifts` }
report({ ...about, figure: 'equal to the proved optimum', value: equal, unit: 'shifts' })
report({ ...about, figure: 'dearest above it', value: worst * 100, unit: '%' })
