import { tabletStore, type Kept } from './tablet-store.ts'

export type { Provenance, Kept } from './tablet-store.ts'

export const allKept = async (): Promise<Kept[]> =>
  (await (await tabletStore())?.outbox.all())?.toSorted((a, b) => a.order - b.order) ?? []
/**
 * What a screen watches cannot be kept as it is: it is kept as it will be sent. What was done at once is kept at once: all of it, or
 * nothing. False where the tablet could not keep it.
 */
export async function keep(all: readonly Kept[]): Promise<boolean> {
  try {
    const store = await tabletStore()
    await store?.outbox.put(JSON.parse(JSON.stringify(all)) as Kept[])
    return store !== null
  } catch {
    return false
  }
}
export const forget = async (ids: readonly string[]): Promise<void> =>
  void (await (await tabletStore())?.outbox.remove(ids))

/** The server has taken these. They stay: a server that is restored from a backup may lack them. @param takenAt ms by its clock. */
export async function markTaken(
  placed: readonly { readonly id: string; readonly at: number }[],
  takenAt: number,
): Promise<void> {
  const store = await tabletStore()
  await store?.outbox.change(new Map(placed.map(({ id, at }) => [id, { at, takenAt }])))
}

/** How long what was taken stays at least, and how many of them at most. */
const staysMs = 7 * 86_400_000
const mostTaken = 20_000

/** Forgets what a backup holds and the server took a week ago or longer. @param upTo the last record that a backup holds. */
export async function forgetBackedUp(upTo: number, now: number): Promise<void> {
  const taken = (await allKept()).filter((k) => k.at !== null && !k.refusal)
  const ids = taken
    .filter(
      ({ at, takenAt }, i, { length }) =>
        (at !== null && at <= upTo && (takenAt ?? 0) <= now - staysMs) || i < length - mostTaken,
    )
    .map((k) => k.id)
  if (ids.length > 0) await forget(ids)
}

/** All that the server took and this tablet still has, made unsent. */
export async function unsendTaken(): Promise<Kept[]> {
  const store = await tabletStore()
  const taken = (await allKept()).filter((k) => k.at !== null && !k.refusal)
  await store?.outbox.change(new Map(taken.map(({ id }) => [id, { at: null }])))
  return taken
}
