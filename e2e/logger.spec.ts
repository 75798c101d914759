import { beginsAnew, expect, longTest, test, type Page } from './test.ts'
import { csvOf, rackStream } from '@tadka/devices'
import { address, go, isAccessible, press, signIn } from './crew.ts'

beginsAnew()

/** The server's clock, which the tests move. */
async function serverNow(page: Page): Promise<number> {
  const answer = await page.request.get(address('/api/health'))
  return ((await answer.json()) as { serverTime: number }).serverTime
}
const choose = (page: Page, name: string, text: string) =>
  page.setInputFiles('input[type=file]', [{ name, mimeType: 'text/csv', buffer: Buffer.from(text) }])
async function pick(page: Page, label: string, nth: number, option: string): Promise<void> {
  await page.locator('th', { hasText: label }).locator('.n-select').nth(nth).click()
  await page.locator('.n-base-select-option', { hasText: option }).click()
}

test('a rack logger’s file is mapped by eye, refused with its line, brought in once, and taken back', async ({
  page,
}) => {
  await signIn(page, 'Ines', '4711')
  const now = await serverNow(page)
  const rows = Array.from({ length: 40 }, (_, i) => {
    const at = new Date(now - 3 * 86_400_000 + i * 5000).toISOString()
    const [y, m, d] = at.slice(0, 10).split('-')
    return `${d}.${m}.${y} ${at.slice(11, 19)};${i < 20 ? '25,0' : i < 32 ? '72,6' : '30,0'}`
  })
  await go(page, '/dish/files')
  await choose(page, 'notes.csv', 'milk;2\ncups;40\n')
  await expect(page.getByRole('alert')).toContainText('No line of this file begins with a date and a time')
  await press(page, 'Cancel')

  await choose(page, 'ride.csv', `Zeit;Wert\n${rows.join('\n')}\n`)
  await expect(page.getByText('Say what at least one column measured.')).toBeVisible()
  await pick(page, 'Wert', 0, 'the ware’s surface')
  await expect(page.getByText('The file does not say in which unit a column is')).toBeVisible()
  await pick(page, 'Wert', 1, '°F')
  // 25 °F and 72.6 °F: a ride that never was. The preview shows what it would be.
  await expect(page.getByRole('cell', { name: /^-3.89 °C/ }).first()).toBeVisible()
  await pick(page, 'Wert', 1, '°C')
  await expect(
    page.getByText('Passes through the machine, by 71 °C at the surface').locator('xpath=..'),
  ).toContainText('1 Can’t tell yet')
  await page.getByLabel(/Reads right within/).fill('0.5')
  await page.getByLabel(/Reads right within/).blur()
  await expect(
    page.getByText('Passes through the machine, by 71 °C at the surface').locator('xpath=..'),
  ).toContainText('1 In')
  await isAccessible(page)
  // The other decimal mark is refused at once, with the line.
  await page.getByRole('radio', { name: 'point 65.2' }).click()
  await expect(page.getByRole('alert').first()).toContainText('Line 2: this is no number')
  await page.getByRole('radio', { name: 'comma 65,2' }).click()
  await press(page, 'Save to the log')
  await expect(page.getByText('It is in the log.')).toBeVisible()
  await press(page, 'Close')
  await expect(page.getByRole('cell', { name: '72.6 °C' })).toBeVisible()
  await isAccessible(page)

  // The same file again.
  await choose(page, 'ride-copy.csv', `Zeit;Wert\n${rows.join('\n')}\n`)
  await pick(page, 'Wert', 0, 'the ware’s surface')
  await pick(page, 'Wert', 1, '°C')
  await press(page, 'Save to the log')
  await expect(page.getByText('nothing was counted twice')).toBeVisible()
  await press(page, 'Close')

  await press(page, 'Take it back')
  await page.getByLabel('Why is it taken back?').fill('It rode in the other machine')
  await press(page, 'Take it back')
  await expect(page.getByText('No file was brought in yet.')).toBeVisible()
  await go(page, '/log/entries')
  await expect(page.getByText('Logger file taken back: It rode in the other machine')).toBeVisible()
})

longTest(
  'a machine’s signals give racks; a bad line far down refuses all of it; a large file can be stopped',
  async ({ page }) => {
    await signIn(page, 'Ines', '4711')
    const now = await serverNow(page)
    const stream = rackStream(12)
    stream.busy(1770, 30)
    const text = csvOf(stream.next(1800), now - 40 * 86_400_000)
    await go(page, '/dish/files')
    await choose(page, 'broken.csv', `${text}2026-10-01T10:00:00Z,68,warm,140,2.3,0,0,0\n`)
    await expect(page.getByRole('alert')).toContainText('Line 1802')
    await press(page, 'Cancel')
    await choose(page, 'machine.csv', text)
    await expect(page.getByText('a file with racks cannot be taken back')).toBeVisible()
    await press(page, 'Save to the log')
    await expect(page.getByText('It is in the log.')).toBeVisible()
    await press(page, 'Close')
    await expect(page.getByRole('button', { name: 'Take it back' })).toHaveCount(0)

    // So large that stopping it comes before its end.
    const begin = now - 20 * 86_400_000
    const many = Array.from({ length: 600_000 }, (_, i) => `${begin + i * 1000};6${i % 10}.5`).join('\n')
    await choose(page, 'cabinet.csv', `t;cabinet °C\n${many}\n`)
    await pick(page, 'cabinet', 0, 'another temperature')
    await press(page, 'Stop')
    await expect(page.getByText('Stopped; nothing was changed.')).toBeVisible()
    await press(page, 'Check it again')
    await expect(page.getByText('600,000 rows')).toBeVisible({ timeout: 60_000 })
    await expect(page.getByText('Nothing here is judged')).toBeVisible()
  },
)
