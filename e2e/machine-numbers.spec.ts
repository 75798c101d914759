import { counts, go, isAccessible, press, settled, signIn } from './crew.ts'
import { GenericCrew } from './generic-crew.ts'
import { beginsAnew, expect, longTest, test } from './test.ts'

beginsAnew()
test.use({ hasTouch: true })

test('ware that is sent back is counted with one touch, taken back, and told by the diagnosis', async ({
  page,
}) => {
  await signIn(page, 'Bao', '2468', '/dish/ware')
  const more = page.getByRole('button', { name: 'One more: spots' })
  const less = page.getByRole('button', { name: 'Take one back: spots' })
  await expect(less).toBeDisabled()
  for (const n of [1, 2, 3]) {
    await counts(page)
    await more.tap()
    await expect(more).toContainText(`${n} spots`)
  }
  await isAccessible(page)
  await go(page, '/dish/machine')
  await expect(page.getByText('Spots on the ware: rinse aid')).toBeVisible()
  await go(page, '/dish/ware')
  await counts(page)
  await less.tap()
  await expect(more).toContainText('2 spots')
  await go(page, '/dish/machine')
  await expect(page.getByText('Spots on the ware: rinse aid')).toBeHidden()
})

longTest(
  'an ice machine’s solution is counted as it is used, and its new filter comes off the shelf',
  async ({ page }) => {
    test.setTimeout(240_000)
    await signIn(page, 'Ines', '4711', '/run/begin/kiosk-nugget/ice-nugget.half-year')
    await press(page, /^Start:/)
    const one = new GenericCrew(page)
    one.onStep = async (_, key) => {
      if (key !== 'descaler-ice') return
      await press(page, 'Start the timer')
      await settled(page)
      await page.getByRole('button', { name: '+ 500 mL' }).tap()
      await expect(page.getByText('500 mL of 2.8 L poured in')).toBeVisible()
      await press(page, 'Top up the reservoir: done')
      await settled(page)
      await counts(page)
      await page.getByRole('button', { name: '+ 500 mL' }).tap()
      await expect(page.getByText('1 L of 2.8 L poured in')).toBeVisible()
    }
    await one.toTheEnd()
    await go(page, '/log/entries')
    await expect(page.getByText('Spare used: Water filter, ice machines')).toBeVisible()
    await go(page, '/house/spares')
    await expect(page.locator('li', { hasText: 'Water filter, ice machines, IF-40' })).toContainText('1')
  },
)
