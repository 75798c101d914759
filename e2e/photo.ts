import { address } from './crew.ts'
import type { Locator } from '@playwright/test'
import { expect, type Page } from './test.ts'

/** Takes a photo in a form: what the camera gives is a picture of the screen. @param taken what the form says of it then. */
export async function photographed(page: Page, form: Locator, taken: string): Promise<void> {
  const buffer = await page.screenshot({ type: 'png' })
  await form
    .locator('input[type=file][accept="image/*"]')
    .setInputFiles({ name: 'p.png', mimeType: 'image/png', buffer })
  await expect(form.getByText(taken)).toBeVisible()
}

/** A record of this type that was made last holds a photo, and the server has its bytes. */
export async function photoStands(page: Page, type: string): Promise<void> {
  await expect(page.getByText('all sent').first()).toBeVisible()
  const answer = await page.request.get(address(`/api/sites/gannet/log?types=${type}&limit=1`))
  const { records } = (await answer.json()) as { records: { payload: object }[] }
  const [, sha] = /"(?:photo|report)":"([0-9a-f]{64})"/.exec(JSON.stringify(records[0]?.payload)) ?? []
  expect(sha, `the photo of ${type}`).toBeDefined()
  await expect
    .poll(async () => (await page.request.get(address(`/api/sites/gannet/photos/${sha}`))).status())
    .toBe(200)
}
