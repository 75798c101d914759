import { go, heading, press, signIn } from './crew.ts'
import { GenericCrew } from './generic-crew.ts'
import { beginsAnew, expect, longTest, test } from './test.ts'

beginsAnew()
test.use({ hasTouch: true })

longTest(
  'a mix with other allergens asks for a full clean; one with the same does not; no change leaves it as it was',
  async ({ page }) => {
    test.setTimeout(240_000)
    await signIn(page, 'Bao', '2468', '/run/at/galley-batch')
    const choose = async (name: string) => {
      await page.locator('.next-mix .n-base-selection').tap()
      await page.locator('.n-base-select-option', { hasText: name }).tap()
    }
    const surfaces = page.locator('.now dl > div', { hasText: 'Food surfaces' })
    await expect(surfaces).toContainText('sanitized')
    await expect(page.getByText('In it now: Skerry custard base, vanilla.')).toBeVisible()
    await choose('hazelnut')
    await expect(
      page.getByText('New in it: tree nuts. Clean it fully first: parts out, washed, sanitized.'),
    ).toBeVisible()
    await press(page, 'This mix goes in next')
    await expect(surfaces).toContainText('soiled')
    await press(page, 'Keep the mix that is in it')
    await expect(surfaces).toContainText('sanitized')
    await choose('hazelnut')
    await press(page, 'This mix goes in next')
    await go(page, '/shift')
    await expect(
      page.getByText('Galley batch freezer: clean it fully before Skerry custard base, hazelnut'),
    ).toBeVisible()
    await press(page, 'Start: Clean')
    await heading(page, 'Run out what is left')
    await test.step('the clean and the assembly are worked, and the new mix goes in, judged by its recipe', async () => {
      await new GenericCrew(page).toTheEnd()
      await go(page, '/run/at/galley-batch')
      await press(page, 'Start: Assemble and sanitize')
      const one = new GenericCrew(page)
      const told: string[] = []
      one.onStep = async (_, key) => {
        if (key === 'batch') await expect(page.locator('.new')).toContainText('Skerry custard base, hazelnut')
        if (key === 'size') {
          await page.getByRole('textbox').fill('5')
          await expect(page.getByText('About 41 portions.')).toBeVisible()
        }
        if (key !== 'consistency') return
        await page.getByRole('textbox').fill('5')
        await expect(page.getByText('Softer than its recipe: set the next batch 4 higher.')).toBeVisible()
        told.push(key)
      }
      await one.toTheEnd()
      expect(told).toEqual(['consistency'])
      await go(page, '/run/at/galley-batch')
      await expect(page.getByText('In it now: Skerry custard base, hazelnut.')).toBeVisible()
      await expect(page.getByText('clean it fully before')).toHaveCount(0)
      await expect(surfaces).toContainText('sanitized')
    })
    await go(page, '/log/entries')
    await expect(
      page
        .getByText(
          'Next mix: Skerry custard base, hazelnut. Allergens differ or are not known: full clean first',
        )
        .first(),
    ).toBeVisible()
  },
)
