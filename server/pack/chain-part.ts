import { lineOfHead } from '@tadka/contract/record'
import { encode } from 'uqr'
import type { PackKnown } from './gather.ts'
import type { Paper } from './paper.ts'
import type { PackTeller } from './teller.ts'

/** Points of one square of the code, and the blank squares round it. */
const [square, quiet] = [2.4, 4]

/** Whether the records are whole, and the fingerprint by which anybody can tell later. */
export function chainPart(paper: Paper, { asked, chain }: PackKnown, { t }: PackTeller): void {
  paper.need(300)
  paper.heading(t('pack.chain'))
  const isWhole = chain.brokenAt === null
  paper.text(
    isWhole ? t('pack.sound', { n: chain.checked }) : t('pack.broken', { seq: chain.brokenAt ?? 0 }),
    { weight: 'bold' },
  )
  paper.text(t('pack.head', { seq: chain.seq }))
  paper.text(chain.hash, { size: 9 })
  paper.text(t('pack.headHow'))
  const { data, size } = encode(lineOfHead({ site: asked.site, ...chain }), { ecc: 'M', border: 0 })
  paper.figure((size + 2 * quiet) * square, (doc, x, y) => {
    data.forEach((row, j) =>
      row.forEach((dark, i) => {
        if (dark) doc.rect(x + (i + quiet) * square, y + (j + quiet) * square, square, square)
      }),
    )
    doc.fill('#000000')
  })
}
