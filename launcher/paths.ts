import { fileURLToPath } from 'node:url'

/** The project's root, with a slash at its end. */
export const root = fileURLToPath(new URL('..', import.meta.url))
export const dataDir = `${root}.data`
