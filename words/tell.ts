import { decimals, type Interval, type UnitSystem } from '@tadka/core/quantity'
import { said } from './said.ts'

/** A text of the catalogue by its key, its places filled; `n` chooses between its forms. */
export type Translate = (
  key: string,
  places?: Readonly<Record<string, string | number>>,
  n?: number,
) => string

/** Words by key: texts, and groups of them. */
export interface Catalogue {
  readonly [key: string]: string | readonly string[] | Catalogue
}

const isList = (at: readonly string[] | Catalogue): at is readonly string[] => Array.isArray(at)

function textOf(catalogue: Catalogue, key: string): string | undefined {
  const found = key
    .split('.')
    .reduce<string | readonly string[] | Catalogue | undefined>(
      (at, name) => (typeof at === 'object' && !isList(at) ? at[name] : undefined),
      catalogue,
    )
  return typeof found === 'string' ? found : undefined
}

/** Whether a catalogue has a text of a key. */
export const hasText = (catalogue: Catalogue, key: string): boolean => textOf(catalogue, key) !== undefined

/** The texts of a catalogue for who has no screen: forms are parted by a bar, the first for one, or for none where there are three. */
export function translateBy(catalogue: Catalogue): Translate {
  return (key, places = {}, n) => {
    const text = textOf(catalogue, key)
    if (text === undefined) return key
    const forms = text.split(' | ')
    const many = forms.length - 1
    const of = n ?? 1
    const form = many === 0 ? 0 : many === 1 ? Number(of !== 1) : Math.min(of, many)
    return said(forms[form] ?? text, n === undefined ? places : { n, ...places })
  }
}

/** What sentences are told with: a catalogue, names for ids, and quantities and times as the site writes them. */
export interface Teller {
  readonly t: Translate
  readonly person: (id: string) => string
  readonly station: (id: string) => string
  readonly product: (id: string) => string
  readonly procedure: (id: string) => string
  /** @param mL millilitres, as they were measured out. */
  readonly measured: (mL: number) => string
  /** @param mL millilitres. */
  readonly volume: (mL: number) => string
  /** "21:10". @param at milliseconds UTC. */
  readonly clock: (at: number) => string
}

/** What sentences of all that happens at a site are told with, beside that. */
export interface SiteTeller extends Teller {
  /** Whether the catalogue has a text of this key. */
  readonly has: (key: string) => boolean
  /** "26 Nov 2026". @param at milliseconds UTC, or an ISO date. */
  readonly date: (at: number | string) => string
  readonly units: UnitSystem
}

/**
 * A span of numbers in words, the unit where it belongs: "100 to 200 ppm", "82 °C or more", "5 °C or less", "150 ppm".
 * @param unit as it stands behind the number; none for pH.
 */
export function spanWords(t: Translate, { lo, hi }: Interval, unit = ''): string {
  const behind = unit === '' || unit === 'pH' ? '' : ` ${unit}`
  const shown = (v: number) => decimals(v, 1)
  if (lo !== null && hi !== null)
    return shown(lo) === shown(hi)
      ? `${shown(lo)}${behind}`
      : `${t('span.between', { lo: shown(lo), hi: shown(hi) })}${behind}`
  if (lo !== null) return t('span.least', { v: `${shown(lo)}${behind}` })
  return hi === null ? t('span.any', {}) : t('span.most', { v: `${shown(hi)}${behind}` })
}
