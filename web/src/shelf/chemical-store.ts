import { placesFor, storeTold, type ShelfSet, type ShelfState, type TooNear } from '@tadka/core/shelf'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKit } from '../site/kit.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'

export type Place = ShelfState & { readonly shelf: ShelfSet }

/** Where chemicals stand: each area with its places, what is above first, and what stands too near. */
export function useChemicalStore() {
  const { t } = useI18n()
  const { product } = useNames()
  const site = useSite()
  const kit = useKit()
  const places = computed(() =>
    site.all('shelf').filter((s): s is Place => s.shelf !== null && !s.shelf.ended),
  )
  const told = computed(() => storeTold(site.all('shelf'), kit.products.value))
  const areas = computed(() => {
    const names = [...new Set(places.value.map((p) => p.shelf.area))].toSorted()
    return names.map((area) => ({
      area,
      places: inOrder(places.value.filter((p) => p.shelf.area === area)),
    }))
  })
  const place = (id: string) => site.one('shelf', id)?.shelf?.name ?? id
  return {
    places,
    areas,
    told,
    product,
    place,
    products: kit.products,
    /** Where a product would stand well, by name. */
    apartFor: (id: string) =>
      placesFor(id, site.all('shelf'), kit.products.value)
        .map((shelf) => ({ id: shelf, name: place(shelf) }))
        .toSorted((a, b) => a.name.localeCompare(b.name)),
    /** What is too near, and what comes of it. */
    said: (n: TooNear) => {
      const told = { a: product(n.product), place: place(n.at), under: place(n.under) }
      if (n.with !== 'product')
        return { what: t(`shelf.near.${n.with}${n.near === 'beside' ? 'Beside' : 'Above'}`, told), why: '' }
      return {
        what: t(`shelf.near.${n.near}`, { ...told, b: product(n.other) }),
        why: t(`shelf.effect.${n.effect}`),
      }
    },
    /** @param from the place that it was brought from; null: none. */
    stands: (shelf: string, id: string, here: boolean, from: string | null = null) =>
      site.record('shelf.stands@1', { kind: 'shelf', id: shelf }, { product: id, here, from }),
    filled: (shelf: string, mark: string, belongs: string, id: string) =>
      site.record('slot.filled@1', { kind: 'shelf', id: shelf }, { mark, belongs, product: id }),
  }
}

/** What is above before what is below it; what is over nothing by name. */
function inOrder(of: readonly Place[]): Place[] {
  const depth = (p: Place, seen: readonly string[] = []): number => {
    const below = of.find((x) => x.id === p.shelf.over)
    return !below || seen.includes(below.id) ? 0 : 1 + depth(below, [...seen, p.id])
  }
  return of.toSorted((a, b) => depth(b) - depth(a) || a.shelf.name.localeCompare(b.shelf.name))
}
