import { atLeast, interval, point, type Interval, type UnitSystem } from '../quantity/index.ts'
import { codeSections, judgeInterval } from '../rules/index.ts'
import { oneOf, shuffled, stepped, tried } from './draw.ts'
import { readAt, type LessonKnown, type Question, type Random, type SheetLine } from './question.ts'

interface Judged {
  readonly line: SheetLine
  readonly section: string | null
  readonly limit: Interval
}

/** Values well inside and well outside of what the code asks: nobody is asked to read a tenth. In the units that sites work in. */
const drawn = {
  metric: {
    product: { unit: '°C', in: [1, 3, 0.5], out: [7, 12, 0.5] },
    rinse: { unit: '°C', in: [84, 88, 1], out: [68, 79, 1] },
    washWater: { unit: '°C', in: [46, 54, 1], out: [30, 40, 1] },
  },
  us: {
    product: { unit: '°F', in: [34, 38, 1], out: [45, 54, 1] },
    rinse: { unit: '°F', in: [183, 191, 1], out: [155, 176, 1] },
    washWater: { unit: '°F', in: [115, 128, 1], out: [86, 104, 1] },
  },
} as const

const sectionOf = (of: (typeof readAt)[number], system: UnitSystem) =>
  codeSections(system).find((s) => s.quantity === of)

type Make = (isRight: boolean) => Judged | null

function makersOf({ system, products, hotDishMachine }: LessonKnown, random: Random): Make[] {
  const read = (of: (typeof readAt)[number]): Make => {
    const told = drawn[system][of]
    const section = sectionOf(of, system)
    return (isRight) => {
      const [lo, hi, step] = isRight ? told.in : told.out
      const line: SheetLine = { of, value: stepped(lo, hi, step, random), unit: told.unit }
      return section ? { line, section: section.section, limit: section.limit } : null
    }
  }
  const labels = products.flatMap((p) => p.uses.map((u) => ({ ...u, product: p.name, use: u.name })))
  const strengths = labels.flatMap(({ product, use, range }): Make[] => {
    if (!range) return []
    const rounded = (ppm: number) => Math.max(1, Math.round(ppm / 5) * 5)
    return [
      (isRight) => {
        const middle = rounded((range.lo + range.hi) / 2)
        const off = random() < 0.6 ? rounded(range.lo * 0.4) : rounded(range.hi * 2)
        const value = isRight ? middle : off
        const limit = interval(range.lo, range.hi)
        return { line: { of: 'strength', product, use, value, unit: 'ppm' }, section: null, limit }
      },
    ]
  })
  const contacts = labels.flatMap(({ product, use, contactSeconds: least }): Make[] => {
    if (least === null) return []
    return [
      (isRight) => {
        const value = Math.round(least * (isRight ? 1 + random() * 0.5 : 0.3 + random() * 0.4))
        return {
          line: { of: 'contact', product, use, value, unit: 's' },
          section: null,
          limit: atLeast(least),
        }
      },
    ]
  })
  const kinds = readAt.filter((of) => of !== 'rinse' || hotDishMachine)
  return [...kinds.map(read), ...strengths, ...contacts]
}

const verdictOf = ({ line, limit }: Judged) => judgeInterval(point(line.value), limit)
const nameOf = (line: SheetLine) => JSON.stringify(line)

/** Of these lines of a day, one must not stand without something having been done. */
export function sheetQuestion(known: LessonKnown, random: Random): Question | null {
  return tried(() => {
    const makers = shuffled(makersOf(known, random), random).slice(0, 4)
    const bad = Math.floor(random() * makers.length)
    const made = makers.map((make, i) => make(i !== bad))
    const lines = made.filter((m) => m !== null)
    const wrong = oneOf(
      lines.filter((l) => verdictOf(l) === 'out'),
      random,
    )
    const isSound =
      lines.length === made.length &&
      lines.length >= 3 &&
      new Set(lines.map((l) => nameOf(l.line))).size === lines.length &&
      lines.filter((l) => verdictOf(l) === 'in').length === lines.length - 1
    if (!wrong || !isSound) return null
    return {
      card: `sheet/${wrong.line.of}`,
      asks: { kind: 'sheet' },
      answers: lines.map(({ line }) => ({ is: 'line', line })),
      right: lines.indexOf(wrong),
      because: { kind: 'line', ...wrong },
    }
  })
}
