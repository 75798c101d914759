import { defineConfig } from '@playwright/test'
import { chromiumArgs, chromiumPath } from './browser.ts'

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  fullyParallel: false,
  workers: 2,
  // A slow machine is no failure.
  timeout: 400_000,
  // On a shared machine only, and counted by the runner as flaky, with its trace.
  retries: process.env['CI'] ? 1 : 0,
  expect: { timeout: 30_000 },
  reporter: 'list',
  globalSetup: './setup.ts',
  use: {
    viewport: { width: 1280, height: 800 },
    // Putting the whole application on the tablet costs every test seconds: where it is about that, it is let.
    serviceWorkers: 'block',
    launchOptions: { executablePath: chromiumPath, args: chromiumArgs },
    // Kept of a second try only: it costs a fifth of the time of every test.
    trace: 'on-first-retry',
  },
})
