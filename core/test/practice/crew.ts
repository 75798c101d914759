import {
  currentPosition,
  movedParts,
  mustLast,
  numberOf,
  startWait,
  wholeCount,
  type Facts,
  type Position,
  type Procedure,
} from '../../procedure/index.ts'
import {
  judgeRecord,
  judgeTouch,
  practiceOf,
  sceneOf,
  type FaultKind,
  type Practice,
  type PracticeKnown,
  type Thing,
  type Touchable,
} from '../../practice/index.ts'
import { rehearse, rehearsedRecord, type Rehearsal } from '../../record/index.ts'
import type { Payloads, RecordType } from '../../stream/index.ts'
import { siteFrom } from '../lesson/site.ts'
import { dutiful, plate } from '../records.ts'

/** Whoever works a practice run, by what they do about what they see. */
export interface Habits {
  /** Looks at what is drawn; who does not goes on as if all were well. */
  readonly looks: boolean
  /** Ends every wait at once that may be ended before its time. */
  readonly hurries?: boolean
  /** Does this once more, though nothing is wrong, at the first step where it can be done. */
  readonly alarm?: (crew: Crew, position: Position) => boolean
}

/** A practice run as it is worked by somebody simulated: by the records that the screens make, and by touching what is drawn. */
export class Crew {
  r: Rehearsal
  p: Practice
  readonly #habits: Habits
  #alarmed = false

  constructor(procedure: Procedure, seed: number, habits: Habits, wanted?: FaultKind) {
    const site = siteFrom(seed, procedure)
    const known: PracticeKnown = {
      ...{ products: site.products, instruments: site.instruments, now: site.now },
      ...{ recipe: {}, washLabel: null, preferred: {} },
      family: procedure.family === 'dish-machine' ? 'dish-machine.stationary-dual' : procedure.family,
    }
    const { parameters, options } = site
    const product = (id: string) => site.products.find((p) => p.id === id) ?? null
    this.r = rehearse(procedure, { ...plate, parameters, options }, product)
    this.p = practiceOf(this.r.procedure, this.r.run, known, seed, wanted)
    this.#habits = habits
  }

  get now() {
    return { run: this.r.run, station: this.r.station, at: this.r.at }
  }
  scene(position: Position): Thing[] {
    return sceneOf(this.p, this.r.run, this.r.station, position, this.r.at)
  }
  see<K extends Thing['is']>(position: Position, is: K): (Thing & { is: K }) | undefined {
    return this.scene(position).find((t): t is Thing & { is: K } => t.is === is)
  }
  touch(thing: Touchable, position: Position): void {
    this.p = judgeTouch(this.p, thing, position, this.now)
  }
  record<T extends RecordType>(type: T, payload: Payloads[T], passed = 0.1): void {
    const at = this.r.at + passed * 60_000
    this.p = judgeRecord(this.p, { type, payload } as never, { ...this.now, at })
    this.r = rehearsedRecord(this.r, type, payload, passed)
  }
  #at = (position: Position) => ({ run: this.r.run.id, station: this.r.station.id, step: position.key })
  done(position: Position, facts: Facts, passed?: number): void {
    this.record('run.step.done@2', { ...this.#at(position), facts }, passed)
  }

  /** Works the run to its end, or until it is stopped. */
  work(): void {
    for (let i = 0; i < 600; i++) {
      const position = currentPosition(this.r.procedure, this.r.run)
      if (!position || this.r.run.status !== 'running') break
      if (!this.#alarmed && this.#habits.alarm) this.#alarmed = this.#habits.alarm(this, position)
      if (this.#habits.looks) this.#switches(position)
      this.#one(position)
    }
    const plain = { run: this.r.run.id, station: this.r.station.id, procedure: this.r.procedure.id }
    if (this.r.run.status === 'running') this.record('run.finished@1', plain)
  }

  #switches(position: Position): void {
    const { power, feeds } = this.r.station.facets
    if (this.see(position, 'power')?.on && power === 'isolated') this.touch('power', position)
    if (this.see(position, 'feeds')?.on && feeds === 'off') this.touch('feeds', position)
  }

  #one(position: Position): void {
    const { looks } = this.#habits
    if (position.kind === 'sign')
      return this.done(position, { shown: !looks || this.see(position, 'pan')?.cloudy !== true })
    const { step } = position
    if (step.kind === 'wait' || step.kind === 'tend') return this.#wait(position)
    if (step.kind === 'check') return this.#check(position)
    if (step.kind === 'mix') {
      const right = this.p.known.products.find((p) => p.uses.some((u) => u.id === step.use))
      const bottle = this.see(position, 'bottle')
      if (looks && bottle && bottle.product !== right?.id) this.touch('bottle', position)
      return this.done(position, { product: right?.id ?? '' })
    }
    if (step.kind === 'parts') return this.#count(position)
    if (step.kind === 'read') return this.done(position, { read: this.see(position, 'display')?.value ?? 0 })
    if (step.kind === 'inspect' && looks && this.see(position, 'close-look')?.worn)
      return this.done(position, { choice: step.choices.find((c) => c.outcome === 'replace')?.id ?? '' })
    this.done(position, dutiful(position))
  }

  #count(position: Position): void {
    if (position.kind !== 'step' || position.step.kind !== 'parts') return
    const { step } = position
    const laid = this.see(position, 'laid-out')?.parts ?? []
    const short = movedParts(step).find((p) => (laid.find((l) => l.id === p.id)?.count ?? 0) < p.count)
    if (short && this.#habits.looks) {
      this.record('run.part.missing@1', { ...this.#at(position), part: short.id })
      this.record('run.part.found@1', { ...this.#at(position), part: short.id, where: 'sink' })
    }
    this.done(position, wholeCount(step))
  }

  #check(position: Position): void {
    if (position.kind !== 'step' || position.step.kind !== 'check') return
    const strip = this.see(position, 'strip')?.strip
    const shows = this.see(position, 'gauges')?.shows
    const place = { ...this.#at(position), case: null, bath: null, instruments: [] }
    const judged = (overall: string, more: object) =>
      this.record('reading.taken@1', { ...place, judgement: { overall }, ...more } as never)
    if (position.step.what === 'sanitizer') {
      const doubtful = strip !== undefined && 'between' in strip.shows
      const read = doubtful && !this.#habits.looks ? { matches: strip.blocks.at(-1) } : strip?.shows
      const pick = { strength: read ?? null, ph: null }
      const product = this.p.known.products.find((p) =>
        p.uses.some((u) => 'use' in position.step && u.id === position.step.use),
      )
      const what = { what: 'sanitizer', product: product?.id ?? null, use: position.step.use, picks: pick }
      judged(read === strip?.shows && doubtful ? 'too-close' : 'in', what)
      if (this.#habits.looks && doubtful)
        this.record('case.action@1', { ...place, did: 'strengthened' } as never)
      return
    }
    const low = shows?.rinse === 80
    const said = (value: number | undefined) =>
      value === undefined ? null : { unit: '°C', reading: { lo: value, hi: value } }
    const rinse = low && !this.#habits.looks ? 83 : shows?.rinse
    const reading =
      position.step.what === 'cold-product'
        ? { unit: '°C', value: shows?.product, interval: { lo: shows?.product, hi: shows?.product } }
        : { wash: said(shows?.wash), rinse: said(rinse), temperature: said(shows?.temperature) }
    judged(rinse === 80 ? 'out' : 'in', { what: position.step.what, reading })
  }

  #wait(position: Position): void {
    if (position.kind !== 'step' || (position.step.kind !== 'wait' && position.step.kind !== 'tend')) return
    const { step } = position
    this.record('run.wait.started@2', startWait(this.r.run, position))
    const { minutes } = this.r.run.waits[position.key] ?? { minutes: 0 }
    if (this.#habits.hurries && !mustLast(step)) return this.done(position, {}, minutes / 100)
    const ticks = 60
    let sinceVisit = 0
    for (let i = 1; i < ticks; i++) {
      const passed = minutes / ticks
      this.r = { ...this.r, at: this.r.at + passed * 60_000 }
      sinceVisit += passed
      const machine = this.see(position, 'machine')
      const isDue = step.kind === 'tend' && sinceVisit >= numberOf(step.every, this.r.run.parameters)
      if (step.kind === 'tend' && (isDue || (this.#habits.looks && (machine?.level ?? 1) < 0.45))) {
        this.record('run.visit.made@1', this.#at(position), 0)
        sinceVisit = 0
      }
      if (!this.#habits.looks) continue
      if (machine?.beater === 'stands' && this.r.station.facets.power === 'agitating')
        this.touch('machine', position)
      if (machine?.spout === 'drips') {
        // What ran out has not stood long enough: it is filled again, and its time begins anew.
        this.done(position, {}, 0)
        return
      }
    }
    this.done(position, {}, minutes / ticks + 0.01)
  }
}
