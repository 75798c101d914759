import { beginsAnew, expect, longTest, test } from './test.ts'
import { go, isAccessible, press, signIn } from './crew.ts'

beginsAnew()

const csv = (text: string) => ({ name: 'crew.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })

test('a set-up comes in from a file: told first, taken whole or refused by its lines, twice is once', async ({
  page,
}) => {
  await signIn(page, 'Oriel', '9080', '/house/start')
  const file = page.locator('input[type=file]')
  await file.setInputFiles(csv('name,role,cleans\nSorrel,crew,learning\n\nUma,boss,\n'))
  await expect(page.getByRole('alert')).toContainText('Nothing was taken from this file.')
  await expect(page.getByText('Line 4: the role must be crew or lead, not “boss”')).toBeVisible()
  await file.setInputFiles(csv('name,role,cleans\nSorrel,crew,learning\nBao,crew,\n'))
  await expect(page.getByText('People: 1 new, 1 as before', { exact: true })).toBeVisible()
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
  await signIn(page, 'Oriel', '9080', '/bench/mix')
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
  // What the number keys on the page type counts as typed, too.
  await press(page, '7')
  await page.getByRole('button', { name: 'Show US units' }).click()
  await expect(sure).toBeVisible()
})

longTest('rushes of the week and walks between areas are typed, and wrong ones told', async ({ page }) => {
  await signIn(page, 'Oriel', '9080', '/house/trade')
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
  // Begun later than it ends, it ends past midnight; and no more once it begins sooner.
  const from = page.getByRole('textbox', { name: 'From' }).first()
  await from.fill('22:00')
  await expect(to).toHaveValue('13:30')
  await to.fill('1:30')
  await to.press('Tab')
  await expect(to).toHaveValue('25:30')
  await from.fill('11:30')
  await to.fill('13:30')
  await press(page, 'Add a walk')
  await press(page, 'Add a walk')
  await expect(page.getByRole('alert')).toHaveText('Walk 2: these two areas are there already.')
  await page
    .getByRole('button', { name: /^Remove .+ – / })
    .last()
    .click()
  // What is no number is told at its field, and keeps nothing from being typed on.
  const minutes = page.getByRole('textbox', { name: 'Minutes' }).first()
  await minutes.fill('2,5')
  await expect(page.getByText('A whole number from 1 to 60.')).toBeVisible()
  await expect(minutes).toHaveValue('2,5')
  await expect(page.getByText('Walk 1: choose two areas and type the minutes.')).toBeVisible()
  await minutes.fill('3')
  await press(page, 'Save')
  await expect(page.getByText('Saved. The log shows what changed.')).toBeVisible()
  // Once it has come back from the log there is nothing to save or undo any more.
  await expect(page.getByText('all sent')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Undo my changes' })).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'To', exact: true }).first()).toHaveValue('13:30')
  await isAccessible(page)
})

test('bad input is told at its field, and nothing that was typed is lost', async ({ page }) => {
  await signIn(page, 'Oriel', '9080', '/house/people')
  await press(page, 'Add somebody')
  const name = page.getByLabel('Name', { exact: true })
  const pin = page.getByLabel('PIN for the first sign-in')
  await name.fill('bao')
  await pin.fill('0000')
  await page.getByRole('radio', { name: /^everything/ }).click()
  await press(page, 'Add')
  await expect(
    page.getByText('A PIN has 4 to 8 digits. It must not repeat (0000) or count (1234).'),
  ).toBeVisible()
  await pin.fill('5274')
  await press(page, 'Add')
  await expect(page.getByRole('alert')).toHaveText(
    'Somebody here has this name already. Add a letter or a second name.',
  )
  await expect(name).toHaveValue('bao')

  await go(page, '/house/products')
  await press(page, 'Enter a label')
  const form = page.locator('.house-form')
  await form.getByLabel('How strong').fill('10')
  await form.getByLabel('Label also says: makes, ppm').fill('200')
  await form.getByLabel('at 1 part to N of water, N').fill('256')
  await expect(form.getByText('This strength makes 389 ppm at 1 : 256, not 200.')).toBeVisible()
  await form.getByLabel('at 1 part to N of water, N').fill('512')
  await expect(form.getByText(/This strength makes/)).toHaveCount(0)

  await go(page, '/house/stations')
  await page.getByRole('button', { name: /Kiosk slush/ }).click()
  const rinse = page.getByRole('textbox', { name: /Rinse and sanitizer, each/ })
  await rinse.fill('999999999')
  await expect(page.getByRole('alert').first()).toContainText('Must be between')
  await expect(rinse).toHaveValue('999999999')
})
