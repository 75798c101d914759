import { useSession } from '../rights/session.ts'
import { useSite } from './site.ts'
import { keepPhoto, sendPhotos } from '../stream/kept-photos.ts'

/** The longer side of a photo after shrinking, px. */
const longest = 1280

/** Shrinks a photo on the tablet: what stands in a log is looked at, not printed. */
export async function shrink(file: Blob): Promise<Blob> {
  const image = await createImageBitmap(file)
  const scale = Math.min(1, longest / Math.max(image.width, image.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(image.width * scale)
  canvas.height = Math.round(image.height * scale)
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture'))), 'image/jpeg', 0.8),
  )
}

const hashOf = async (blob: Blob): Promise<string> =>
  [...new Uint8Array(await crypto.subtle.digest('SHA-256', await blob.arrayBuffer()))]
    .map((b) => b.toString(16).padStart(2, '0'))
    .join('')

/** Photos need a secure context for their hash: over TLS, or on the machine itself. */
export const canTakePhotos = (): boolean => window.isSecureContext

/** What the server takes at most, bytes. */
const largestSheet = 8 * 1024 * 1024

/** Why a file is no data sheet. */
export class UnfitSheet extends Error {
  readonly why: 'not-pdf' | 'too-large'
  constructor(why: UnfitSheet['why']) {
    super(why)
    this.why = why
  }
}

export function usePhotos() {
  const site = useSite()
  const session = useSession()
  /** Puts a photo in the log beside a step; its bytes follow by themselves. */
  async function attach(
    file: Blob,
    at: { station: string; run: string; step: string | null },
  ): Promise<void> {
    const blob = await shrink(file)
    const sha256 = await hashOf(blob)
    const draft = site.record('photo.attached@1', { kind: 'run', id: at.run }, { ...at, sha256, note: '' })
    await keepPhoto({ sha256, site: draft.site, blob })
    void sendPhotos()
  }
  /** Keeps a photo that a procedure shows, by its hash; its bytes follow by themselves. */
  async function keep(file: Blob): Promise<string> {
    const blob = await shrink(file)
    const sha256 = await hashOf(blob)
    if (!session.site) throw new Error('nobody is signed in')
    await keepPhoto({ sha256, site: session.site, blob })
    void sendPhotos()
    return sha256
  }
  /** Keeps a maker's data sheet as it is, by its hash; its bytes follow by themselves. Throws where it is no PDF, or too large. */
  async function keepSheet(file: File): Promise<string> {
    const head = await file.slice(0, 5).text()
    if (head !== '%PDF-') throw new UnfitSheet('not-pdf')
    if (file.size > largestSheet) throw new UnfitSheet('too-large')
    const sha256 = await hashOf(file)
    if (!session.site) throw new Error('nobody is signed in')
    const blob = new Blob([await file.arrayBuffer()], { type: 'application/pdf' })
    await keepPhoto({ sha256, site: session.site, blob })
    void sendPhotos()
    return sha256
  }
  return { attach, keep, keepSheet }
}
