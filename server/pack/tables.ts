import { showRead } from '@tadka/core/quantity'
import { readingsOf } from '@tadka/core/sheet'
import { foundWords, happenedLine } from '@tadka/words/happened'
import {
  caseLines,
  endWords,
  exceptionWords,
  leftWords,
  limitWords,
  pouredWords,
  readingWords,
  verdictWords,
} from '@tadka/words/sheet'
import { spanWords } from '@tadka/words/tell'
import { stringify } from 'csv-stringify/sync'
import { strToU8, zipSync } from 'fflate'
import type { PackKnown } from './gather.ts'
import { paperName, type PackTeller } from './teller.ts'

/** A table: its file, its columns, its rows; what they mean is in docs/formats.md. */
interface Table {
  readonly file: string
  readonly columns: readonly string[]
  readonly rows: readonly (readonly string[])[]
}

/** A number is one, whatever its sign; any other text that a spreadsheet would work out is set behind an apostrophe. */
export const noFormula = (cell: string) =>
  /^[=+@\t\r-]/.test(cell) && !/^-?\d+(\.\d+)?$/.test(cell) ? `'${cell}` : cell

/** The tables of a pack, one a kind, in the site's own time and units, with an index; zipped. */
export function packTables(known: PackKnown, tell: PackTeller): Uint8Array {
  const tables = tablesOf(known, tell)
  const index: Table = {
    file: 'index.csv',
    columns: ['file', 'rows', 'columns'],
    rows: tables.map((t) => [t.file, String(t.rows.length), t.columns.join(' ')]),
  }
  const files = [index, ...tables].map(({ file, columns, rows }) => {
    const text = stringify([[...columns], ...rows.map((r) => r.map(noFormula))], { bom: true })
    return [file, strToU8(text)] as const
  })
  return zipSync(Object.fromEntries(files))
}

export function tablesOf({ days, incidents, samples, site, trained }: PackKnown, tell: PackTeller): Table[] {
  // "2026-11-26 21:10:05"
  const times = new Intl.DateTimeFormat('sv-SE', {
    timeZone: site.timeZone,
    dateStyle: 'short',
    timeStyle: 'medium',
  })
  const local = (at: number | null) => (at === null ? '' : times.format(at))
  const degrees = (c: number | null) => (c === null ? '' : showRead(c, site.units).value)
  const where = (id: string | null) => (id === null ? '' : tell.station(id))
  return [
    {
      file: 'cleanings.csv',
      columns: ['day', 'from', 'to', 'station', 'procedure', 'by', 'verdict', 'exceptions', 'run'],
      rows: days.flatMap((d) =>
        d.stations.flatMap((s) =>
          s.runs.map((r) => [
            ...[d.day, local(r.from), local(r.to), where(r.station), tell.procedure(r.procedure)],
            ...[r.by.map(tell.person).join('; '), r.verdict ?? ''],
            ...[r.exceptions.map((e) => exceptionWords(tell, e)).join('; '), r.run],
          ]),
        ),
      ),
    },
    {
      file: 'readings.csv',
      columns: ['day', 'time', 'station', 'what', 'reading', 'limits', 'verdict', 'by', 'amended', 'record'],
      rows: days.flatMap((d) =>
        readingsOf(d).map((r) => [
          ...[d.day, local(r.at), where(r.reading.station), r.reading.what, readingWords(tell, r.reading)],
          ...[limitWords(tell, r.reading).join('; '), verdictWords(tell, r), tell.person(r.by)],
          ...[r.amended?.reason ?? '', r.record],
        ]),
      ),
    },
    {
      file: 'racks.csv',
      columns: ['day', 'time', 'station', 'wash', 'rinse', 'unit', 'verdict'],
      rows: days.flatMap((d) =>
        d.stations.flatMap((s) =>
          (s.cycles?.points ?? []).map((p) => [
            ...[d.day, local(p.at), where(s.station)],
            ...[degrees(p.wash), degrees(p.rinse), showRead(0, site.units).unit, p.verdict],
          ]),
        ),
      ),
    },
    {
      file: 'solutions.csv',
      columns: ['day', 'time', 'station', 'product', 'volume', 'poured', 'by', 'record'],
      rows: days.flatMap((d) =>
        d.baths.map((b) => [
          ...[d.day, local(b.at), b.mixed.station ? where(b.mixed.station) : b.mixed.where],
          ...[b.mixed.productName, tell.volume(b.mixed.volume), pouredWords(tell, b.mixed)],
          ...[tell.person(b.by), b.record],
        ]),
      ),
    },
    {
      file: 'corrective-actions.csv',
      columns: [
        'opened',
        'station',
        'what',
        'verdict',
        'opened_by',
        'actions',
        'ended',
        'ended_by',
        'status',
        'case',
      ],
      rows: [...new Map(days.flatMap((d) => d.cases).map((c) => [c.id, c])).values()].map((c) => [
        ...[local(c.openedAt), where(c.station), c.origin ? c.said : (c.what ?? ''), c.verdict ?? ''],
        tell.person(c.by),
        caseLines(tell, c)
          .map((line) => line.text)
          .join('; '),
        ...[endWords(tell, c), c.endedBy ? tell.person(c.endedBy) : '', c.status, c.id],
      ]),
    },
    {
      file: 'not-as-it-should-be.csv',
      columns: ['day', 'kind', 'what'],
      rows: days.flatMap((d) =>
        d.left.filter((l) => l.what !== 'amended').map((l) => [d.day, l.what, leftWords(tell, l)]),
      ),
    },
    {
      file: 'what-went-wrong.csv',
      columns: [
        'began',
        'kind',
        'where',
        'out_of_service',
        'over',
        'ended',
        'ended_by',
        'status',
        'incident',
      ],
      rows: incidents.map((i) => [
        ...[local(i.at), i.kind, i.station ? where(i.station) : i.place, i.stations.map(where).join('; ')],
        ...[local(i.over?.at ?? null), local(i.ended?.at ?? null), i.ended ? tell.person(i.ended.by) : ''],
        ...[i.status, i.id],
      ]),
    },
    {
      file: 'what-else-happened.csv',
      columns: ['day', 'time', 'kind', 'stations', 'what', 'by', 'before', 'amended', 'record'],
      rows: days.flatMap((d) =>
        d.happened.map((h) => {
          const { said, before } = happenedLine(tell, h)
          return [
            ...[d.day, local(h.at), h.type.split('@')[0] ?? h.type, h.about.stations.map(where).join('; ')],
            ...[said, tell.person(h.by), before, h.amended?.reason ?? '', h.record],
          ]
        }),
      ),
    },
    {
      file: 'laboratory.csv',
      columns: [
        'taken',
        'kind',
        'station',
        'where',
        'laboratory',
        'number',
        'found',
        'unit',
        'limit',
        'verdict',
        'sample',
      ],
      rows: samples.flatMap(({ id, taken, each }) => {
        const sample = [
          local(taken.at),
          taken.kind,
          where(taken.station),
          taken.where,
          taken.lab,
          taken.number,
        ]
        if (each.length === 0) return [[...sample, '', '', '', '', id]]
        return each.map(({ found, rule, verdict }) => [
          ...[...sample, foundWords(tell, found), found.unit],
          ...[rule ? spanWords(tell.t, rule.limit, rule.unit) : '', verdict, id],
        ])
      }),
    },
    {
      file: 'people.csv',
      columns: ['person', 'procedure', 'family', 'may', 'signed_by', 'signed', 'until', 'stated', 'ended'],
      rows: trained.flatMap((p) =>
        p.standings.map((s) => [
          tell.person(p.id),
          tell.procedure(s.procedure),
          s.family,
          s.may,
          s.signed ? tell.person(s.signed.by) : '',
          s.signed && s.signed.at > 0 ? local(s.signed.at) : '',
          s.signed?.until ?? '',
          s.signed ? String(s.signed.stated) : '',
          s.lapse?.why ?? '',
        ]),
      ),
    },
    {
      file: 'certificates.csv',
      columns: ['person', 'certificate', 'number', 'issued', 'until'],
      rows: trained.flatMap((p) =>
        p.papers.map((c) => [tell.person(p.id), paperName(tell, c), c.number, c.issued ?? '', c.until ?? '']),
      ),
    },
    {
      file: 'signatures.csv',
      columns: ['day', 'time', 'by', 'reason'],
      rows: days.flatMap((d) => d.signed.map((s) => [d.day, local(s.at), tell.person(s.by), s.reason])),
    },
  ]
}
