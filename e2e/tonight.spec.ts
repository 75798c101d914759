import { beginsAnew, expect, longTest, test, type Page } from './test.ts'
import { control } from './control.ts'
import { go, isAccessible, later, press, signIn } from './crew.ts'

/** The evening after the other tests', before its last rush. */
beginsAnew()
test.beforeAll(() => control('at/2026-11-27T20:40:00Z'))

const bars = (page: Page, words: RegExp) => page.getByRole('button', { name: words })
/** Sees to it that there is a plan, whichever test comes first. */
async function planned(page: Page): Promise<void> {
  const button = page.getByRole('button', { name: /^(Plan the shift|Replan)$/ })
  await expect(button).toBeVisible()
  if ((await button.textContent())?.trim() === 'Plan the shift') await button.click()
  await expect(page.locator('.figure b')).toBeVisible({ timeout: 60_000 })
}

test('the close is planned, somebody falls sick, and the new plan says what it changes', async ({
  browser,
  page,
}) => {
  await signIn(page, 'Ines', '4711')
  await planned(page)
  // Left over where the test is tried again.
  const away = bars(page, /^About Tomas, away/)
  if (await away.isVisible()) {
    await away.click()
    await press(page, 'Tomas is coming in after all')
    await page.getByRole('button', { name: 'Use this plan' }).click({ timeout: 60_000 })
  }
  await expect(page.getByText(/earliest possible \d\d:\d\d/)).toBeVisible()
  await expect(bars(page, /^Tomas, .* planned$/).first()).toBeVisible()
  await isAccessible(page)

  // Another tablet, another person: the same sheet, live, and no button that plans.
  const other = await (await browser.newContext()).newPage()
  await signIn(other, 'Bao', '2468')
  await press(other, 'Everybody’s shift')
  await expect(bars(other, /^Tomas, .* planned$/).first()).toBeVisible({ timeout: 30_000 })
  await expect(other.getByRole('button', { name: 'Replan' })).toBeHidden()

  await bars(page, /^About Tomas/).click()
  await press(page, 'Tomas is not coming in today')
  await expect(page.getByText('A better plan')).toBeVisible({ timeout: 60_000 })
  await expect(page.locator('.talk li').first()).toContainText(/instead of|moves to|New at|Not tonight/)
  await press(page, 'Use this plan')
  await expect(bars(page, /^Tomas, .* planned$/)).toHaveCount(0)
  await expect(bars(page, /^About Tomas, away/)).toBeVisible()
  await expect(bars(other, /^About Tomas, away/)).toBeVisible({ timeout: 30_000 })
  await other.context().close()

  await bars(page, /^About Tomas/).click()
  await press(page, 'Tomas is coming in after all')
  await expect(bars(page, /^About Tomas, to /)).toBeVisible({ timeout: 60_000 })
})

longTest('a run is moved: refused with its reason, or put there for its price', async ({ page }) => {
  await signIn(page, 'Ines', '4711')
  await planned(page)
  const better = page.getByRole('button', { name: 'Use this plan' })
  if (await better.isVisible()) await better.click()
  // The espresso machine trades until 23:30.
  const machine = bars(page, /^\w+, Espresso machine: .* planned$/).first()
  await machine.focus()
  for (let n = 0; n < 12; n++) await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/Not possible: the machine must be up until 23:30/)).toBeVisible({
    timeout: 60_000,
  })
  await press(page, 'Do not move it')

  const job = bars(page, /^\w+.*, Kiosk slush: .* planned$/).first()
  await job.scrollIntoViewIfNeeded()
  const box = await job.boundingBox()
  if (!box) throw new Error('the bar is not drawn')
  await page.mouse.move(box.x + 8, box.y + 10)
  await page.mouse.down()
  await page.mouse.move(box.x + 40, box.y + 12, { steps: 4 })
  await page.mouse.move(box.x + 68, box.y + 12, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByRole('button', { name: 'Move it there' })).toBeVisible({ timeout: 60_000 })
  await expect(page.locator('.talk p')).toContainText(/That costs nothing|Last person leaves|now:/)
  await press(page, 'Move it there')
  await expect(page.locator('.pin').first()).toBeVisible({ timeout: 30_000 })
  await later(page, 0)
  await expect(page.locator('.pin').first()).toBeVisible({ timeout: 30_000 })
  // Taken back, and put back again.
  await press(page, 'Back to the plan before')
  await expect(page.locator('.pin')).toHaveCount(0, { timeout: 30_000 })
  await press(page, 'Back to the plan before')
  await expect(page.locator('.pin').first()).toBeVisible({ timeout: 30_000 })
})

test('the roster is typed, faults told, and brought in from a calendar; lists are printed', async ({
  page,
}) => {
  await signIn(page, 'Ines', '4711')
  await planned(page)
  await go(page, '/shift/roster')
  await press(page, 'Next day ›')
  const first = page.locator('.roster li').first()
  await first.getByLabel('From').fill('9 o’clock')
  await expect(page.getByRole('alert')).toContainText('Write times as 15:30')
  await expect(first.getByLabel('From')).toHaveValue('9 o’clock')
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeDisabled()
  const calendar = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//roster//test//EN',
    'BEGIN:VEVENT',
    'UID:1',
    'DTSTAMP:20261101T000000Z',
    'DTSTART:20261128T150000Z',
    'DTEND:20261129T003000Z',
    'SUMMARY:Bao, kiosk',
    'END:VEVENT',
    'END:VCALENDAR',
  ].join('\r\n')
  const file = (text: string) => ({
    name: 'roster.ics',
    mimeType: 'text/calendar',
    buffer: Buffer.from(text),
  })
  await page.locator('input[type=file]').setInputFiles(file('no calendar'))
  await expect(page.getByText(/no calendar that can be read/)).toBeVisible()
  await page.locator('input[type=file]').setInputFiles(file(calendar))
  await expect(page.locator('.roster li')).toHaveCount(1)
  await expect(page.getByLabel('To', { exact: true }).first()).toHaveValue('24:30')
  await isAccessible(page)
  await go(page, '/shift/lists')
  await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible({ timeout: 30_000 })
  await expect(page.getByText(/^Have ready: .*pails/).first()).toBeVisible()
  await isAccessible(page)
})
