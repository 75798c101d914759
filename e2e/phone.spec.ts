import { beginsAnew, expect, test } from './test.ts'
import { heading, isAccessible, press, signIn } from './crew.ts'
import { visit } from './places.ts'

beginsAnew()

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

/** Places that are laid out another way where there is little room; the others only fold, as the boxes tell. */
const narrow = [
  '/shift',
  '/run',
  '/bench/mix',
  '/bench/correct',
  '/bench/check',
  '/dish',
  '/log',
  '/log/entries',
  '/house/stations',
  '/house/products',
]

test('at phone width the places that are laid out anew are clean under axe', async ({ page }) => {
  await signIn(page, 'Bao', '2468')
  for (const place of narrow) {
    await visit(page, place)
    await isAccessible(page, 'layout')
  }
})

test('at phone width a run can be worked', async ({ page }) => {
  await signIn(page, 'Tomas', '7531', '/run')
  await page
    .locator('li', { hasText: 'Kiosk soft-serve' })
    .getByRole('button', { name: 'Close', exact: true })
    .click()
  await press(page, 'Done')
  await page.locator('#litres').fill('1')
  await press(page, 'Done')
  await heading(page, 'Feed tube and float to the sink')
  await press(page, 'Stop this run')
  await page.getByRole('dialog').getByRole('textbox').fill('only a try')
  await page.getByRole('dialog').getByRole('button', { name: 'Stop this run' }).click()
  await expect(page.getByText('Stopped: only a try')).toBeVisible()
})
