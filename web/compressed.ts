import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import type { Plugin } from 'vite'

/** Smaller files gain nothing. */
const least = 1024
const quality = { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }

/** Puts each text that was built beside itself, compressed: the server need not do it anew for every tablet. */
export const compressed = (): Plugin => ({
  name: 'compressed',
  apply: 'build',
  writeBundle: {
    sequential: true,
    order: 'post',
    handler({ dir = 'dist' }) {
      for (const name of readdirSync(dir, { recursive: true, encoding: 'utf8' })) {
        if (!/\.(js|css|html|svg|wasm)$/.test(name) || name === 'sw.js') continue
        const bytes = readFileSync(join(dir, name))
        if (bytes.length < least) continue
        writeFileSync(join(dir, `${name}.br`), brotliCompressSync(bytes, quality))
        writeFileSync(join(dir, `${name}.gz`), gzipSync(bytes, { level: 9 }))
      }
    },
  },
})
