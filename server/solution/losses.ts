import { type BathState, lossOf } from '@tadka/core/bath'
import type { Pool } from '../db/pool.ts'
import { madeOfLessons } from '../stream/lessons.ts'

/** How far back baths are learned from. */
const learnedMs = 120 * 86_400_000
/** Baths of a product that its loss is learned from: the newest. */
const mostOfOne = 40
const mostInAll = 600

function lessonOf(bath: BathState): { readonly product: string; readonly loss: number } | null {
  const loss = bath.product === null || bath.readings.length === 0 ? null : lossOf(bath)
  return bath.product === null || loss === null
    ? null
    : { product: bath.product, loss: Math.round(loss * 10_000) / 10_000 }
}

type Loss = NonNullable<ReturnType<typeof lessonOf>>

function lossesIn(lessons: readonly Loss[]): Record<string, readonly number[]> {
  const losses: Record<string, number[]> = {}
  for (const { product, loss } of lessons) {
    const of = (losses[product] ??= [])
    if (of.length < mostOfOne) of.push(loss)
  }
  return losses
}

/** What a site's earlier baths lost an hour, by product: fitted to their readings. @param now milliseconds UTC. */
export const lossesOf = (pool: Pool, site: string, now: number): Promise<Record<string, readonly number[]>> =>
  madeOfLessons(pool, site, 'bath', { since: now - learnedMs, most: mostInAll }, lessonOf, lossesIn)
