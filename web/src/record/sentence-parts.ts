import { decimals } from '@tadka/core/quantity'
import type { AnyRecord } from '@tadka/core/stream'
import type { CaseAction } from '@tadka/core/case'
import type { ReadingTaken } from '@tadka/core/reading'
import { useI18n } from 'vue-i18n'
import { spokenLength } from '../pieces/seconds.ts'
import { useSpanWords } from '../pieces/span-words.ts'
import { useNames } from '../site/names.ts'
import { useUnits } from '../site/units.ts'

/** The parts that sentences of the log are made of: what was read, what was done about it, what came of a step. */
export function useSentenceParts() {
  const { t } = useI18n()
  const names = useNames()
  const units = useUnits()
  const span = useSpanWords()
  const { volume } = units

  /** How long a wait lasted and should have, where it was too short. */
  function shortOf(run: string, step: string): string {
    const short = names.run(run)?.done[step]?.short
    return short
      ? t('log.say.shortContact', { ms: spokenLength(short.ms), least: spokenLength(short.leastMs) })
      : t('log.say.tooShort')
  }
  const partOf = (p: { run: string; step: string; part: string }) => names.part(p.run, p.step, p.part)

  /** Each quantity that was read, once: "wash 66 °C, rinse 82 °C". */
  function readings(p: ReadingTaken): string {
    const limits = p.judgement.layers.flatMap((l) => l.limits)
    const read = limits.flatMap((l, i) =>
      l.reading && limits.findIndex((o) => o.quantity === l.quantity) === i
        ? [{ name: t(`quantity.${l.quantity}`), span: span(l.reading, l.unit) }]
        : [],
    )
    const [only, second] = read
    // Wash water has one number: its name stands before it once.
    if (p.what === 'wash-water' && only && !second)
      return t('log.say.reading', { what: t('bench.what.wash-water'), reading: only.span })
    return t('log.say.readings', {
      what: t(`bench.what.${p.what}`),
      readings: read.map((r) => `${r.name} ${r.span}`).join(', '),
    })
  }

  function reading(p: ReadingTaken): string {
    if (p.what === 'cold-product')
      return t('log.say.cold-product', { reading: `${decimals(p.reading.value, 1)} ${p.reading.unit}` })
    if (p.what !== 'sanitizer') return readings(p)
    const strength = p.reading.strength ? span(p.reading.strength, 'ppm') : '–'
    return t('log.say.sanitizer', {
      product: p.product ? names.product(p.product) : p.reading.agent,
      reading: strength,
    })
  }

  /** What was done about a reading. */
  const act = (a: CaseAction): string => t(`log.say.${a.did}`, { amount: amountOf(a), note: a.note })
  const amountOf = ({ amount, unit }: CaseAction): string => {
    if (unit === 'share') return `${Math.round((amount ?? 0) * 100)} %`
    return unit === 'g' || unit === 'pieces' ? `${decimals(amount ?? 0, 1)} ${unit}` : volume(amount ?? 0)
  }

  function facts(record: AnyRecord & { type: 'run.step.done@1' | 'run.step.done@2' }): string {
    const { facts: f } = record.payload
    const parts: string[] = []
    if (typeof f['kept'] === 'boolean') parts.push(t(f['kept'] ? 'log.facts.kept' : 'log.facts.discarded'))
    if (typeof f['amount'] === 'number') parts.push(`${decimals(f['amount'], 1)} ${String(f['unit'])}`)
    // Grams are grams: what was weighed was not poured by volume.
    else if (typeof f['pouredMl'] === 'number' && f['pouredMl'] > 0)
      parts.push(t('log.facts.pouredMl', { v: units.measured(f['pouredMl']) }))
    if (f['counted'] !== undefined && f['counted'] !== null)
      parts.push(t('log.facts.counted', { v: String(f['counted']) }))
    if (typeof f['litres'] === 'number') parts.push(units.measured(f['litres'] * 1000))
    if (typeof f['choice'] === 'string')
      parts.push(names.choice(record.payload.run, record.payload.step, f['choice']))
    if (typeof f['read'] === 'number')
      parts.push(names.read(record.payload.run, record.payload.step, f['read']))
    if (f['decided'] === true) parts.push(t('log.facts.decided'))
    if (typeof f['celsius'] === 'number')
      parts.push(t('log.facts.celsius', { v: units.temperature(f['celsius']) }))
    return parts.length > 0 ? `: ${parts.join(', ')}` : ''
  }

  return { shortOf, partOf, reading, act, facts }
}
