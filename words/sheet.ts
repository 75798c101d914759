import type { BathMixed } from '@tadka/core/bath'
import type { CaseAction, CaseState } from '@tadka/core/case'
import type { InstrumentChecked } from '@tadka/core/house'
import { decimals } from '@tadka/core/quantity'
import type { ReadingTaken } from '@tadka/core/reading'
import type { DayLeft } from '@tadka/core/duty'
import {
  readingsOf,
  type Amendment,
  type DaySheet,
  type NoteLine,
  type ReadingLine,
  type RunException,
  type RunLine,
} from '@tadka/core/sheet'
import { spokenLength } from './length.ts'
import { spanWords, type Teller } from './tell.ts'

/** What was read, in words: "Chlor-Bright, strip 100 to 200 ppm"; "Dish machine: wash 66 °C, final rinse 82 °C". */
export function readingWords({ t, product }: Teller, p: ReadingTaken): string {
  if (p.what === 'cold-product')
    return t('log.say.cold-product', { reading: `${decimals(p.reading.value, 1)} ${p.reading.unit}` })
  if (p.what === 'sanitizer')
    return t('log.say.sanitizer', {
      product: p.product ? product(p.product) : p.reading.agent,
      reading: p.reading.strength ? spanWords(t, p.reading.strength, 'ppm') : '–',
    })
  const limits = p.judgement.layers.flatMap((l) => l.limits)
  // Each quantity that was read, once.
  const read = limits.flatMap((l, i) =>
    l.reading && limits.findIndex((o) => o.quantity === l.quantity) === i
      ? [{ name: t(`quantity.${l.quantity}`), span: spanWords(t, l.reading, l.unit) }]
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

/** The limits that a reading was held against, each with where it comes from: "strength 100 to 200 ppm (code, label)". */
export function limitWords({ t }: Pick<Teller, 't'>, p: ReadingTaken): string[] {
  const by = new Map<string, string[]>()
  for (const layer of p.judgement.layers)
    for (const l of layer.limits) {
      if (!l.limit) continue
      const limit = `${t(`quantity.${l.quantity}`)} ${spanWords(t, l.limit, l.unit)}`
      by.set(limit, [...new Set([...(by.get(limit) ?? []), t(`layer.${layer.layer}`)])])
    }
  return [...by].map(([limit, layers]) => `${limit} (${layers.join(', ')})`)
}

/** What was done about a reading. */
export function actWords({ t, volume }: Teller, { did, note, amount, unit }: CaseAction): string {
  const told = () => {
    if (unit === 'share') return `${Math.round((amount ?? 0) * 100)} %`
    return unit === 'g' || unit === 'pieces' ? `${decimals(amount ?? 0, 1)} ${unit}` : volume(amount ?? 0)
  }
  // Of a bath it was all of it; of food it is told which.
  if (did === 'discarded' && note) return t('log.say.discardedWhat', { what: note })
  return t(`log.say.${did}`, { amount: told(), note })
}

/** What a corrective action is about: what was read, what was done, or what a person said. */
export function caseTitle({ t }: Teller, c: CaseState, opened: string | null): string {
  if (opened !== null) return opened
  if (c.origin !== null) return c.said
  return c.what === null || c.what === 'forbidden-act'
    ? t('log.flags.forbidden-act')
    : t(`bench.what.${c.what}`)
}

/** What was done and said about it, by time, each with who. */
export function caseLines(tell: Teller, c: CaseState): { readonly at: number; readonly text: string }[] {
  const { t, clock, person } = tell
  const line = (at: number, by: string, words: string) => ({
    at,
    text: `${clock(at)} ${words}. ${person(by)}`,
  })
  return [
    ...c.actions.map((a) => line(a.at, a.by, actWords(tell, a))),
    ...c.told.map((s) => line(s.at, s.by, `${t(`log.case.part.${s.part}`)}: ${s.said}`)),
  ].toSorted((a, b) => a.at - b.at)
}

/** How a corrective action ended, or that it has not. */
export const endWords = ({ t, clock }: Teller, c: CaseState): string =>
  c.status === 'closed'
    ? t(c.closedBy ? 'log.case.rechecked' : 'log.case.closed', {
        time: clock(c.closedAt ?? 0),
        reason: c.reason,
      })
    : t(`log.case.${c.status === 'open' && c.origin !== null ? 'openNow' : c.status}`)

/** What of a run is not as it should be. */
export function exceptionWords({ t, person }: Teller, e: RunException): string {
  switch (e.what) {
    case 'not-sanitized':
      return t('sheet.exception.not-sanitized', {
        ms: spokenLength(e.ms),
        least: spokenLength(e.leastMs),
        who: person(e.by),
        reason: e.reason,
      })
    case 'begun-as-it-was':
      return t('sheet.exception.begun-as-it-was', { who: person(e.by), reason: e.reason })
    case 'abandoned':
      return t('sheet.exception.abandoned', { reason: e.reason })
    case 'learner-alone':
      return t('sheet.exception.learner-alone', { who: person(e.by) })
    case 'failed-first':
      return t('sheet.exception.failed-first', { n: e.checks }, e.checks)
    case 'stopped':
      return t(`sheet.exception.stopped-${e.why}`)
    default:
      return t(`sheet.exception.${e.what}`)
  }
}

/** How much was done on some days, and what of it is not as it should be; a part each. */
export function totalWords({ t }: Teller, days: readonly DaySheet[]): string[] {
  const stations = days.flatMap((d) => d.stations)
  const judged = days.flatMap(readingsOf).filter((r) => r.verdict !== null)
  const cases = [...new Map(days.flatMap((d) => d.cases).map((c) => [c.id, c])).values()]
  const racks = stations.reduce((n, s) => n + (s.cycles?.points.length ?? 0), 0)
  const many = (key: string, n: number) => t(`sheet.${key}`, { n }, n)
  const of = (key: string, n: number, also: string, k: number) =>
    n === 0 ? many(key, 0) : `${many(key, n)}, ${many(also, k)}`
  const notIn = judged.filter((r) => r.verdict !== 'in').length
  const open = cases.filter((c) => c.status === 'open').length
  return [
    many(
      'cleanings',
      stations.reduce((n, s) => n + s.runs.length, 0),
    ),
    of('readings', judged.length, 'notIn', notIn),
    ...(racks > 0 ? [many('racks', racks)] : []),
    of('cases', cases.length, 'openCases', open),
  ]
}

/** Who was in charge, from when on, and with which certificate. */
function chargeWords({ t, clock, person }: Teller, { charge }: Pick<DaySheet, 'charge'>): string[] {
  if (charge.length === 0) return []
  const said = charge.map(({ at, by, paper }) => {
    const with_ = paper
      ? [paper.name || t(`training.paper.${paper.kind}`), paper.number].filter(Boolean).join(' ')
      : t('sheet.noPaper')
    return t('sheet.chargeFrom', { who: person(by), time: clock(at), paper: with_ })
  })
  return [t('sheet.charge', { list: said.join('; ') })]
}

/** A day in a line: how much was done, what of it is not as it should be, who signed it. */
export function summaryWords(tell: Teller, sheet: DaySheet): string {
  const { t, clock, person } = tell
  const last = sheet.signed.at(-1)
  const signed = last
    ? t('sheet.signed', { time: clock(last.at), who: person(last.by) })
    : t('sheet.unsigned')
  return [...totalWords(tell, [sheet]), signed, ...chargeWords(tell, sheet)].join('. ')
}

/** What of a product was measured out into a bath. */
export const pouredWords = ({ measured }: Teller, { measured: by, poured }: BathMixed): string =>
  by ? `${decimals(by.amount, 1)} ${by.unit}` : measured(poured)

/** What an instrument showed when it was held against what is known. */
export const checkWords = ({ t }: Teller, name: string, c: InstrumentChecked): string =>
  t('log.say.instrument.checked', {
    name,
    what:
      c.method === 'ice-point'
        ? `${c.read} ${c.unit}`
        : t('sheet.delivers', { percent: Math.round(c.ratio * 100) }),
  })

/** When, by whom and why something was put right, or taken back. */
export const amendedWords = ({ t, clock, person }: Teller, { at, by, reason, instead }: Amendment): string =>
  t(instead === null ? 'sheet.takenBack' : 'sheet.amendedBy', { time: clock(at), who: person(by), reason })

/** The verdict that a reading stands by, or that it was taken back. */
export const verdictWords = ({ t }: Pick<Teller, 't'>, { verdict }: Pick<ReadingLine, 'verdict'>): string =>
  verdict === null ? t('log.takenBack') : t(`verdict.${verdict}`)

/** From when to when a cleaning was; where it has not ended, from when. */
export const runTimes = ({ t, clock }: Teller, { from, to }: Pick<RunLine, 'from' | 'to'>): string =>
  to === null
    ? t('sheet.begun', { from: clock(from) })
    : t('sheet.until', { from: clock(from), to: clock(to) })

/** Something of a day that is not as it should be, with its names: what it is of, without what is wrong with it. */
export function leftName({ t, clock, station, procedure, person }: Teller, l: DayLeft): string {
  if (l.what === 'amended') return ''
  if (l.what === 'round') return `${l.name}: ${t(`log.left.how.${l.how}`)}`
  if (l.what === 'task') return l.owner ? `${l.say} (${person(l.owner)})` : l.say
  const where = l.station ? station(l.station) : t('log.left.noStation')
  if (l.what === 'not-read') return t('log.left.unread', { where, from: clock(l.from), to: clock(l.to) })
  const what = 'procedure' in l ? `${where}: ${procedure(l.procedure)}` : where
  if (l.what === 'not-sanitized')
    return t('log.left.short', {
      what,
      ms: spokenLength(l.ms),
      least: spokenLength(l.leastMs),
      who: person(l.by),
      reason: l.reason,
    })
  return l.what === 'closed' ? `${what}: ${l.reason}` : what
}

/** The same in one line by itself. */
export const leftWords = (tell: Teller, l: DayLeft): string =>
  `${tell.t(`sheet.left.${l.what}`)}: ${leftName(tell, l)}`

/** What else happened at a station. */
export function noteWords({ t, procedure }: Teller, { type, payload }: NoteLine): string {
  const told = payload as Readonly<Record<string, string | number>>
  switch (type) {
    case 'station.stopped@1':
      return t('log.say.station.stopped', told)
    case 'station.returned@1':
      return t('log.say.station.returned', told)
    case 'duty.closed@1':
      return t('sheet.dutyClosed', {
        procedure: procedure(String(told['procedure'])),
        reason: told['reason'] ?? '',
      })
    case 'dish.set-aside@1':
      return t('log.say.dish.set-aside', {
        n: told['inDoubt'] ?? 0,
        way: t(`dish.way.${told['way'] ?? ''}`),
        note: told['note'] ?? '',
      })
    case 'dish.returned@1':
      return t('log.say.dish.returned')
  }
}
