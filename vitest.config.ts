import { defineConfig } from 'vitest/config'

const unit = (name: string) => ({
  test: {
    name,
    include: [`${name}/**/*.test.ts`],
    environment: 'node' as const,
    // Nothing there leaves anything behind: files share what they import, and need not read it anew.
    isolate: false,
    // A slow machine is no failure: what is timed is timed in bench/.
    testTimeout: 60_000,
  },
})

export default defineConfig({
  test: {
    // As many at once as a small machine has cores. Each file that asks for a database has one of its own.
    maxWorkers: 2,
    projects: [
      unit('core'),
      unit('contract'),
      unit('devices'),
      unit('web'),
      {
        test: {
          name: 'server',
          include: ['server/**/*.test.ts', 'launcher/**/*.test.ts'],
          environment: 'node',
          isolate: false,
          globalSetup: ['launcher/test-cluster.ts'],
          testTimeout: 240_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
})
