import { leftWords, pouredWords, readingWords, totalWords, verdictWords } from '@tadka/words/sheet'
import type { PackKnown } from './gather.ts'
import { chainPart } from './chain-part.ts'
import { daysPart } from './days-part.ts'
import { dishPart } from './dish-part.ts'
import { readingsOf, stationPeriods } from '@tadka/core/sheet'
import type { Paper } from './paper.ts'
import { casesPart } from './cases-part.ts'
import { incidentsPart, samplesPart } from './happened-part.ts'
import { certificatesPart, photosPart } from './photos-part.ts'
import { sitePart } from './site-part.ts'
import type { PackTeller } from './teller.ts'

/** A photo's bytes by its hash; null where they have not come. */
export type PhotoOf = (sha256: string) => Promise<Buffer | null>

/** Lays out a pack: what was not as it should be first, then the days, then what stands behind them. */
export async function layOut(
  paper: Paper,
  known: PackKnown,
  tell: PackTeller,
  photoOf: PhotoOf,
): Promise<void> {
  head(paper, known, tell)
  summary(paper, known, tell)
  wrong(paper, known, tell)
  casesPart(paper, known, tell)
  incidentsPart(paper, known, tell)
  samplesPart(paper, known, tell)
  solutions(paper, known, tell)
  dishPart(paper, known, tell)
  daysPart(paper, known, tell)
  await photosPart(paper, known, tell, photoOf)
  sitePart(paper, known, tell)
  await certificatesPart(paper, known, tell, photoOf)
  chainPart(paper, known, tell)
  const { from, to } = known.asked
  const named = { site: known.site.name, from: tell.date(from), to: tell.date(to) }
  paper.end((page, of) => tell.t('pack.foot', { ...named, page, of }))
}

function head(paper: Paper, { asked, site }: PackKnown, tell: PackTeller): void {
  const { t, date, clock, person } = tell
  paper.text(t('pack.heading', { site: site.name }), { weight: 'bold', size: 22 })
  paper.text(t('pack.period', { from: date(asked.from), to: date(asked.to) }), { size: 14 })
  if (asked.stations.length > 0)
    paper.text(t('pack.stations', { list: asked.stations.map(tell.station).join(', ') }), { size: 11 })
  paper.gap(4)
  paper.text(t('pack.made', { time: `${date(asked.at)} ${clock(asked.at)}`, who: person(asked.by) }))
  paper.text(t('pack.decides'))
}

function summary(paper: Paper, known: PackKnown, tell: PackTeller): void {
  const { t } = tell
  const shares = [3, 1.5, 1, 1.1, 2.7, 3]
  const row = (texts: readonly string[], weight: 'plain' | 'bold' = 'plain') =>
    paper.row(texts.map((text, i) => ({ text, share: shares[i] ?? 1, weight })))
  paper.heading(t('pack.summary'))
  const signed = { n: known.days.filter((d) => d.signed.length > 0).length, of: known.days.length }
  paper.text([...totalWords(tell, known.days), t('pack.signedDays', signed)].join('. '))
  paper.gap(4)
  row(
    ['station', 'cleanings', 'checks', 'notIn', 'lastCleaned', 'next'].map((k) => t(`pack.${k}`)),
    'bold',
  )
  const periods = new Map(stationPeriods(known.days).map((p) => [p.station, p]))
  const named = known.asked.stations
  for (const { id } of known.stations.filter((s) => named.length === 0 || named.includes(s.id))) {
    const p = periods.get(id)
    const due = known.due.find((d) => d.station === id)
    if (!p && !due) continue
    row([
      tell.station(id),
      String(p?.cleanings ?? 0),
      String(p?.readings ?? 0),
      String(p?.notIn ?? 0),
      p?.last?.to
        ? `${tell.date(p.last.to)} ${tell.clock(p.last.to)}, ${tell.procedure(p.last.procedure)}`
        : t('pack.never'),
      due
        ? `${tell.date(due.latest)} ${tell.clock(due.latest)}, ${tell.procedure(due.procedure)}`
        : t('pack.noneDue'),
    ])
  }
}

function wrong(paper: Paper, { days }: PackKnown, tell: PackTeller): void {
  paper.heading(tell.t('pack.wrong'))
  const found = days.filter((d) => d.left.some((l) => l.what !== 'amended'))
  if (found.length === 0) paper.text(tell.t('pack.allRight'))
  for (const { day, left } of found)
    left.forEach((l, i) => {
      if (l.what === 'amended') return
      paper.row([
        { text: i === 0 ? tell.date(day) : '', share: 1.4, weight: 'bold' },
        { text: leftWords(tell, l), share: 8 },
      ])
    })
}

function solutions(paper: Paper, { days }: PackKnown, tell: PackTeller): void {
  const { t } = tell
  paper.heading(t('pack.solutions'))
  const lines = days.flatMap((d) => {
    const strips = readingsOf(d)
      .filter((r) => r.reading.what === 'sanitizer')
      .map((r) => ({
        at: r.at,
        what: readingWords(tell, r.reading),
        where: r.reading.station ? tell.station(r.reading.station) : '',
        who: tell.person(r.by),
        verdict: verdictWords(tell, r),
      }))
    const mixed = d.baths.map((b) => ({
      at: b.at,
      what: t('sheet.mixed', {
        volume: tell.volume(b.mixed.volume),
        product: b.mixed.productName,
        poured: pouredWords(tell, b.mixed),
      }),
      where: b.mixed.station ? tell.station(b.mixed.station) : b.mixed.where,
      who: tell.person(b.by),
      verdict: '',
    }))
    return [...strips, ...mixed].toSorted((a, b) => a.at - b.at)
  })
  if (lines.length === 0) paper.text(t('pack.noSolutions'))
  for (const l of lines)
    paper.row([
      { text: `${tell.date(l.at)} ${tell.clock(l.at)}`, share: 2.2 },
      { text: l.what, share: 4 },
      { text: l.where, share: 2.4 },
      { text: l.who, share: 1.2 },
      { text: l.verdict, share: 1.6, weight: 'bold' },
    ])
}
