import { test as base } from '@playwright/test'
import { control } from './control.ts'
import { withoutHints } from './hints.ts'
import { application } from './started.ts'

export { expect, type Page } from '@playwright/test'

/** Each worker has an application of its own: what one file of tests does there, no other sees meanwhile. */
export const test = base.extend<object, { readonly isServed: boolean }>({
  isServed: [
    // Playwright reads what a fixture needs from its first parameter.
    // eslint-disable-next-line no-empty-pattern
    async ({}, use, { parallelIndex }) => {
      const { told, stop } = await application(`worker_${parallelIndex}`)
      Object.assign(process.env, told)
      await use(true)
      await stop()
    },
    { scope: 'worker', auto: true, timeout: 120_000 },
  ],
  page: async ({ page }, use) => {
    await page.addInitScript(withoutHints)
    await use(page)
  },
})

/** Everything is worked, not only what a test of every change has time for: asked for with `--long`. */
export const isLong = process.env['TADKA_LONG'] !== undefined
/** A test of the whole alone: another of its file works the same screens. */
export const longTest = ((...told: Parameters<typeof test>) => isLong && test(...told)) as typeof test

let isUsed = false
/** Gives a file of tests the database and the clock as they were at first, whatever files this worker ran before. */
export const beginsAnew = () =>
  test.beforeAll(async () => {
    if (isUsed) await control('anew')
    isUsed = true
  })
