import { decimals } from '@tadka/core/quantity'
import type { AnyRecord } from '@tadka/core/stream'
import type { ReadingTaken } from '@tadka/core/reading'
import { aboutOf, hasHappened, type Happened } from '@tadka/core/sheet'
import { passes } from '@tadka/core/training'
import { happenedWords } from '@tadka/words/happened'
import { useI18n } from 'vue-i18n'
import { useSpanWords } from '../pieces/span-words.ts'
import { useTimes } from '../site/times.ts'
import { useUnits } from '../site/units.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useTeller } from '../site/teller.ts'
import { useUpkeepSentence } from './upkeep-sentence.ts'
import { useSentenceParts } from './sentence-parts.ts'

/** A record in one sentence, as it is read in the log. */
export function useSentence() {
  const { t, te } = useI18n()
  const names = useNames()
  const site = useSite()
  const units = useUnits()
  const span = useSpanWords()
  const { volume } = units
  const { clock, day, date } = useTimes()
  const { shortOf, partOf, reading, act, facts } = useSentenceParts()

  const tell = useTeller()
  const sayUpkeep = useUpkeepSentence()

  function say(record: AnyRecord): string {
    if (hasHappened(record)) {
      const about = aboutOf(record, ({ kind, id }) => site.one(kind, id))
      return happenedWords(tell, { type: record.type, payload: record.payload, about } as Happened)
    }
    const kept = sayUpkeep(record)
    if (kept !== null) return kept
    const name = record.type.split('@')[0] ?? record.type
    switch (record.type) {
      case 'run.started@1':
      case 'run.started@2':
        return t('log.say.run.started', {
          procedure: names.procedure(record.payload.procedure.id),
          station: names.station(record.payload.station),
        })
      case 'run.help.called@1': {
        const { run, step } = record.payload
        return t('log.say.run.help.called', {
          step: step ? names.step(run, step) : names.station(record.payload.station),
        })
      }
      case 'run.watched@1':
      case 'run.shown@1':
        return t(`log.say.${name}`, {
          name: names.person(record.payload.learner),
          procedure: names.procedure(record.payload.procedure),
        })
      case 'training.checked@1': {
        const { procedure, right, asked, passPercent } = record.payload
        const passed = t(`log.say.training.${passes(right, asked, passPercent) ? 'passed' : 'failed'}`)
        return t('log.say.training.checked', { procedure: names.procedure(procedure), right, asked, passed })
      }
      case 'training.signed@1': {
        const { procedures: those, until } = record.payload
        const told = {
          name: names.person(record.subject.id),
          procedures: those.map((p) => names.procedure(p.id)).join(', '),
        }
        return until === null
          ? t('log.say.training.signed', told)
          : t('log.say.training.signedUntil', { ...told, day: date(until) })
      }
      case 'training.ended@1':
        return t(`log.say.training.ended.${record.payload.why}`, {
          name: names.person(record.subject.id),
          procedure: names.procedure(record.payload.procedure),
          note: record.payload.note,
        })
      case 'huddle.held@1': {
        const { topic, procedure, there } = record.payload
        return t('log.say.huddle.held', {
          lesson: t(`huddle.name.${topic}`, { procedure: procedure ? names.procedure(procedure) : '' }),
          people: there.map(names.person).join(', '),
        })
      }
      case 'note.left@1': {
        const { kind, station, said } = record.payload
        const about = station ? `${names.station(station)}: ${said}` : said
        return t('log.say.note.left', { kind: t(`shift.note.kind.${kind}`), said: about })
      }
      case 'note.settled@1': {
        const { day: of, note } = record.payload
        const said = site.one('shift', of)?.notes?.find((n) => n.id === note)?.said ?? ''
        return t('log.say.note.settled', { said })
      }
      case 'note.read@1':
        return t('log.say.note.read')
      case 'training.paper@1': {
        const { kind, name: called, removed } = record.payload
        return t(`log.say.training.${removed ? 'paperRemoved' : 'paper'}`, {
          name: names.person(record.subject.id),
          paper: called || t(`training.paper.${kind}`),
        })
      }
      case 'run.finished@1':
        return t('log.say.run.finished', {
          procedure: names.procedure(names.run(record.payload.run)?.procedure.id ?? ''),
          station: names.station(record.payload.station),
        })
      case 'run.abandoned@1':
        return t('log.say.run.abandoned', {
          procedure: names.station(record.payload.station),
          reason: record.payload.reason,
        })
      case 'run.step.done@1':
      case 'run.step.done@2': {
        const { run, step, facts: f } = record.payload
        const title = names.step(run, step)
        if (typeof f['shown'] === 'boolean')
          return t('log.say.rounds', {
            step: title,
            answer: t(f['shown'] === true ? 'log.say.yes' : 'log.say.no'),
          })
        return title + facts(record)
      }
      case 'run.wait.started@2':
        return t('log.say.run.wait.begun', { step: names.step(record.payload.run, record.payload.step) })
      case 'run.overridden@1': {
        const { run, step, what, reason } = record.payload
        return what === 'start'
          ? t('log.say.run.overridden.start', { reason })
          : t('log.say.run.overridden.wait', {
              step: names.step(run, step),
              what: shortOf(run, step),
              reason,
            })
      }
      case 'run.entered@1': {
        const { procedure, station, from, to, who, read } = record.payload
        return t('log.say.run.entered', {
          procedure: names.procedure(procedure.id),
          station: names.station(station),
          from: `${day(from)} ${clock(from)}`,
          to: clock(to),
          who: names.person(who),
          read: read ? `: ${read}` : '',
        })
      }
      case 'run.part.missing@1':
        return t('log.say.run.part.missing', { part: partOf(record.payload) })
      case 'run.part.found@1':
        return t('log.say.run.part.found', { part: partOf(record.payload), where: record.payload.where })
      case 'run.part.lost@1':
        return t('log.say.run.part.lost', { part: partOf(record.payload), what: record.payload.discarded })
      case 'station.stopped@1':
        return t('log.say.station.stopped', { reason: record.payload.reason })
      case 'station.returned@1':
        return t('log.say.station.returned', { ...record.payload })
      case 'station.observed@1': {
        const { contents, assembly, power } = record.payload
        return t('log.say.station.observed', {
          what: [
            t(`run.seen.contents.${contents}`),
            t(`run.seen.assembly.${assembly}`),
            t(`run.seen.power.${power}`),
          ].join(', '),
        })
      }
      case 'mix.changed@1':
        return t(`log.say.mix.changed${record.inForce?.asks === 'none' ? '' : '-clean'}`, {
          name: record.payload.to.map(names.mix).join(' + '),
        })
      case 'station.made-safe@1':
        return t(`run.safe.${record.payload.did}`)
      case 'duty.closed@1': {
        const { procedure, day: on, reason } = record.payload
        return t('log.say.duty.closed', { procedure: names.procedure(procedure), day: date(on), reason })
      }
      case 'run.wait.started@1':
        return t('log.say.run.wait.started', {
          minutes: record.payload.minutes,
          step: names.step(record.payload.run, record.payload.step),
        })
      case 'run.visit.made@1':
        return t('log.say.run.visit.made', { step: names.step(record.payload.run, record.payload.step) })
      case 'photo.attached@1': {
        const { run, step } = record.payload
        return t('log.say.photo.attached', { step: run && step ? names.step(run, step) : '' })
      }
      case 'count.read@1':
        return t('log.say.count.read', {
          what: t(`house.count.${record.payload.of}`, { n: '' }).split(',')[0] ?? '',
          n: record.payload.total,
        })
      case 'sign.seen@1': {
        const { sign } = record.payload
        return t('log.say.sign.seen', { sign: te(`house.sign.${sign}`) ? t(`house.sign.${sign}`) : sign })
      }
      case 'station.laid-up@1':
        return t('log.say.station.laid-up', { reason: record.payload.reason })
      case 'person.set@1': {
        const { name: who, role, left } = record.payload
        if (role === 'inspector') return t(`log.say.person.${left ? 'linkEnded' : 'link'}`, { name: who })
        return t(`log.say.person.${left ? 'left' : 'set'}`, { name: who, role: t(`people.role.${role}`) })
      }
      case 'person.secret@1': {
        const { what, toChange } = record.payload
        return t(`log.say.person.${toChange ? 'given' : 'secret'}`, {
          name: names.person(record.subject.id),
          what: t(`log.say.person.${what}`),
        })
      }
      case 'tablet.set@1':
        return t(`log.say.tablet.${record.payload.removed ? 'removed' : 'set'}`, {
          name: record.payload.name,
        })
      case 'roster.set@1':
        return t('log.say.roster.set', {
          day: date(record.payload.day),
          n: record.payload.shifts.filter((s) => !s.away).length,
        })
      case 'plan.set@1':
        return t('log.say.plan.set', {
          day: date(record.payload.day),
          n: new Set(record.payload.plan.placed.map((p) => p.run)).size,
        })
      case 'spare.set@1':
        return t('log.say.spare.set', { name: record.payload.name, n: record.payload.count })
      case 'spare.drawn@1':
        return t(`log.say.spare.${record.payload.count < 0 ? 'back' : 'drawn'}`, {
          name: site.one('spare', record.payload.spare)?.name ?? '',
        })
      case 'follow-up.closed@1':
        return t('log.say.follow-up.closed', {
          step: names.step(record.payload.run, record.payload.step),
          note: record.payload.note,
        })
      case 'run.step.undone@1':
      case 'run.step.undone@2':
        return t('log.say.run.step.undone', { step: names.step(record.payload.run, record.payload.step) })
      case 'bath.mixed@1': {
        const { volume: mL, productName, poured, measured, tool } = record.payload
        return t('log.say.bath.mixed', {
          volume: volume(mL),
          product: productName,
          poured: `${measured ? `${decimals(measured.amount, 1)} ${measured.unit}` : units.measured(poured)}, ${tool}`,
        })
      }
      case 'reading.taken@1':
        return reading(record.payload)
      case 'case.action@1':
        return act(record.payload)
      case 'case.opened@1':
        return t('log.say.case.opened', { said: record.payload.said })
      case 'case.told@1': {
        const { part, said } = record.payload
        return t('log.say.case.told', { part: t(`log.case.part.${part}`), said })
      }
      case 'case.closed@1':
        return t('log.say.case.closed', { reason: record.payload.reason })
      case 'record.amended@1': {
        const { reason, targetType, instead } = record.payload
        const becomes = targetType === 'reading.taken@1' ? `${reading(instead as ReadingTaken)}. ` : ''
        return becomes + reason
      }
      case 'rule.set@1': {
        const { authority, quantity, unit, limit, until } = record.payload
        const what = `${t(`quantity.${quantity}`)} ${span(limit, unit)}${until === null ? '' : `, ${t('house.rule.ended')}`}`
        return t('log.say.rule.set', { name: authority, what })
      }
      case 'shift.signed@1':
        return (
          t('log.say.shift.signed', { day: date(record.payload.day) }) +
          (record.payload.reason ? `: ${record.payload.reason}` : '')
        )
      case 'shift.reviewed@1': {
        const { day: of, exceptions: n, note } = record.payload
        const told = t(`log.say.shift.${n ? 'reviewedWith' : 'reviewed'}`, { day: date(of), n: n ?? 0 })
        return told + (note ? `: ${note}` : '')
      }
      case 'procedure.set@1': {
        const { name: own, version } = record.payload.document
        return t('log.say.procedure.set', { name: own, version })
      }
      case 'procedure.put@1': {
        const { version, from } = record.payload
        const named = { name: names.procedure(record.subject.id), day: date(from) }
        return version === null
          ? t('log.say.procedure.library', named)
          : t('log.say.procedure.put', { ...named, version })
      }
      case 'mix.set@1':
        return t('log.say.mix.set', {
          name: [record.payload.name, record.payload.flavour].filter(Boolean).join(', '),
        })
      case 'rerun.kept@1':
        return t('log.say.rerun.kept', {
          v: units.volume(record.payload.litres * 1000),
          what: record.payload.mixes.map(names.mix).join(', ') || t('rerun.unnamed'),
          read: `${record.payload.read.value} ${record.payload.read.unit}`,
          day: date(record.payload.useBy),
        })
      case 'rerun.read@1':
        return t('log.say.rerun.read', { read: `${record.payload.read.value} ${record.payload.read.unit}` })
      case 'rerun.ended@1':
        return record.payload.how === 'used'
          ? t('log.say.rerun.ended', { station: names.station(record.payload.into ?? '') })
          : t('log.say.rerun.thrownOut', { reason: record.payload.reason })
      case 'water.measured@1':
        return t('log.say.water.measured', {
          v: units.hardness(record.payload.hardness),
          with: record.payload.with,
        })
      case 'concentrate.opened@1':
        return t(`log.say.concentrate.${record.payload.lot ? 'openedLot' : 'opened'}`, {
          name: names.product(record.payload.product),
          lot: record.payload.lot ?? '',
        })
      case 'instrument.checked@1': {
        const c = record.payload
        const what =
          c.method === 'ice-point'
            ? `${c.read} ${c.unit}, ${t(`verdict.${c.verdict}`)}`
            : t('house.instrument.gives', { percent: Math.round(c.ratio * 100) })
        const held = site.one('instrument', c.instrument)
        return t('log.say.instrument.checked', { name: held && 'name' in held ? held.name : '', what })
      }
      case 'cycle.judged@1': {
        const { figures, judgement } = record.payload
        const read = { wash: units.read(figures.washLow), rinse: units.read(figures.rinseLow) }
        const what = judgement ? t('log.say.cycleRead', read) : t('log.say.gone')
        return t('log.say.cycle.judged', { what })
      }
      case 'concentrate.drawn@1': {
        const { product, millilitres } = record.payload
        return t('log.say.concentrate.drawn', {
          name: names.product(product),
          v: units.measured(millilitres),
        })
      }
      case 'logger.imported@1': {
        const { name: file, summary, cycles, passes } = record.payload
        const judged = cycles?.judged ?? passes?.judged
        const verdicts = (['in', 'too-close', 'out', 'cannot-tell'] as const)
          .filter((v) => (judged?.[v] ?? 0) > 0)
          .map((v) => `${judged?.[v] ?? 0} ${t(`verdict.${v}`)}`)
          .join(', ')
        return t('log.say.logger.imported', { file, n: summary.rows, verdicts: verdicts && `: ${verdicts}` })
      }
      case 'logger.withdrawn@1':
        return t('log.say.logger.withdrawn', { reason: record.payload.reason })
      case 'ware.rejected@1':
        return t(`log.say.ware.${record.payload.pieces > 0 ? 'rejected' : 'back'}`, {
          sign: t(`dish.reject.${record.payload.sign}`),
        })
      case 'rack.tallied@1':
        return t('log.say.rack.tallied', { n: record.payload.racks })
      case 'dish.set-aside@1': {
        const { inDoubt, way, note } = record.payload
        return t('log.say.dish.set-aside', { n: inDoubt, way: t(`dish.way.${way}`), note })
      }
      case 'product.sheet@1': {
        const { product, sha256, name: called } = record.payload
        const told = { product: names.product(product), name: called }
        return t(`log.say.product.${sha256 === null ? 'sheetOff' : 'sheet'}`, told)
      }
      case 'station.set@1':
      case 'product.set@1':
      case 'instrument.set@1':
        return t(`log.say.${name}`, { name: record.payload.name })
      default:
        return te(`log.say.${name}`) ? t(`log.say.${name}`) : name
    }
  }
  return { say, act }
}
