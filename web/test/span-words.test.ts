import { atLeast, atMost, interval, point } from '@tadka/core/quantity'
import { limitNotes } from '@tadka/core/rules'
import { expect, it } from 'vitest'
import { spanWords } from '@tadka/words/tell'
import { fetchWords, i18n } from '../src/words/index.ts'

await fetchWords()
const { t, te } = i18n.global

it.each([
  [interval(100, 200), 'ppm', '100 to 200 ppm'],
  [atLeast(82), '°C', '82 °C or more'],
  [atMost(5), '°C', '5 °C or less'],
  [point(150), 'ppm', '150 ppm'],
  [interval(6.01, 6.04), 'pH', '6'],
  [interval(null, null), 'ppm', 'any'],
])('%j %s is told as %s', (span, unit, words) => expect(spanWords(t, span, unit)).toBe(words))

it('what is to be known of where a limit comes from has words, each', () =>
  expect(limitNotes.filter((note) => !te(`limit.${note}`))).toEqual([]))
