import { readFile } from 'node:fs/promises'
import { planProblem } from '@tadka/contract/plan'
import { boundOf, planViolations, planSearch, type PlanProblem } from '@tadka/core/plan'
import { Trouble } from './trouble.ts'

/** Iterations that a plan from a file is given where nothing else is asked. */
const usual = 6000

/** Plans the shift in a file and prints plan, objective values and proved bound as JSON; the same file and numbers, the same plan. */
export async function planCommand(args: readonly string[]): Promise<number> {
  const [file, ...rest] = args
  if (!file) throw new Trouble('Say which file: ./tadka plan FILE.json')
  const problem = readProblem(file, await textOf(file))
  const search = planSearch(problem, numberAfter(rest, '--seed', 1))
  search.improve(numberAfter(rest, '--iterations', usual))
  const plan = search.plan()
  const bound = boundOf(problem, plan, plan.objective.late)
  console.log(
    JSON.stringify(
      { plan, objective: plan.objective, bound, violations: planViolations(problem, plan) },
      null,
      1,
    ),
  )
  return 0
}

async function textOf(file: string): Promise<string> {
  try {
    return await readFile(file, 'utf8')
  } catch {
    throw new Trouble(`There is no file ${file} that can be read.`)
  }
}

function readProblem(file: string, text: string): PlanProblem {
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch (error) {
    throw new Trouble(`${file} is not JSON: ${error instanceof Error ? error.message : ''}`)
  }
  const read = planProblem.safeParse(json)
  if (read.success) return read.data
  const [first] = read.error.issues
  throw new Trouble(
    `${file} is no shift to plan. At ${first?.path.join('.') || 'its root'}: ${first?.message}`,
  )
}

function numberAfter(args: readonly string[], option: string, otherwise: number): number {
  const at = args.indexOf(option)
  if (at < 0) return otherwise
  const value = Number(args[at + 1])
  if (!Number.isInteger(value) || value < 0) throw new Trouble(`${option} takes a whole number.`)
  return value
}
