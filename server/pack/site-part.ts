import { showLimit, codeSections } from '@tadka/core/rules'
import { groupedBy } from '@tadka/core/stream'
import type { Standing } from '@tadka/core/training'
import { checkWords } from '@tadka/words/sheet'
import { spanWords } from '@tadka/words/tell'
import type { PackKnown, Trained } from './gather.ts'
import type { Paper } from './paper.ts'
import { paperName, type PackTeller } from './teller.ts'

/** What stands behind the days: instruments, people, chemicals, rules. */
export function sitePart(paper: Paper, known: PackKnown, tell: PackTeller): void {
  paper.page()
  instruments(paper, known, tell)
  people(paper, known, tell)
  products(paper, known, tell)
  rules(paper, known, tell)
}

function instruments(paper: Paper, { days }: PackKnown, tell: PackTeller): void {
  const { t } = tell
  paper.heading(t('pack.instruments'))
  const checks = days.flatMap((d) => d.checks)
  if (checks.length === 0) paper.text(t('pack.noInstruments'))
  for (const c of checks)
    paper.row([
      { text: `${tell.date(c.at)} ${tell.clock(c.at)}`, share: 2 },
      { text: checkWords(tell, tell.instrument(c.checked.instrument), c.checked), share: 5 },
      { text: tell.person(c.by), share: 1.5 },
      {
        text: c.checked.method === 'ice-point' ? t(`verdict.${c.checked.verdict}`) : '',
        share: 1.5,
        weight: 'bold',
      },
    ])
}

/** What somebody may do, family by family: by the family's name alone where it is all of it. */
function listed(tell: PackTeller, { standings }: Trained, may: Standing['may']): string {
  const families = groupedBy(standings, (s) => s.family)
  return [...families]
    .flatMap(([family, all]) => {
      const own = all.filter((s) => s.may === may)
      if (own.length === 0) return []
      const name = tell.t(`machines.one.${family.replaceAll('.', '_')}`)
      return own.length === all.length
        ? name
        : `${name} (${own.map((s) => tell.procedure(s.procedure)).join(', ')})`
    })
    .join(', ')
}

function people(paper: Paper, { trained }: PackKnown, tell: PackTeller): void {
  const { t } = tell
  paper.heading(t('pack.people'))
  if (trained.length === 0) paper.text(t('pack.nobody'))
  for (const p of trained) {
    const learns = listed(tell, p, 'with-somebody')
    paper.row([
      { text: tell.person(p.id), share: 1.5, weight: 'bold' },
      { text: `${t('pack.signedOff')}: ${listed(tell, p, 'alone') || t('pack.noneYet')}`, share: 6 },
      { text: learns && `${t('pack.learning')}: ${learns}`, share: 2.5 },
    ])
  }
  paper.heading(t('pack.papers'))
  const papers = trained.flatMap((p) => p.papers.map((paper) => ({ who: p.id, paper })))
  if (papers.length === 0) paper.text(t('pack.noPapers'))
  for (const { who, paper: held } of papers)
    paper.row([
      { text: tell.person(who), share: 1.5, weight: 'bold' },
      { text: paperName(tell, held), share: 4 },
      { text: held.number, share: 2 },
      {
        text:
          held.until === null
            ? t('training.paper.noEnd')
            : t('training.paper.ends', { day: tell.date(held.until) }),
        share: 2.5,
      },
    ])
}

function products(paper: Paper, { products: all, site }: PackKnown, tell: PackTeller): void {
  const { t } = tell
  paper.heading(t('pack.products'))
  const named = all.filter((p) => p.name)
  if (named.length === 0) paper.text(t('pack.noProducts'))
  const warm = (c: number) => {
    const { value, unit } = showLimit(c, site.units)
    return spanWords(t, { lo: Number(value), hi: null }, unit)
  }
  const seconds = (n: number) => `${t('pack.contact')} ${t('pack.bySeconds', { n })}`
  for (const p of named)
    for (const [i, use] of (p.uses ?? []).entries())
      paper.row([
        { text: i === 0 ? (p.name ?? '') : '', share: 2.4, weight: 'bold' },
        { text: use.name, share: 2.6 },
        { text: use.range ? spanWords(t, use.range, 'ppm') : '', share: 1.8 },
        { text: use.contactSeconds === null ? '' : seconds(use.contactSeconds), share: 1.6 },
        { text: use.temperature ? warm(use.temperature.c) : '', share: 1.8 },
      ])
}

function rules(paper: Paper, { rules: local, site }: PackKnown, tell: PackTeller): void {
  const { t } = tell
  paper.heading(t('pack.rules'))
  for (const s of codeSections(site.units))
    paper.row([
      { text: s.section, share: 3 },
      { text: t(`quantity.${s.quantity}`), share: 2 },
      { text: spanWords(t, s.limit, s.unit), share: 3 },
    ])
  for (const r of local)
    paper.row([
      {
        text: t('pack.local', { authority: r.authority, day: tell.date(r.from), reason: r.reason }),
        share: 3,
      },
      { text: t(`quantity.${r.quantity}`), share: 2 },
      { text: spanWords(t, r.limit, r.unit), share: 3 },
    ])
}
