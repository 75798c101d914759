import { readingsOf } from '@tadka/core/sheet'
import { happenedLine } from '@tadka/words/happened'
import { readingWords, verdictWords } from '@tadka/words/sheet'
import sharp from 'sharp'
import type { PhotoOf } from './document.ts'
import type { PackKnown } from './gather.ts'
import type { Paper } from './paper.ts'
import { paperName, type PackTeller } from './teller.ts'

/** So many stand in a row, each with what it is of under it; points. */
const [inRow, high, room] = [4, 92, 42]
/** Wide enough for a strip's colours on paper, and a month of them goes in a mail. */
const pixels = 360

/** A photo as small as paper needs it; null where it cannot be read. */
const small = (bytes: Buffer): Promise<Buffer | null> =>
  sharp(bytes)
    .rotate()
    .resize({ width: pixels, height: pixels, fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: 72 })
    .toBuffer()
    .catch(() => null)

/** A photo, and what stands under it. */
interface Pictured {
  readonly sha256: string
  readonly says: string
}

/** Photos small, in rows, each with what it is of. */
async function pictureRows(
  paper: Paper,
  all: readonly Pictured[],
  { t }: PackTeller,
  photoOf: PhotoOf,
): Promise<void> {
  const rowFrom = (i: number) =>
    Promise.all(
      all.slice(i, i + inRow).map(async ({ sha256, says }) => {
        const bytes = await photoOf(sha256)
        return { says, picture: bytes && (await small(bytes)) }
      }),
    )
  // The next row is made small while this one is drawn.
  let coming = rowFrom(0)
  for (let i = 0; i < all.length; i += inRow) {
    const row = await coming
    coming = rowFrom(i + inRow)
    paper.need(high + room)
    paper.figure(high, (doc, x, y, width) =>
      row.forEach(({ picture }, k) => {
        const box = width / inRow
        if (picture) doc.image(picture, x + k * box, y + 2, { fit: [box - 8, high - 4] })
      }),
    )
    paper.row(
      Array.from({ length: inRow }, (_, k) => {
        const of = row[k]
        const missing = of && !of.picture ? ` ${t('pack.photoMissing')}` : ''
        return { text: of ? `${of.says}${missing}` : '', share: 1, size: 7.5 }
      }),
      false,
    )
  }
}

/** Every photo of the days, by when it was taken: of which reading, and what it came to. */
export async function photosPart(
  paper: Paper,
  { days }: PackKnown,
  tell: PackTeller,
  photoOf: PhotoOf,
): Promise<void> {
  const { t, date, clock, station } = tell
  const all = days.flatMap((d) =>
    readingsOf(d).flatMap((of) => {
      const where = of.reading.station ? `${station(of.reading.station)}: ` : ''
      const says = `${date(of.at)} ${clock(of.at)}, ${where}${readingWords(tell, of.reading)}. ${verdictWords(tell, of)}`
      return of.photos.map((sha256) => ({ sha256, says }))
    }),
  )
  const happened = days.flatMap((d) =>
    d.happened.flatMap((h) => {
      const says = `${date(h.at)} ${clock(h.at)}, ${happenedLine(tell, h).said}`
      return h.photos.map((sha256) => ({ sha256, says }))
    }),
  )
  if (all.length + happened.length === 0) return
  paper.heading(t('pack.everyPhoto'))
  await pictureRows(paper, [...all, ...happened], tell, photoOf)
}

/** The certificates that were photographed, each with whose it is. */
export async function certificatesPart(
  paper: Paper,
  { trained }: PackKnown,
  tell: PackTeller,
  photoOf: PhotoOf,
): Promise<void> {
  const all = trained.flatMap((p) =>
    p.papers.flatMap((held) =>
      held.photo === null
        ? []
        : [{ sha256: held.photo, says: `${tell.person(p.id)}: ${paperName(tell, held)} ${held.number}` }],
    ),
  )
  if (all.length === 0) return
  paper.heading(tell.t('pack.paperPhotos'))
  await pictureRows(paper, all, tell, photoOf)
}
