import { defineConfig } from 'vitest/config'

const unit = (name: string) => ({
  test: { name, include: [`${name}/**/*.test.ts`], environment: 'node' as const },
})

export default defineConfig({
  test: {
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
