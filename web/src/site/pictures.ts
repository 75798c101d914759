import { onScopeDispose, ref, watch, type Ref } from 'vue'
import { useSession } from '../rights/session.ts'
import { keepPhoto, photosKept } from '../stream/kept-photos.ts'
import { ownClock } from '../wire/clock.ts'

/** A photo's bytes: from this tablet, else from the server, and kept from then on. Null where neither has it now. */
async function bytesOf(site: string, sha256: string): Promise<Blob | null> {
  const here = (await photosKept()).find((p) => p.sha256 === sha256)
  if (here) return here.blob
  try {
    const answer = await fetch(`/api/sites/${site}/photos/${sha256}`)
    if (!answer.ok) return null
    const blob = await answer.blob()
    await keepPhoto({ sha256, site, blob, takenAt: ownClock() })
    return blob
  } catch {
    return null
  }
}

/** The address of a photo, as long as whoever shows it is on the screen; null until it is here, or where it cannot be had. */
export function usePicture(sha256: () => string | null): { src: Ref<string | null>; missing: Ref<boolean> } {
  const session = useSession()
  const src = ref<string | null>(null)
  const missing = ref(false)
  const forget = () => {
    if (src.value) URL.revokeObjectURL(src.value)
    src.value = null
  }
  watch(
    sha256,
    async (hash) => {
      forget()
      missing.value = false
      if (!hash || !session.site) return
      const blob = await bytesOf(session.site, hash)
      if (hash !== sha256()) return
      missing.value = blob === null
      src.value = blob && URL.createObjectURL(blob)
    },
    { immediate: true },
  )
  onScopeDispose(forget)
  return { src, missing }
}

/** Fetches photos while the tablet is idle, so that a run shows them when the network is away. */
export async function fetchPictures(site: string, all: readonly string[]): Promise<void> {
  for (const sha256 of new Set(all)) await bytesOf(site, sha256)
}
