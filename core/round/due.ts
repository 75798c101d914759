import type { TradingDay } from '../calendar/index.ts'
import { weekdayOf } from '../calendar/index.ts'
import { rank, type StaffRole } from '../rights/index.ts'
import type { RoundSet, RoundTime } from './records.ts'
import { isHurried, roundAt, type RoundState, type WalkOver } from './round.ts'

const hourMs = 3_600_000

/** Hours around an opening and a close in which a round of it is walked. Common practice, no source. */
const around = {
  opening: (d: TradingDay) => ({ from: d.opens - 3 * hourMs, to: d.opens + hourMs }),
  closing: (d: TradingDay) => ({ from: d.closes - hourMs, to: d.closes + 1.5 * hourMs }),
  day: (d: TradingDay) => ({ from: d.opens - 3 * hourMs, to: d.closes + 1.5 * hourMs }),
} as const satisfies Record<RoundTime, (day: TradingDay) => { from: number; to: number }>

/** When a round is walked on a day, ms UTC; null where it is not. */
export function roundWindow(
  round: Pick<RoundSet, 'days' | 'when' | 'ended'> & { readonly points: { readonly length: number } },
  day: TradingDay,
): { from: number; to: number } | null {
  if (round.ended || round.points.length === 0 || !round.days.includes(weekdayOf(day.date))) return null
  return around[round.when](day)
}

/** A round with no point left out is walked; one that was left half-way is not, whoever ended it. */
const isWhole = (walk: WalkOver): boolean => walk.unseen === 0

export interface RoundDue {
  /** Its time has not come, is now, or is over; walked it is done. */
  readonly is: 'ahead' | 'now' | 'late' | 'done'
  readonly from: number
  readonly to: number
}

/** How a round stands on a trading day; null where it is not walked on it. @param now ms UTC. */
export function roundDue({ round, walks }: RoundState, day: TradingDay | null, now: number): RoundDue | null {
  const window = round && day && roundWindow(round, day)
  if (!window) return null
  if (walks.some((w) => isWhole(w) && w.to >= window.from)) return { is: 'done', ...window }
  return { is: now < window.from ? 'ahead' : now <= window.to ? 'now' : 'late', ...window }
}

/** Whether somebody of a role walks a round: whose it is, and those above them. */
export const mayWalk = (round: Pick<RoundSet, 'who'>, role: StaffRole): boolean =>
  rank(role) >= rank(round.who)

/** Something of a day's rounds that is not as it should be. */
export interface RoundLeft {
  readonly round: string
  readonly name: string
  readonly how: 'not-walked' | 'late' | 'left-early' | 'hurried'
}

/**
 * What was missed of a day's rounds. @param until when the next day begins, ms UTC; @param now ms UTC: what may still be walked in
 * time is not missed. A day is held to the round as it was when that day opened.
 */
export function roundsLeft(
  rounds: readonly RoundState[],
  day: TradingDay,
  until: number,
  now: number,
): RoundLeft[] {
  return rounds.flatMap((state): RoundLeft[] => {
    const round = roundAt(state, day.opens)
    const window = round && roundWindow(round, day)
    if (!round || !window) return []
    const left = (how: RoundLeft['how']): RoundLeft => ({ round: state.id, name: round.name, how })
    const ofDay = state.walks.filter((w) => w.to >= window.from && w.from < until)
    const hurried = ofDay
      .filter(isHurried)
      .slice(0, 1)
      .map(() => left('hurried'))
    const whole = ofDay.find(isWhole)
    if (whole) return whole.to > window.to ? [left('late'), ...hurried] : hurried
    if (now <= window.to) return hurried
    return [left(ofDay.length > 0 ? 'left-early' : 'not-walked'), ...hurried]
  })
}
