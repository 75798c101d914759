import { freeSlug, type StationSet, typicalStation } from '@tadka/core/house'
import type { UnitSystem } from '@tadka/core/quantity'

export interface Picked {
  readonly family: string
  readonly count: number
}

interface Known {
  readonly id: string
  readonly name: string
  readonly tag: string
}

/** The stations that were picked, each with a name, an id and a tag of its own, and what a typical model has. */
export function stationsPicked(
  picked: readonly Picked[],
  place: string,
  units: UnitSystem,
  known: readonly Known[],
  words: { readonly short: (family: string) => string; readonly model: string },
): { readonly id: string; readonly set: StationSet }[] {
  const ids = known.map((k) => k.id)
  const names = new Set(known.map((k) => k.name))
  let tag = Math.max(0, ...known.map((k) => Number(k.tag)).filter(Number.isInteger))
  const counts = new Map<string, number>()
  for (const p of picked)
    counts.set(words.short(p.family), (counts.get(words.short(p.family)) ?? 0) + p.count)
  return picked.flatMap(({ family, count }) =>
    Array.from({ length: count }, () => {
      const short = words.short(family)
      const name = freeName(short, names, (counts.get(short) ?? 0) > 1)
      names.add(name)
      const id = freeSlug(name, ids, 'station')
      ids.push(id)
      tag += 1
      const set = {
        name,
        tag: String(tag),
        place: place.trim(),
        family,
        model: words.model,
        ...(typicalStation(family, units) ?? { parameters: {}, duties: [] }),
      }
      return { id, set }
    }),
  )
}

/** Numbered where there are several. */
function freeName(short: string, taken: ReadonlySet<string>, isOneOfMany: boolean): string {
  if (!isOneOfMany && !taken.has(short)) return short
  for (let n = isOneOfMany ? 1 : 2; ; n++) if (!taken.has(`${short} ${n}`)) return `${short} ${n}`
}
