import type { DaySheet, ReadingLine, RunLine } from '@tadka/core/sheet'
import {
  exceptionWords,
  noteWords,
  readingWords,
  runTimes,
  summaryWords,
  verdictWords,
} from '@tadka/words/sheet'
import { happenedRows } from './happened-part.ts'
import type { PackKnown } from './gather.ts'
import type { Paper } from './paper.ts'
import type { PackTeller } from './teller.ts'

/** The days, one after another: every line with when, what, who and its verdict. */
export function daysPart(paper: Paper, { days }: PackKnown, tell: PackTeller): void {
  paper.page()
  paper.heading(tell.t('pack.days'))
  for (const day of days) dayPart(paper, day, tell)
}

/** One day on paper. */
export function dayPart(paper: Paper, sheet: DaySheet, tell: PackTeller): void {
  const { t, clock, person } = tell
  paper.gap(8)
  paper.need(70)
  paper.text(tell.date(sheet.day), { weight: 'bold', size: 13 })
  paper.text(summaryWords(tell, sheet))
  const last = sheet.signed.at(-1)
  if (last?.reason)
    paper.text(t('pack.signedOver', { time: clock(last.at), who: person(last.by), reason: last.reason }), {
      weight: 'bold',
    })
  for (const s of sheet.stations) {
    paper.need(40)
    paper.gap(3)
    paper.text(tell.station(s.station), { weight: 'bold', size: 10.5 })
    for (const run of s.runs) runRows(paper, run, tell)
    for (const r of s.readings) readingRow(paper, r, tell)
    for (const n of s.notes)
      paper.row([
        { text: clock(n.at), share: 1.6 },
        { text: noteWords(tell, n), share: 5.6 },
        { text: person(n.by), share: 1.6 },
        { text: '', share: 1.6 },
      ])
  }
  happenedRows(paper, sheet, tell)
}

function runRows(paper: Paper, run: RunLine, tell: PackTeller): void {
  const { t, person, procedure } = tell
  const exceptions = run.exceptions.map((e) => exceptionWords(tell, e))
  paper.row([
    { text: runTimes(tell, run), share: 1.6 },
    {
      text: [procedure(run.procedure), ...exceptions].join('. '),
      share: 5.6,
      weight: exceptions.length > 0 ? 'bold' : 'plain',
    },
    { text: run.by.map(person).join(', '), share: 1.6 },
    {
      text: run.verdict ? t(`verdict.${run.verdict}`) : t('sheet.noCheck'),
      share: 1.6,
      weight: run.verdict ? 'bold' : 'plain',
    },
  ])
  for (const r of run.readings) readingRow(paper, r, tell)
}

function readingRow(paper: Paper, r: ReadingLine, tell: PackTeller): void {
  paper.row([
    { text: tell.clock(r.at), share: 1.6, size: 8.5 },
    { text: readingWords(tell, r.reading), share: 5.6, size: 8.5 },
    { text: tell.person(r.by), share: 1.6, size: 8.5 },
    { text: verdictWords(tell, r), share: 1.6, size: 8.5 },
  ])
}
