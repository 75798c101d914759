import { dateAt, instantAt } from '@tadka/core/calendar'
import { handsOn, numberOf, servesFamily, stepsOfRun, type Procedure, type Step } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import { site } from './house.ts'
import { stations } from './products.ts'
import { crew, onShiftAt } from './roster.ts'

const minute = 60_000
/** A run that nobody has a hand for waits so long, at most. */
const step = 3 * minute
const most = 60

/** Short waits are waited out at the machine; in longer ones somebody does something else. */
const stays = 6

/** How long somebody is at a machine for a run, minutes: its steps at the pace of practised hands, and what they wait beside it. */
export function handsMinutes(procedure: Procedure, station: string): number {
  const parameters = stations[station]?.parameters ?? {}
  const takes = (s: Step): number =>
    s.kind === 'wait' || s.kind === 'tend'
      ? Math.min(stays, numberOf(s.length, parameters))
      : Math.max(1, 0.65 * handsOn(s, parameters))
  return stepsOfRun(procedure, {}).reduce((n, s) => n + takes(s), 0)
}

/** Whether somebody of the demo is signed off for it: nobody there works alone on what they have not shown. */
const mayAlone = (person: string, procedure: Procedure): boolean =>
  crew[person]?.signedOff.some((n) => n === procedure.id || servesFamily(procedure, n)) ?? false

/** The demo's people: each is at one machine at a time, and works while on shift. */
export class Hands {
  readonly #people: readonly string[]
  readonly #busy = new Map<string, { readonly from: number; readonly to: number }[]>()
  /** Until when each machine is worked on. */
  readonly #worked = new Map<string, number>()

  constructor(people: readonly string[]) {
    this.#people = people
  }

  /** Who begins a run, and when: whoever is there and free, at the time or soon after it. @param drawn 0 to 1, who of several. */
  for(station: string, procedure: Procedure, wanted: number, drawn: number): { by: string; start: number } {
    const takes = handsMinutes(procedure, station) * minute
    let start = Math.max(wanted, this.#worked.get(station) ?? 0)
    for (let tries = 0; tries < most; tries++, start += step) {
      const till = this.#there(start + takes)
      const free = this.#there(start).filter(
        (p) => till.includes(p) && mayAlone(p, procedure) && this.#isFree(p, start, start + takes),
      )
      const by = free[Math.floor(drawn * free.length)]
      if (by === undefined) continue
      this.#busy.set(by, [...(this.#busy.get(by) ?? []), { from: start, to: start + takes }])
      return { by, start }
    }
    throw new Error(`nobody of the demo has a hand free for ${procedure.id} on ${station}`)
  }

  /** The machine was worked on until then, ms UTC. */
  done(station: string, at: number): void {
    this.#worked.set(station, at + minute)
  }

  #there(at: number): readonly string[] {
    const day = dateAt(instant(Math.round(at)), site.timeZone)
    return onShiftAt((at - instantAt(day, '00:00', site.timeZone)) / minute, this.#people)
  }

  #isFree(person: string, from: number, to: number): boolean {
    return !this.#busy.get(person)?.some((b) => from < b.to && to > b.from)
  }
}
