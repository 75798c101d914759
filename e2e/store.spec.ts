import { go, isAccessible, press, signIn, tap } from './crew.ts'
import { beginsAnew, expect, test } from './test.ts'

test.use({ hasTouch: true })
beginsAnew()

test('acid beside chlorine is named before it is put there, and moved where nothing is too near', async ({
  page,
}) => {
  await signIn(page, 'Ines', '4711', '/house/store')
  await isAccessible(page)
  const lower = page.locator('.shelf', {
    has: page.locator('.plank > b', { hasText: 'Cupboard, lower shelf' }),
  })
  await tap(page, lower.locator('.board').first(), 'tap')
  await lower.locator('.n-select').click()
  await page.locator('.n-base-select-option', { hasText: 'Limpet Off' }).click()
  await expect(lower.getByRole('alert')).toContainText('poisonous gas')
  await expect(lower.getByRole('alert')).toContainText('Better: Locked box for acids')
  // It stands there: the log says so, and how it is put right.
  await press(page, 'It stands here all the same')
  const near = page.locator('.one.danger', { hasText: 'Skerrychlor' })
  await expect(near).toContainText('poisonous gas')
  await go(page, '/shift')
  await expect(page.getByText('Chemicals stand too near each other, a danger')).toBeVisible()
  await go(page, '/house/store')
  await tap(page, near.getByRole('button', { name: 'Moved to Locked box for acids' }))
  await expect(page.getByText('poisonous gas')).toHaveCount(0)
  await go(page, '/log/entries')
  await expect(page.getByText('Limpet Off stands in Locked box for acids').first()).toBeVisible()
})

test('the wrong container is stopped before it is connected; connected, nobody mixes from it until it is put right', async ({
  page,
}) => {
  await signIn(page, 'Bao', '2468', '/house/store')
  const wall = page.locator('.shelf', { hasText: 'Dispenser by the sink' })
  await tap(page, wall.locator('.board'), 'tap')
  await tap(page, wall.getByRole('button', { name: 'New container' }).first())
  await wall.locator('.fill .n-select').click()
  await page.locator('.n-base-select-option', { hasText: 'Barnacle Off' }).click()
  await expect(wall.getByRole('alert')).toContainText('Stop: slot 1 is for Kelpwash, not for Barnacle Off.')
  // Not connected: nothing happened, and nothing is in the log.
  await press(page, 'It is not connected')
  await expect(page.getByText('The wrong product in a dispenser')).toHaveCount(0)
  await tap(page, wall.getByRole('button', { name: 'New container' }).first())
  await wall.locator('.fill .n-select').click()
  await page.locator('.n-base-select-option', { hasText: 'Barnacle Off' }).click()
  await press(page, 'It is connected already')
  await expect(page.getByText('Slot 1 of Dispenser by the sink is for Kelpwash')).toBeVisible()
  await isAccessible(page, 'layout')
  await go(page, '/shift')
  await expect(page.getByText('The wrong product is in a dispenser')).toBeVisible()
  // Whoever mixes what belongs there is told before they pour.
  await go(page, '/bench/mix')
  await page.locator('.vessels button', { hasText: 'Another vessel' }).click()
  await page.locator('.entry .n-select').first().click()
  await page.locator('.n-base-select-option', { hasText: 'Kelpwash' }).first().click()
  await page.locator('#mix-volume').fill('5')
  await press(page, 'Clear water')
  await expect(page.getByText('there is another product: Barnacle Off')).toBeVisible()
  await go(page, '/house/store')
  await press(page, 'Kelpwash is in it now')
  await expect(page.getByText('The wrong product in a dispenser')).toHaveCount(0)
  await press(page, 'They are gone')
  await tap(page, page.getByRole('radio', { name: 'Back to who sold it' }), 'tap')
  await expect(page.getByText('None waits.')).toBeVisible()
  await press(page, 'Take back')
  await expect(page.getByText(/^3 empty since|Kelpwash 3 empty since/)).toBeVisible()
})
