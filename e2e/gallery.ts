import { stripVTControlCharacters } from 'node:util'
import { started } from './started.ts'

/** Starts the gallery of pieces, which is no part of what ships. */
export default async function setup(): Promise<() => Promise<void>> {
  const { told, stop } = await started(
    ['node_modules/vite/bin/vite.js', 'web', '--port', '0', '--host', '127.0.0.1'],
    (line) => stripVTControlCharacters(line).match(/http:\/\/127\.0\.0\.1:\d+/)?.[0] ?? null,
  )
  process.env['TADKA_GALLERY'] = told
  return stop
}
