import { decimals, showInterval } from '@tadka/core/quantity'
import type { AnyRecord, CaseAction, ReadingTaken } from '@tadka/core/record'
import { useI18n } from 'vue-i18n'
import { volumeWords } from '../solution/words.ts'
import { useNames } from './names.ts'
import { useSite } from './site.ts'

/** A record in one sentence, as it is read in the log. */
export function useSentence() {
  const { t, te } = useI18n()
  const names = useNames()
  const site = useSite()
  const volume = (mL: number) => volumeWords(mL, site.set?.units)

  /** Each quantity that was read, once: "wash 66 °C, rinse 82 °C". */
  function readings(p: ReadingTaken): string {
    const limits = p.judgement.layers.flatMap((l) => l.limits)
    const read = limits.filter(
      (l, i) => l.reading && limits.findIndex((o) => o.quantity === l.quantity) === i,
    )
    return read
      .map((l) => `${t(`quantity.${l.quantity}`)} ${l.reading ? showInterval(l.reading) : ''} ${l.unit}`)
      .join(', ')
  }

  function reading(p: ReadingTaken): string {
    if (p.what === 'cold-product')
      return t('log.say.cold-product', { reading: `${decimals(p.reading.value, 1)} ${p.reading.unit}` })
    if (p.what !== 'sanitizer')
      return t('log.say.readings', { what: t(`bench.what.${p.what}`), readings: readings(p) })
    const strength = p.reading.strength ? `${showInterval(p.reading.strength)} ppm` : '–'
    return t('log.say.sanitizer', {
      product: p.product ? names.product(p.product) : p.reading.agent,
      reading: strength,
    })
  }

  /** What was done about a reading. */
  const act = (a: CaseAction): string =>
    t(`log.say.${a.did}`, { amount: volume(a.amount ?? 0), note: a.note })

  function facts(record: AnyRecord & { type: 'run.step.done@1' }): string {
    const { facts: f } = record.payload
    const parts: string[] = []
    if (typeof f['kept'] === 'boolean') parts.push(t(f['kept'] ? 'log.facts.kept' : 'log.facts.discarded'))
    for (const name of ['pouredMl', 'counted', 'litres', 'choice'] as const)
      if (f[name] !== undefined && f[name] !== null)
        parts.push(t(`log.facts.${name}`, { v: String(f[name]) }))
    return parts.length > 0 ? `: ${parts.join(', ')}` : ''
  }

  function say(record: AnyRecord): string {
    const name = record.type.split('@')[0] ?? record.type
    switch (record.type) {
      case 'run.started@1':
        return t('log.say.run.started', {
          procedure: names.procedure(record.payload.procedure.id),
          station: names.station(record.payload.station),
        })
      case 'run.finished@1':
        return t('log.say.run.finished', {
          procedure: names.procedure(site.one('run', record.payload.run)?.procedure.id ?? ''),
          station: names.station(record.payload.station),
        })
      case 'run.abandoned@1':
        return t('log.say.run.abandoned', {
          procedure: names.station(record.payload.station),
          reason: record.payload.reason,
        })
      case 'run.step.done@1': {
        const { run, step, kind, facts: f } = record.payload
        const title = names.step(run, step)
        if (kind === 'sign')
          return t('log.say.rounds', {
            step: title,
            answer: t(f['shown'] === true ? 'log.say.yes' : 'log.say.no'),
          })
        return title + facts(record)
      }
      case 'run.wait.started@1':
        return t('log.say.run.wait.started', {
          minutes: record.payload.minutes,
          step: names.step(record.payload.run, record.payload.step),
        })
      case 'run.visit.made@1':
        return t('log.say.run.visit.made', { step: names.step(record.payload.run, record.payload.step) })
      case 'photo.attached@1': {
        const { run, step } = record.payload
        return t('log.say.photo.attached', { step: run && step ? names.step(run, step) : '' })
      }
      case 'count.read@1':
        return t('log.say.count.read', {
          what: t(`house.count.${record.payload.of}`, { n: '' }).split(',')[0] ?? '',
          n: record.payload.total,
        })
      case 'sign.seen@1': {
        const { sign } = record.payload
        return t('log.say.sign.seen', { sign: te(`house.sign.${sign}`) ? t(`house.sign.${sign}`) : sign })
      }
      case 'station.laid-up@1':
        return t('log.say.station.laid-up', { reason: record.payload.reason })
      case 'roster.set@1':
        return t('log.say.roster.set', {
          day: record.payload.day,
          n: record.payload.shifts.filter((s) => !s.away).length,
        })
      case 'plan.set@1':
        return t('log.say.plan.set', {
          day: record.payload.day,
          n: new Set(record.payload.plan.placed.map((p) => p.run)).size,
        })
      case 'spare.set@1':
        return t('log.say.spare.set', { name: record.payload.name, n: record.payload.count })
      case 'spare.drawn@1':
        return t('log.say.spare.drawn', { name: site.one('spare', record.payload.spare)?.name ?? '' })
      case 'follow-up.closed@1':
        return t('log.say.follow-up.closed', {
          step: names.step(record.payload.run, record.payload.step),
          note: record.payload.note,
        })
      case 'run.step.undone@1':
        return t('log.say.run.step.undone', { step: names.step(record.payload.run, record.payload.step) })
      case 'bath.mixed@1': {
        const { volume: mL, productName, poured, tool } = record.payload
        return t('log.say.bath.mixed', {
          volume: volume(mL),
          product: productName,
          poured: `${decimals(poured, 1)} mL, ${tool}`,
        })
      }
      case 'reading.taken@1':
        return reading(record.payload)
      case 'case.action@1':
        return act(record.payload)
      case 'case.closed@1':
        return t('log.say.case.closed', { reason: record.payload.reason })
      case 'record.amended@1': {
        const { reason, targetType, instead } = record.payload
        const becomes = targetType === 'reading.taken@1' ? `${reading(instead as ReadingTaken)}. ` : ''
        return becomes + reason
      }
      case 'rule.set@1': {
        const { authority, quantity, unit, limit, until } = record.payload
        const what = `${t(`quantity.${quantity}`)} ${showInterval(limit)} ${unit}${until === null ? '' : `, ${t('house.rule.ended')}`}`
        return t('log.say.rule.set', { name: authority, what })
      }
      case 'shift.signed@1':
        return (
          t('log.say.shift.signed', { day: record.payload.day }) +
          (record.payload.reason ? `: ${record.payload.reason}` : '')
        )
      case 'procedure.set@1': {
        const { name: own, version } = record.payload.document
        return t('log.say.procedure.set', { name: own, version })
      }
      case 'concentrate.opened@1':
        return t('log.say.concentrate.opened', { name: names.product(record.payload.product) })
      case 'instrument.checked@1': {
        const c = record.payload
        const what =
          c.method === 'ice-point'
            ? `${c.read} ${c.unit}, ${t(`verdict.${c.verdict}`)}`
            : t('house.instrument.gives', { percent: Math.round(c.ratio * 100) })
        const held = site.one('instrument', c.instrument)
        return t('log.say.instrument.checked', { name: held && 'name' in held ? held.name : '', what })
      }
      case 'cycle.judged@1': {
        const { figures, judgement } = record.payload
        const shown = (v: number | null) => (v === null ? '–' : decimals(v, 1))
        const read = { wash: shown(figures.washLow), rinse: shown(figures.rinseLow) }
        const what = judgement ? t('log.say.cycleRead', read) : t('log.say.gone')
        return t('log.say.cycle.judged', { what })
      }
      case 'concentrate.drawn@1': {
        const { product, millilitres } = record.payload
        return t('log.say.concentrate.drawn', { name: names.product(product), v: decimals(millilitres, 0) })
      }
      case 'logger.imported@1': {
        const { name: file, summary, cycles, passes } = record.payload
        const judged = cycles?.judged ?? passes?.judged
        const verdicts = (['in', 'too-close', 'out', 'cannot-tell'] as const)
          .filter((v) => (judged?.[v] ?? 0) > 0)
          .map((v) => `${judged?.[v] ?? 0} ${t(`verdict.${v}`)}`)
          .join(', ')
        return t('log.say.logger.imported', { file, n: summary.rows, verdicts: verdicts && `: ${verdicts}` })
      }
      case 'logger.withdrawn@1':
        return t('log.say.logger.withdrawn', { reason: record.payload.reason })
      case 'rack.tallied@1':
        return t('log.say.rack.tallied', { n: record.payload.racks })
      case 'dish.set-aside@1': {
        const { inDoubt, way, note } = record.payload
        return t('log.say.dish.set-aside', { n: inDoubt, way: t(`dish.way.${way}`), note })
      }
      case 'station.set@1':
      case 'product.set@1':
      case 'instrument.set@1':
        return t(`log.say.${name}`, { name: record.payload.name })
      default:
        return te(`log.say.${name}`) ? t(`log.say.${name}`) : name
    }
  }
  return { say, act }
}
