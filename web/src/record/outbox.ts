import { tabletStore, type Kept, type KeptPhoto } from './tablet-store.ts'

export type { Provenance, Kept, KeptPhoto } from './tablet-store.ts'

export const allKept = async (): Promise<Kept[]> =>
  (await (await tabletStore())?.outbox.orderBy('order').toArray()) ?? []
/**
 * What a screen watches cannot be kept as it is: it is kept as it will be sent. What was done at once is kept at once: all of it, or
 * nothing. False where the tablet could not keep it.
 */
export async function keep(all: readonly Kept[]): Promise<boolean> {
  try {
    const store = await tabletStore()
    await store?.outbox.bulkPut(JSON.parse(JSON.stringify(all)) as Kept[])
    return store !== null
  } catch {
    return false
  }
}
export const forget = async (ids: readonly string[]): Promise<void> =>
  void (await (await tabletStore())?.outbox.bulkDelete([...ids]))

/** The server has taken these. They stay until the states that are kept hold them, too. */
export async function markTaken(
  placed: readonly { readonly id: string; readonly at: number }[],
): Promise<void> {
  const store = await tabletStore()
  await store?.outbox.bulkUpdate(placed.map(({ id, at }) => ({ key: id, changes: { at } })))
}
/** What lies in the chain up to there is in the kept states. */
export const forgetUpTo = async (seq: number): Promise<void> =>
  void (await (await tabletStore())?.outbox.filter((k) => typeof k.at === 'number' && k.at <= seq).delete())

export const photosKept = async (): Promise<KeptPhoto[]> =>
  (await (await tabletStore())?.photos.toArray()) ?? []
export const keepPhoto = async (one: KeptPhoto): Promise<void> =>
  void (await (await tabletStore())?.photos.put(one))
export const forgetPhoto = async (sha256: string): Promise<void> =>
  void (await (await tabletStore())?.photos.delete(sha256))
