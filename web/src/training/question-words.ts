import type { AskedCheck } from '@tadka/contract/training'
import type { Answer, Because, Question, SheetLine } from '@tadka/core/lesson'
import { useI18n } from 'vue-i18n'
import { spokenLength } from '@tadka/words/length'
import { useStepWords } from '../site/step-words.ts'
import { useUnits } from '../site/units.ts'

type Numbers = AskedCheck['questions'][number]['numbers']

/** Questions, answers and reasons in words; a step's with its machine's numbers. */
export function useQuestionWords() {
  const { t } = useI18n()
  const units = useUnits()
  const { fill } = useStepWords()
  const step = (title: string, { of, units: parameters }: Numbers) => fill(title, of, { parameters })

  function asked(asks: Question['asks'], numbers: Numbers): string {
    switch (asks.kind) {
      case 'strip': {
        const { product, use, range } = asks
        return t('check.asks.strip', { product, use: use.toLowerCase(), ...range })
      }
      case 'dose': {
        const { product, vessel, millilitres } = asks
        return t('check.asks.dose', {
          product,
          vessel,
          step: step(asks.step, numbers),
          volume: units.volume(millilitres),
        })
      }
      case 'now':
        return t('check.asks.now', {
          step: `${step(asks.step, numbers).replace(/[.?:]$/, '')}.`,
          found: asks.found,
        })
      case 'meet':
        return t('check.asks.meet', { product: asks.product })
      case 'sheet':
        return t('check.asks.sheet')
      default:
        return t(`check.asks.${asks.kind}`, { procedure: asks.procedure })
    }
  }
  const value = (line: SheetLine) =>
    line.of === 'contact' ? spokenLength(line.value * 1000) : `${line.value} ${line.unit}`
  const sheetLine = (line: SheetLine) => t(`check.line.${line.of}`, { ...line, value: value(line) })

  function answer(a: Answer, numbers: Numbers): string {
    switch (a.is) {
      case 'strip':
        return t(`check.strip.${a.says}`)
      case 'amount':
        return units.measured(a.millilitres)
      case 'step':
        return step(a.title, numbers)
      case 'outcome':
        return t(`check.outcome.${a.outcome}`)
      case 'line':
        return sheetLine(a.line)
      default:
        return a.name
    }
  }

  function because(b: Because): string {
    if (b.kind === 'label') return t('check.because.label', { product: b.product })
    if (b.kind === 'procedure') return t('check.because.procedure', { procedure: b.procedure })
    if (b.kind === 'clash') return t(`check.because.clash.${String(b.effect)}`)
    const { line, limit, section } = b
    const from =
      section !== null
        ? t('check.because.section', { section })
        : 'product' in line
          ? t('check.because.ofLabel', { product: line.product })
          : ''
    const say = (n: number) => value({ ...line, value: n })
    const what = t(`check.because.what.${line.of}`)
    if (limit.lo !== null && limit.hi !== null)
      return t('check.because.between', { what, from, lo: limit.lo, hi: say(limit.hi) })
    if (limit.lo !== null) return t('check.because.least', { what, from, limit: say(limit.lo) })
    return t('check.because.most', { what, from, limit: say(limit.hi ?? 0) })
  }
  return { asked, answer, because }
}
