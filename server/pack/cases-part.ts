import { readingsOf } from '@tadka/core/sheet'
import { caseLines, caseTitle, endWords, limitWords, readingWords, verdictWords } from '@tadka/words/sheet'
import type { PackKnown } from './gather.ts'
import type { Paper } from './paper.ts'
import type { PackTeller } from './teller.ts'

/** What was not in range, what it was held against, what was done and how it ended. Their photos stand with all others. */
export function casesPart(paper: Paper, { days }: PackKnown, tell: PackTeller): void {
  const { t, date, clock, person, station } = tell
  paper.heading(t('pack.cases'))
  const readings = new Map(days.flatMap(readingsOf).map((r) => [r.record, r]))
  const cases = new Map(days.flatMap((d) => d.cases).map((c) => [c.id, c]))
  if (cases.size === 0) paper.text(t('pack.noCases'))
  for (const c of [...cases.values()].toSorted((a, b) => a.openedAt - b.openedAt)) {
    const opened = readings.get(c.id)
    const what = caseTitle(tell, c, opened ? readingWords(tell, opened.reading) : null)
    paper.need(60)
    paper.row(
      [
        { text: `${date(c.openedAt)} ${clock(c.openedAt)}`, share: 2.2, weight: 'bold' },
        {
          text: [c.station ? station(c.station) : '', what].filter(Boolean).join(': '),
          share: 6,
          weight: 'bold',
        },
        { text: person(c.by), share: 1.2 },
        { text: opened ? verdictWords(tell, opened) : '', share: 1.8, weight: 'bold' },
      ],
      false,
    )
    if (opened)
      paper.text(`${t('pack.heldAgainst')}: ${limitWords(tell, opened.reading).join('; ')}`, {
        indent: 100,
        size: 8.5,
      })
    for (const line of caseLines(tell, c)) paper.text(line.text, { indent: 100 })
    paper.text(endWords(tell, c), { indent: 100, weight: c.status === 'open' ? 'bold' : 'plain' })
    paper.rule(0.3)
  }
}
