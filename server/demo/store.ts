import type { ShelfSet } from '@tadka/core/shelf'
import type { Diary } from './diary.ts'

const minute = 60_000
const dayMs = 24 * 60 * minute

const shelf = (name: string, area: string, over: string | null = null): ShelfSet => ({
  ...{ name, area, kind: 'shelf', over, beside: [], partitioned: false, slots: [] },
})

const places: Readonly<Record<string, { readonly set: ShelfSet; readonly stands: readonly string[] }>> = {
  'store-lower': {
    set: shelf('Cupboard, lower shelf', 'Galley dish room'),
    stands: ['skerrychlor', 'terntab'],
  },
  'store-upper': {
    set: shelf('Cupboard, upper shelf', 'Galley dish room', 'store-lower'),
    stands: ['kelpwash', 'cuttlebone'],
  },
  'store-wall': {
    set: {
      ...shelf('Dispenser by the sink', 'Galley dish room'),
      ...{ kind: 'dispenser', partitioned: true },
      slots: [
        { mark: '1', product: 'kelpwash' },
        { mark: '2', product: 'tidewash' },
      ],
    },
    stands: [],
  },
  'store-mops': { set: shelf('Shelf by the mop sink', 'Galley dish room'), stands: [] },
  'store-acids': { set: shelf('Locked box for acids', 'Galley'), stands: ['barnacle-off', 'limpet-off'] },
  'store-kiosk': { set: shelf('Shelf below the hatch', 'Quayside kiosk'), stands: ['brineguard'] },
}

/** Where the demo's chemicals stand: detergent right above chlorine, which is worth a word; three empty canisters wait. */
export function storeHistory(diary: Diary, opens: number, now: number): void {
  let at = opens
  for (const [id, { set, stands }] of Object.entries(places)) {
    const to = { kind: 'shelf', id } as const
    diary.note(at, 'oriel', 'shelf.set@1', to, set)
    stands.forEach((product, n) =>
      diary.note(at + (n + 1) * minute, 'ines', 'shelf.stands@1', to, { product, here: true, from: null }),
    )
    at += 5 * minute
  }
  const emptied = now - 6 * dayMs
  if (emptied <= at) return
  const kelpwash = { kind: 'product', id: 'kelpwash' } as const
  const slot = { mark: '1', belongs: 'kelpwash', product: 'kelpwash' }
  diary.note(emptied, 'tomas', 'slot.filled@1', { kind: 'shelf', id: 'store-wall' }, slot)
  diary.note(emptied + minute, 'tomas', 'container.emptied@1', kelpwash, { count: 3, went: 'waits' })
}
