import { beginsAnew, expect, test } from './test.ts'
import { go, isAccessible, press, signIn } from './crew.ts'

beginsAnew()

const csv = (text: string) => ({ name: 'crew.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })

test('a set-up comes in from a file: told first, taken whole or refused by its lines, twice is once', async ({
  page,
}) => {
  await signIn(page, 'Oriel', '9080')
  await go(page, '/house/start')
  const file = page.locator('input[type=file]')
  await file.setInputFiles(csv('name,role,cleans\nSorrel,crew,learning\n\nUma,boss,\n'))
  await expect(page.getByRole('alert')).toContainText('Nothing was taken from this file.')
  await expect(page.getByText('Line 4: the role must be crew or lead, not “boss”')).toBeVisible()
  await file.setInputFiles(csv('name,role,cleans\nSorrel,crew,learning\nBao,crew,\n'))
  await expect(page.getByText('People: 1 new, 0 changed, 1 as they are')).toBeVisible()
  await isAccessible(page)
  await press(page, 'Import')
  await expect(page.getByText(/^Sorrel: \d{4}$/)).toBeVisible()
  await file.setInputFiles(csv('name,role,cleans\nSorrel,crew,learning\nBao,crew,\n'))
  await expect(page.getByText('Everything in this file is here already.')).toBeVisible()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    press(page, 'Save this set-up as a file'),
  ])
  const given = await download.createReadStream().then(async (stream) => {
    const parts: Buffer[] = []
    for await (const part of stream) parts.push(part as Buffer)
    return JSON.parse(Buffer.concat(parts).toString()) as { format: string; stations: { tag: string }[] }
  })
  expect(given.format).toBe('tadka-site@1')
  await file.setInputFiles({
    name: 'own.json',
    mimeType: 'application/json',
    buffer: Buffer.from(
      JSON.stringify({ ...given, stations: given.stations.map((s) => ({ ...s, tag: '7' })) }, null, 1),
    ),
  })
  await expect(page.getByText(/^Line \d+: the tag “7” belongs to another machine$/).first()).toBeVisible()
})

test('a tap shows and asks the other units; what is typed and not saved is asked about first', async ({
  page,
}) => {
  await signIn(page, 'Oriel', '9080')
  await go(page, '/bench/mix')
  const amount = page.getByRole('textbox', { name: /How much/ })
  await expect(amount).toHaveValue(/\d/)
  await amount.fill('5')
  await page.getByRole('button', { name: 'Show US units' }).click()
  const sure = page.getByRole('alertdialog')
  await expect(sure).toContainText('What you typed or picked on this page and did not save is cleared.')
  await sure.getByRole('button', { name: 'Keep what I typed' }).click()
  await expect(sure).toHaveCount(0)
  await expect(amount).toHaveValue('5')
  await page.getByRole('button', { name: 'Show US units' }).click()
  await sure.getByRole('button', { name: 'Show US units' }).click()
  await expect(page.getByRole('textbox', { name: /How much/ })).not.toHaveValue('5')
  await expect(page.getByText(/\bgal\b/).first()).toBeVisible()
  await isAccessible(page)
  await page.getByRole('button', { name: 'Show metric units' }).click()
  await expect(page.getByText(/\bgal\b/)).toHaveCount(0)
})

test('rushes of the week and walks between areas are typed, and wrong ones told', async ({ page }) => {
  await signIn(page, 'Oriel', '9080')
  await go(page, '/house/trade')
  await press(page, 'Add a rush')
  await page.getByRole('textbox', { name: 'From' }).first().fill('11:30')
  const to = page.getByRole('textbox', { name: 'To', exact: true }).first()
  await to.fill('10')
  await expect(page.getByRole('alert')).toHaveText(
    'Rush 1: two times such as 11:30 and 13:30, the end after the start.',
  )
  await to.fill('1:30 pm')
  await to.press('Tab')
  await expect(to).toHaveValue('13:30')
  await press(page, 'Add a walk')
  await press(page, 'Add a walk')
  await expect(page.getByRole('alert')).toHaveText('Walk 2: these two areas are there already.')
  await page
    .getByRole('button', { name: /^Remove .+ – / })
    .last()
    .click()
  await press(page, 'Save')
  await expect(page.getByText('Saved. The log shows what changed.')).toBeVisible()
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'To', exact: true }).first()).toHaveValue('13:30')
  await isAccessible(page)
})
