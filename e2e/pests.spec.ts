import { isAccessible, press, signIn, tap, touch } from './crew.ts'
import { photographed, photoStands } from './photo.ts'
import { beginsAnew, expect, longTest, test } from './test.ts'

beginsAnew()
test.use({ hasTouch: true })

test('droppings are seen, their way in is closed by somebody by a day, and a lead settles it', async ({
  page,
  browser,
}) => {
  await signIn(page, 'Pim', '1928', '/house')
  await touch(page, page.getByRole('link', { name: 'Pests' }))
  const keep = page.getByRole('button', { name: 'Keep', exact: true })
  await expect(keep).toBeDisabled()
  await tap(page, page.getByRole('radio', { name: 'Mouse or rat' }), 'tap')
  await tap(page, page.getByRole('radio', { name: 'Droppings' }), 'tap')
  await expect(keep).toBeDisabled()
  await page.getByRole('textbox', { name: 'Where', exact: true }).fill('Galley')
  await page.getByRole('textbox', { name: 'Where exactly, how many' }).fill('behind the flour bins')
  await photographed(page, page.locator('main form').first(), 'Photo taken. Take another')
  await press(page, 'Keep')
  await photoStands(page, 'pest.seen@1')
  const mouse = page.locator('li', { hasText: 'behind the flour bins' })
  await expect(mouse).toContainText('Outer doors and windows close tight')
  await tap(page, mouse.getByRole('radio', { name: 'A way in' }), 'tap')
  await mouse.getByRole('textbox', { name: 'What exactly' }).fill('gap round the water pipe')
  // A cause that was only tapped at is none yet.
  await expect(mouse.getByRole('button', { name: 'Write it down to be done' })).toHaveCount(0)
  await press(page, 'Keep the cause')
  await mouse.locator('.n-select').click()
  await page.locator('.n-base-select-option', { hasText: 'Tomas' }).click()
  await mouse.getByRole('button', { name: 'Write it down to be done' }).click()
  await expect(mouse.getByRole('link', { name: 'To do: gap round the water pipe' })).toBeVisible()
  // Crew do not settle it.
  await expect(mouse.getByRole('button', { name: 'Settled' })).toHaveCount(0)
  await isAccessible(page)
  await expect(page.getByText('all sent')).toBeVisible()
  const context = await browser.newContext({ hasTouch: true })
  const lead = await context.newPage()
  await signIn(lead, 'Ines', '4711', '/house/pests')
  const same = lead.locator('li', { hasText: 'behind the flour bins' })
  await same
    .getByRole('textbox', { name: 'What was done, and how one knows' })
    .fill('pipe sealed, boards clean')
  await same.getByRole('button', { name: 'Settled' }).click()
  await expect(same).toHaveCount(0)
  await context.close()
})

longTest(
  'bait stands locked or not at all; devices are looked at on the plan, and areas say how it goes',
  async ({ page }) => {
    await signIn(page, 'Oriel', '9080', '/house/pests')
    await tap(page, page.getByRole('radio', { name: 'Devices' }), 'tap')
    await press(page, 'New device')
    await page.getByRole('textbox', { name: 'The number on it' }).fill('9')
    await tap(page, page.getByRole('radio', { name: 'Locked bait station' }), 'tap')
    await page.getByRole('textbox', { name: 'Where', exact: true }).fill('Yard')
    await tap(page, page.getByRole('radio', { name: 'back right' }), 'tap')
    await tap(page, page.getByRole('radio', { name: 'No', exact: true }), 'tap')
    await expect(page.getByRole('alert')).toContainText('locked station only')
    await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeDisabled()
    await tap(page, page.getByRole('radio', { name: 'Yes', exact: true }), 'tap')
    await press(page, 'Save')
    const device = page.getByRole('button', { name: '9: Locked bait station, Yard' })
    await touch(page, device)
    await expect(page.getByRole('button', { name: 'Keep', exact: true })).toBeDisabled()
    const yes = page.getByRole('radio', { name: 'Yes', exact: true })
    await tap(page, yes.first(), 'tap')
    await tap(page, yes.last(), 'tap')
    await isAccessible(page)
    await press(page, 'Keep')
    await expect(device).toContainText('!')
    await tap(page, page.getByRole('radio', { name: 'By area' }), 'tap')
    await expect(page.locator('tr', { hasText: 'Yard' })).toContainText('0 seen, 1 in devices')
    await expect(page.locator('tr', { hasText: 'Yard' })).toContainText('can’t tell yet')
    await isAccessible(page)
    await tap(page, page.getByRole('radio', { name: 'Visits' }), 'tap')
    await press(page, 'They were here')
    await expect(page.getByRole('button', { name: 'Keep', exact: true })).toBeDisabled()
    await page.getByRole('textbox', { name: 'Who came' }).fill('R. Tern')
    await page.getByRole('textbox', { name: 'What they did' }).fill('all boards changed')
    await page
      .getByRole('textbox', { name: /^What was put out or sprayed/ })
      .fill('gel for ants, behind the sink')
    await photographed(page, page.locator('main form').first(), 'Report photographed. Take another')
    await isAccessible(page)
    await press(page, 'Keep')
    await photoStands(page, 'visit.done@1')
    await expect(page.getByText('gel for ants: behind the sink')).toBeVisible()
  },
)
