import { fileURLToPath } from 'node:url'

/** The project's root, with a slash at its end. */
export const root = fileURLToPath(new URL('..', import.meta.url))
/** Where clusters and certificates lie; tests have a place of their own. */
export const dataDir = process.env['TADKA_DATA'] ?? `${root}.data`
