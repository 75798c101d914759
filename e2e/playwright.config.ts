import { defineConfig } from '@playwright/test'
import { chromiumArgs } from './browser.ts'

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  fullyParallel: false,
  workers: 2,
  timeout: 180_000,
  // On a shared machine only, and counted by the runner as flaky, with its trace.
  retries: process.env['CI'] ? 1 : 0,
  expect: { timeout: 15_000 },
  reporter: 'list',
  globalSetup: './gallery.ts',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: '/usr/bin/chromium', args: chromiumArgs },
    trace: 'retain-on-failure',
  },
})
