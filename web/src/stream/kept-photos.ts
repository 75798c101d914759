import { actingNow } from '../wire/api.ts'
import { ownClock } from '../wire/clock.ts'
import { allKept } from './outbox.ts'
import { tabletStore, type KeptPhoto } from './tablet-store.ts'

/** How long a photo stays at least after the server took it, and how many of them at most: some 60 MB. */
const staysMs = 7 * 86_400_000
const mostTaken = 400
const retryMs = 5000

export const photosKept = async (): Promise<KeptPhoto[]> => (await (await tabletStore())?.photos.all()) ?? []
const isTaken = (p: KeptPhoto) => p.takenAt !== undefined && p.takenAt !== null

export const keepPhoto = async (one: KeptPhoto): Promise<void> =>
  void (await (await tabletStore())?.photos.put([one]))

let sending = false

/**
 * Sends the photos that the server lacks, one by one, again and again until each is taken; one that is refused is let go. Those taken
 * stay for a while: a server that is restored from a backup may lack them.
 */
export async function sendPhotos(): Promise<void> {
  if (sending) return
  sending = true
  try {
    const photos = (await tabletStore())?.photos
    for (const { sha256, site, blob } of (await photosKept()).filter((p) => !isTaken(p))) {
      const answer = await fetch(`/api/sites/${site}/photos/${sha256}`, {
        method: 'PUT',
        headers: { 'content-type': blob.type || 'image/jpeg', 'tadka-acting': actingNow() },
        body: blob,
      })
      if (answer.status === 400) await photos?.remove([sha256])
      else if (!answer.ok) throw new Error('not taken yet')
      else await photos?.change(new Map([[sha256, { takenAt: ownClock() }]]))
    }
  } catch {
    setTimeout(() => void sendPhotos(), retryMs)
  } finally {
    sending = false
  }
}

/**
 * Forgets photos that were taken a week ago or longer and whose record this tablet keeps no more. @param now ms UTC. @param shown that
 * the site shows still, by hash: they stay, so that they are there without network.
 */
export async function forgetOldPhotos(now: number, shown: ReadonlySet<string>): Promise<void> {
  const taken = (await photosKept())
    .filter((p) => isTaken(p) && !shown.has(p.sha256))
    .toSorted((a, b) => (a.takenAt ?? 0) - (b.takenAt ?? 0))
  const named = new Set(
    (await allKept()).map(({ draft }) => (draft.type === 'photo.attached@1' ? draft.payload.sha256 : '')),
  )
  const old = taken.filter(
    ({ sha256, takenAt }, i, { length }) =>
      (!named.has(sha256) && (takenAt ?? 0) <= now - staysMs) || i < length - mostTaken,
  )
  await (await tabletStore())?.photos.remove(old.map((p) => p.sha256))
}

/** Sends once more all that this tablet still has: the server does not have them any longer. */
export async function sendPhotosAgain(): Promise<void> {
  const store = await tabletStore()
  const taken = (await photosKept()).filter(isTaken)
  await store?.photos.change(new Map(taken.map(({ sha256 }) => [sha256, { takenAt: null }])))
  void sendPhotos()
}
