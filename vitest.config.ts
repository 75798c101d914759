import { defineConfig } from 'vitest/config'

const unit = (name: string) => ({
  // A slow machine is no failure: what is timed is timed in bench/.
  test: { name, include: [`${name}/**/*.test.ts`], environment: 'node' as const, testTimeout: 60_000 },
})

export default defineConfig({
  test: {
    // The suites that ask for a database come one after another; the others fill a small machine's cores.
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
          globalSetup: ['launcher/test-cluster.ts'],
          fileParallelism: false,
          testTimeout: 240_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
})
