import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import { folders } from './folders.ts'

const root = fileURLToPath(new URL('..', import.meta.url))
const folder = folders.find((f) => f.name === process.env['TADKA_MUTANTS'])
if (!folder) throw new Error('TADKA_MUTANTS names no folder of mutants/folders.ts')

export default defineConfig({
  root,
  // The workspace's packages are taken from this copy, not from where they are installed: there nothing is mutated.
  resolve: {
    alias: [
      { find: /^@tadka\/(core|contract)\/(.+)$/, replacement: `${root}$1/$2/index.ts` },
      { find: /^@tadka\/devices$/, replacement: `${root}devices/index.ts` },
    ],
  },
  plugins: [
    {
      name: 'hooks-that-fail',
      enforce: 'pre',
      // Of tests alone: what runs them has the real ones.
      resolveId: (id, importer) =>
        id === 'vitest' && importer?.endsWith('.test.ts') ? `${root}mutants/vitest-with-hooks.ts` : null,
    },
  ],
  test: {
    include: [...folder.tests],
    environment: 'node',
    testTimeout: 60_000,
    ...(folder.database
      ? {
          globalSetup: ['launcher/test-cluster.ts', 'mutants/ready-demos.ts'],
          fileParallelism: false,
          hookTimeout: 120_000,
        }
      : {}),
  },
})
