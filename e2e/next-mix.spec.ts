import { go, heading, press, signIn } from './crew.ts'
import { beginsAnew, expect, test } from './test.ts'

beginsAnew()
test.use({ hasTouch: true })

test('a mix with other allergens asks for a full clean; one with the same does not; no change leaves it as it was', async ({
  page,
}) => {
  await signIn(page, 'Bao', '2468')
  await go(page, '/run/at/galley-batch')
  const choose = async (name: string) => {
    await page.locator('.next-mix .n-base-selection').tap()
    await page.locator('.n-base-select-option', { hasText: name }).tap()
  }
  const surfaces = page.locator('.now dl > div', { hasText: 'Food surfaces' })
  await expect(surfaces).toContainText('sanitized')
  await expect(page.getByText('In it now: Skerry custard base, vanilla.')).toBeVisible()
  await choose('hazelnut')
  await expect(
    page.getByText('Tree nuts come. Clean it fully first: parts out, washed, sanitized.'),
  ).toBeVisible()
  await press(page, 'This mix goes in next')
  await expect(surfaces).toContainText('soiled')
  await press(page, 'No change of mix')
  await expect(surfaces).toContainText('sanitized')
  await choose('hazelnut')
  await press(page, 'This mix goes in next')
  await go(page, '/shift')
  await expect(
    page.getByText('Galley batch freezer: full clean before Skerry custard base, hazelnut'),
  ).toBeVisible()
  await press(page, 'Start: Clean')
  await heading(page, 'Run out what is left')
  await go(page, '/log')
  await expect(
    page
      .getByText(
        'Next mix: Skerry custard base, hazelnut. Allergens differ or are not known: full clean first',
      )
      .first(),
  ).toBeVisible()
})
