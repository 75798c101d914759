/** Reads the code on one frame of a camera; null where there is none. */
export type CodeReader = (frame: HTMLVideoElement) => Promise<string | null>

interface Detector {
  detect: (source: HTMLVideoElement) => Promise<{ readonly rawValue: string }[]>
}
interface DetectorClass {
  new (options: { formats: readonly string[] }): Detector
  getSupportedFormats: () => Promise<string[]>
}

/** What is printed on our own tags, and on bottles. */
const native = ['qr_code', 'ean_13', 'ean_8', 'upc_a', 'upc_e', 'code_128'] as const

/** The browser's own detector where it reads all of them; else the package's, which comes when it is first asked for. */
export async function codeReader(): Promise<CodeReader> {
  const { BarcodeDetector: Own } = globalThis as { BarcodeDetector?: DetectorClass }
  const known = (await Own?.getSupportedFormats().catch(() => [])) ?? []
  if (Own && native.every((f) => known.includes(f))) {
    const detector = new Own({ formats: native })
    return async (frame) => (await detector.detect(frame))[0]?.rawValue ?? null
  }
  const [{ prepareZXingModule, readBarcodes }, { default: wasm }] = await Promise.all([
    import('zxing-wasm/reader'),
    import('zxing-wasm/reader/zxing_reader.wasm?url'),
  ])
  // It ships with the application: nothing is asked of any other host.
  prepareZXingModule({ overrides: { locateFile: () => wasm } })
  const canvas = document.createElement('canvas')
  return async (frame) => {
    const [width, height] = [frame.videoWidth, frame.videoHeight]
    if (width === 0) return null
    Object.assign(canvas, { width, height })
    const context = canvas.getContext('2d', { willReadFrequently: true })
    if (!context) return null
    context.drawImage(frame, 0, 0)
    const [found] = await readBarcodes(context.getImageData(0, 0, width, height), {
      formats: ['QRCode', 'EAN13', 'EAN8', 'UPCA', 'UPCE', 'Code128'],
      maxNumberOfSymbols: 1,
    })
    return found?.text ?? null
  }
}
