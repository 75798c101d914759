import { readingsOf, type ReadingLine } from '@tadka/core/sheet'
import { caseLines, caseTitle, endWords, limitWords, readingWords, verdictWords } from '@tadka/words/sheet'
import type { PhotoOf } from './document.ts'
import type { PackKnown } from './gather.ts'
import type { Paper } from './paper.ts'
import type { PackTeller } from './teller.ts'

/** What was not in range, what it was held against, what was done and how it ended; with the photos of it. */
export async function casesPart(
  paper: Paper,
  { days }: PackKnown,
  tell: PackTeller,
  photoOf: PhotoOf,
): Promise<void> {
  const { t, date, clock, person, station } = tell
  paper.heading(t('pack.cases'))
  const readings = new Map(days.flatMap(readingsOf).map((r) => [r.record, r]))
  const cases = new Map(days.flatMap((d) => d.cases).map((c) => [c.id, c]))
  if (cases.size === 0) paper.text(t('pack.noCases'))
  const photos: { readonly sha256: string; readonly of: ReadingLine }[] = []
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
    if (opened) photos.push(...opened.photos.map((sha256) => ({ sha256, of: opened })))
  }
  if (photos.length === 0) return
  paper.heading(t('pack.photos'), 11)
  for (const { sha256, of } of photos) {
    const bytes = await photoOf(sha256)
    if (!bytes) continue
    paper.text(`${date(of.at)} ${clock(of.at)}, ${readingWords(tell, of.reading)}`)
    paper.figure(170, (doc, x, y) => void doc.image(bytes, x, y + 2, { fit: [220, 160] }))
  }
}
