import { decimals } from '@tadka/core/quantity'
import type { AnyRecord } from '@tadka/core/stream'
import type { CaseAction } from '@tadka/core/case'
import type { ReadingTaken } from '@tadka/core/reading'
import { actWords, readingWords } from '@tadka/words/sheet'
import { useI18n } from 'vue-i18n'
import { spokenLength } from '@tadka/words/length'
import { useNames } from '../site/names.ts'
import { useTeller } from '../site/teller.ts'
import { useUnits } from '../site/units.ts'

/** The parts that sentences of the log are made of: what was read, what was done about it, what came of a step. */
export function useSentenceParts() {
  const { t } = useI18n()
  const names = useNames()
  const units = useUnits()
  const tell = useTeller()

  /** How long a wait lasted and should have, where it was too short. */
  function shortOf(run: string, step: string): string {
    const short = names.run(run)?.done[step]?.short
    return short
      ? t('log.say.shortContact', { ms: spokenLength(short.ms), least: spokenLength(short.leastMs) })
      : t('log.say.tooShort')
  }
  const partOf = (p: { run: string; step: string; part: string }) => names.part(p.run, p.step, p.part)

  const reading = (p: ReadingTaken): string => readingWords(tell, p)
  /** What was done about a reading. */
  const act = (a: CaseAction): string => actWords(tell, a)

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
