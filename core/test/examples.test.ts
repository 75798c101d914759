import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'

const core = fileURLToPath(new URL('..', import.meta.url))
const rooms = readdirSync(core, { withFileTypes: true })
  .filter((d) => d.isDirectory() && !['test', 'node_modules', 'test-results'].includes(d.name))
  .map((d) => d.name)
/** Everything that the rooms give to others, by its name: what an example may use. */
const given: Record<string, unknown> = Object.assign(
  {},
  ...(await Promise.all(rooms.map((room) => import(`../${room}/index.ts`) as Promise<object>))),
)

interface Example {
  readonly file: string
  readonly of: string
  readonly expression: string
  readonly result: string
}

const sources = rooms.flatMap((room) =>
  readdirSync(`${core}${room}`, { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts'))
    .map((f) => `${room}/${f}`),
)
/** `@example expression // result`, one or more in the comment over what they show. */
const examples = sources.flatMap((file): Example[] => {
  const text = readFileSync(`${core}${file}`, 'utf8')
  return [
    ...text.matchAll(/\/\*\*((?:(?!\*\/)[\s\S])*?@example[\s\S]*?)\*\/\s*export (?:const|function) (\w+)/g),
  ].flatMap(([, comment = '', of = '']) =>
    [...comment.matchAll(/@example (.+?) \/\/ (.+)/g)].map(([, expression = '', result = '']) => ({
      file,
      of,
      expression,
      result: result.trim(),
    })),
  )
})

const evaluated = (expression: string): unknown =>
  (new Function(...Object.keys(given), `return (${expression})`) as (...all: unknown[]) => unknown)(
    ...Object.values(given),
  )
/** A number as exactly as it is written: "137.9" is any that rounds to it. */
function rounded(value: unknown, like: unknown): unknown {
  if (typeof value === 'number' && typeof like === 'number') {
    const digits = (String(like).split('.')[1] ?? '').length
    return Number(value.toFixed(digits))
  }
  if (Array.isArray(value) && Array.isArray(like)) return value.map((v, i) => rounded(v, like[i]))
  if (value !== null && like !== null && typeof value === 'object' && typeof like === 'object')
    return Object.fromEntries(
      Object.entries(value).map(([key, v]) => [key, rounded(v, (like as Record<string, unknown>)[key])]),
    )
  return value
}

describe('an example in a comment', () => {
  it.each(examples)('of $of is true: $expression is $result', ({ expression, result }) => {
    const expected = evaluated(result)
    expect(rounded(evaluated(expression), expected)).toEqual(expected)
  })
  it('stands over each function of a number that a room gives', () => {
    const missing = numberFunctions().filter((name) => !examples.some((e) => e.of === name))
    expect(missing).toEqual([])
  })
})

/** Those that need no example: what they return is no number, but a thing that is found or made by one. */
const exempt = ['fileRefused', 'randomFrom', 'findProcedure']

/** The functions whose every parameter is a number, or a word for one, and that need one at least. */
function numberFunctions(): string[] {
  const options: ts.CompilerOptions = {
    strict: true,
    noEmit: true,
    target: ts.ScriptTarget.ES2022,
    module: ts.ModuleKind.ESNext,
    moduleResolution: ts.ModuleResolutionKind.Bundler,
    allowImportingTsExtensions: true,
    resolveJsonModule: true,
    skipLibCheck: true,
  }
  const program = ts.createProgram(
    rooms.map((room) => `${core}${room}/index.ts`),
    options,
  )
  const checker = program.getTypeChecker()
  const is = (t: ts.Type, flags: ts.TypeFlags): boolean =>
    (t.flags & flags) !== 0 || (t.isIntersection() && t.types.some((x) => is(x, ts.TypeFlags.NumberLike)))
  const words =
    ts.TypeFlags.NumberLike |
    ts.TypeFlags.StringLike |
    ts.TypeFlags.BooleanLike |
    ts.TypeFlags.Null |
    ts.TypeFlags.Undefined
  const every = (t: ts.Type): boolean => (t.isUnion() ? t.types.every(every) : is(t, words))
  const some = (t: ts.Type): boolean => (t.isUnion() ? t.types.some(some) : is(t, ts.TypeFlags.NumberLike))
  const found = new Set<string>()
  for (const room of rooms) {
    const source = program.getSourceFile(`${core}${room}/index.ts`)
    const module = source && checker.getSymbolAtLocation(source)
    for (const symbol of module ? checker.getExportsOfModule(module) : []) {
      const real = symbol.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(symbol) : symbol
      const declaration = real.valueDeclaration
      if (!declaration) continue
      for (const call of checker.getTypeOfSymbolAtLocation(real, declaration).getCallSignatures()) {
        const types = call.getParameters().map((p) => checker.getTypeOfSymbolAtLocation(p, declaration))
        if (types.some(some) && types.every(every)) found.add(symbol.name)
      }
    }
  }
  expect(found.size).toBeGreaterThan(40)
  return [...found].filter((name) => !exempt.includes(name))
}
