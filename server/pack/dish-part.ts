import type { CycleSheet } from '@tadka/core/sheet'
import { showRead } from '@tadka/core/quantity'
import type { PackKnown } from './gather.ts'
import type { Paper } from './paper.ts'
import type { PackTeller } from './teller.ts'

const verdicts = ['in', 'too-close', 'out', 'cannot-tell'] as const
const [high, left] = [74, 26]

/** Each dish machine's racks, a small chart a day: a dot is in range, a square is not. */
export function dishPart(paper: Paper, { days, site }: PackKnown, tell: PackTeller): void {
  const { t } = tell
  const machines = [...new Set(days.flatMap((d) => d.stations.flatMap((s) => (s.cycles ? s.station : []))))]
  if (machines.length === 0) return
  paper.heading(t('pack.dish'))
  const unit = showRead(0, site.units).unit
  for (const machine of machines) {
    paper.need(120)
    paper.text(tell.station(machine), { weight: 'bold', size: 11 })
    for (const { day, stations } of days) {
      const cycles = stations.find((s) => s.station === machine)?.cycles
      if (!cycles || cycles.points.length === 0) continue
      const counts = verdicts
        .filter((v) => cycles.counts[v] > 0)
        .map((v) => `${cycles.counts[v]} ${t(`verdict.${v}`)}`)
        .join(', ')
      paper.need(high + 20)
      paper.text(t('pack.rinses', { day: tell.date(day), n: cycles.points.length, unit, counts }))
      chart(paper, cycles, tell, (c) => Number(showRead(c, site.units).value))
      paper.gap(6)
    }
  }
}

function chart(paper: Paper, { points }: CycleSheet, tell: PackTeller, shown: (c: number) => number): void {
  const read = points.flatMap((p) => (p.rinse === null ? [] : [{ ...p, rinse: shown(p.rinse) }]))
  const [first, last] = [read[0], read.at(-1)]
  if (!first || !last) return
  const [lo, hi] = [
    Math.floor(Math.min(...read.map((p) => p.rinse))) - 1,
    Math.ceil(Math.max(...read.map((p) => p.rinse))) + 1,
  ]
  paper.figure(high, (doc, x0, y0, width) => {
    const [from, to] = [first.at, Math.max(last.at, first.at + 3_600_000)]
    const x = (at: number) => x0 + left + ((at - from) / (to - from)) * (width - left - 6)
    const y = (rinse: number) => y0 + 4 + ((hi - rinse) / (hi - lo)) * (high - 20)
    doc.lineWidth(0.5).strokeColor('#000000')
    doc
      .moveTo(x0 + left, y0 + 4)
      .lineTo(x0 + left, y0 + high - 16)
      .lineTo(x0 + width, y0 + high - 16)
      .stroke()
    for (const p of read)
      if (p.verdict === 'in') doc.circle(x(p.at), y(p.rinse), 1.3).fill('#000000')
      else
        doc
          .rect(x(p.at) - 3, y(p.rinse) - 3, 6, 6)
          .lineWidth(1.2)
          .stroke('#000000')
    paper.label(String(hi), x0, y0 + 2)
    paper.label(String(lo), x0, y0 + high - 24)
    paper.label(tell.clock(from), x0 + left, y0 + high - 13)
    paper.label(tell.clock(to), x0 + width - 34, y0 + high - 13)
  })
}
