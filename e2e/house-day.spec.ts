import { beginsAnew, expect, longTest, test } from './test.ts'
import { gateway, rackStream } from '@tadka/devices'
import { go, isAccessible, press, signIn } from './crew.ts'

beginsAnew()

test('a manager sets the day and what falls due; what is wrong is told and nothing is lost', async ({
  page,
}) => {
  await signIn(page, 'Oriel', '9080', '/house/trade')
  const opens = page.getByRole('textbox', { name: 'Monday, opens' })
  await expect(opens).toHaveValue('05:30')
  await opens.fill('24:30')
  await expect(page.getByRole('alert')).toHaveText(
    'Monday: two times such as 05:30 and 23:30, or both empty.',
  )
  await expect(page.getByRole('button', { name: 'Save' })).toBeDisabled()
  await isAccessible(page)
  await press(page, 'Undo my changes')
  await expect(opens).toHaveValue('05:30')
  const load = page.getByRole('textbox', { name: 'Size' }).last()
  await load.fill('0.6')
  await load.press('Tab')
  await press(page, 'Save')
  await expect(page.getByText('Saved. The log shows what changed.')).toBeVisible()
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Size' }).last()).toHaveValue('0.6')

  await go(page, '/house/stations')
  await page.getByRole('button', { name: /Kiosk slush/ }).click()
  const rule = page.getByRole('textbox', { name: /^Why: code section/ }).first()
  await rule.fill('')
  await expect(page.getByRole('alert')).toHaveText(
    'Job 1: say why it is done: code section, manual, our own rule.',
  )
  await rule.fill('By its manual, page 12')
  await press(page, 'Save the schedule')
  await expect(page.getByText('Saved. The log shows what changed.')).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: /Kiosk slush/ }).click()
  await expect(page.getByRole('textbox', { name: /^Why: code section/ }).first()).toHaveValue(
    'By its manual, page 12',
  )
})

longTest('a probe is entered in House, its words told once, heard, and ended', async ({ page }) => {
  await signIn(page, 'Oriel', '9080', '/house/devices')
  await expect(page.getByText('Probe in the galley dish machine')).toBeVisible()
  await press(page, 'Add the device')
  await expect(page.getByRole('alert')).toHaveText('Give it a name, and say what it is on or of.')
  await page.getByRole('textbox', { name: 'Its name' }).fill('Spare probe')
  await page.locator('form .n-base-selection').nth(1).click()
  await page.locator('.n-base-select-option', { hasText: 'Galley dish machine' }).click()
  await press(page, 'Add the device')
  const words = page.locator('code')
  await expect(words).toHaveText(/^Device gannet\/spare-probe\/[\w-]{40,}$/)
  const row = page.locator('li', { hasText: 'Spare probe' })
  await expect(row).toContainText('has not reported yet')
  await isAccessible(page)
  const authorization = (await words.textContent()) ?? ''
  const stream = rackStream(1)
  await gateway({ url: process.env['TADKA_URL'] ?? '', authorization, boot: 'first' }).deliver(
    stream.next(30),
    30,
  )
  await page.reload()
  await expect(row).toContainText('last report')
  await expect(words).toHaveCount(0)
  await row.getByRole('button', { name: 'Remove' }).click()
  await expect(row).toContainText('removed')
})
