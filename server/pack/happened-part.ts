import type { DaySheet } from '@tadka/core/sheet'
import { foundWords, happenedAt, happenedLine } from '@tadka/words/happened'
import { incidentWords } from '@tadka/words/incident'
import { spanWords } from '@tadka/words/tell'
import type { PackKnown } from './gather.ts'
import type { Paper } from './paper.ts'
import type { PackTeller } from './teller.ts'

/** What went wrong in the period: each from when it began to the signature that ended it. What was done stands on its days. */
export function incidentsPart(paper: Paper, { incidents }: PackKnown, tell: PackTeller): void {
  paper.heading(tell.t('pack.incidents'))
  if (incidents.length === 0) paper.text(tell.t('pack.noIncidents'))
  for (const incident of incidents) {
    const [what = '', ...more] = incidentWords(tell, incident)
    paper.need(50)
    paper.text(what, { weight: 'bold' })
    for (const line of more) paper.text(line, { indent: 100 })
    paper.rule(0.3)
  }
}

/** What a laboratory found, against the authority's limits; nothing where no sample was taken. */
export function samplesPart(paper: Paper, { samples }: PackKnown, tell: PackTeller): void {
  const { t, date, station } = tell
  if (samples.length === 0) return
  paper.heading(t('pack.samples'))
  for (const { taken, is, each } of samples) {
    const where = [t(`lab.kind.${taken.kind}`), taken.station ? station(taken.station) : '', taken.where]
    const number = [taken.lab, taken.number].filter(Boolean).join(' ')
    paper.need(40)
    paper.row(
      [
        { text: date(taken.at), share: 1.6 },
        { text: [...where, number].filter(Boolean).join(', '), share: 6 },
        { text: t(`lab.is.${is}`), share: 2.6, weight: 'bold' },
      ],
      each.length === 0,
    )
    for (const { found, rule, verdict } of each) {
      const limit = rule
        ? t('lab.limit', { authority: rule.authority, limit: spanWords(t, rule.limit, rule.unit) })
        : t('lab.noRule')
      paper.text(`${foundWords(tell, found)}: ${t(`verdict.${verdict}`)}, ${limit}`, { indent: 100 })
    }
  }
}

/** What else happened on a day, by time. */
export function happenedRows(paper: Paper, { happened }: DaySheet, tell: PackTeller): void {
  const { t, clock, person } = tell
  if (happened.length === 0) return
  paper.need(40)
  paper.gap(3)
  paper.text(t('sheet.happened'), { weight: 'bold', size: 10.5 })
  for (const h of happened) {
    const { said, before, why } = happenedLine(tell, h)
    const was = said && before ? t('pack.before', { before }) : before
    const what = [happenedAt(tell, h), said || was].filter(Boolean).join(': ')
    paper.row([
      { text: clock(h.at), share: 1.6 },
      { text: [what, why, ...(said ? [was] : [])].filter(Boolean).join('. '), share: 5.6 },
      { text: person(h.by), share: 1.6 },
      { text: '', share: 1.6 },
    ])
  }
}
