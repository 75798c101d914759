import { control } from './control.ts'
import { address, counts, go, heading, isAccessible, press, settled } from './crew.ts'
import { walkedRound } from './first-round.ts'
import { pestsSeen } from './first-pests.ts'
import { storedAndMended } from './first-store.ts'
import { badWater } from './first-water.ts'
import { stocked } from './first-stock.ts'
import { looked, readCold, usReads, wentWrong } from './first-looks.ts'
import { GenericCrew } from './generic-crew.ts'
import { beginsAnew, expect, test, type Page } from './test.ts'

beginsAnew()

interface Label {
  readonly name: string
  readonly is: string
  readonly dose: string
  readonly amount: string
  readonly more?: Readonly<Record<string, string>>
  readonly uses: readonly Readonly<Record<string, string>>[]
}

/** Works a page as a person does, and counts what that costs. */
class Hands {
  taps = 0
  characters = 0
  readonly page: Page
  readonly #byTouch: boolean

  constructor(page: Page, byTouch: boolean) {
    this.page = page
    this.#byTouch = byTouch
  }

  async tap(name: string | RegExp): Promise<void> {
    this.taps += 1
    if (this.#byTouch) return press(this.page, name)
    const button = this.page.getByRole('button', { name, exact: typeof name === 'string' })
    await button.waitFor()
    await settled(this.page)
    await counts(this.page)
    await button.focus()
    await this.page.keyboard.press('Enter')
  }
  async digits(text: string): Promise<void> {
    for (const digit of text) await this.tap(digit)
  }
  async follow(name: string): Promise<void> {
    this.taps += 1
    const link = this.page.getByRole('link', { name, exact: true }).first()
    if (this.#byTouch) return link.tap()
    await link.focus()
    await this.page.keyboard.press('Enter')
  }
  /** @param at where several fields have that name. */
  async type(label: string | RegExp, text: string, at = 0): Promise<void> {
    this.taps += 1
    this.characters += text.length
    await this.page
      .getByLabel(label, { exact: typeof label === 'string' })
      .nth(at)
      .fill(text)
  }
  async choose(name: string, option: string, at = 0): Promise<void> {
    this.taps += 2
    const field = this.page.locator('.house-form .name', { hasText: new RegExp(`^${name}$`) }).nth(at)
    // The list of the choice before may be closing still.
    await expect(this.page.locator('.n-base-select-menu:visible')).toHaveCount(0)
    await field.locator('xpath=..').locator('.n-base-selection').click()
    await this.page.locator('.n-base-select-option:visible', { hasText: option }).first().click()
  }
  async pick(name: RegExp): Promise<void> {
    this.taps += 1
    await this.page.getByRole('radio', { name }).click()
  }

  async label(l: Label): Promise<void> {
    await this.type('Name', l.name)
    await this.choose('What it is, chemically', l.is)
    // A strength stands there at first.
    if (l.dose !== 'a strength') await this.choose('How the label gives the dose', l.dose)
    for (const [field, text] of Object.entries({ ...l.more })) await this.type(field, text)
    const [first = {}, ...others] = l.uses
    await this.use(first, 0)
    for (const [i, use] of others.entries()) {
      await this.tap('Another use')
      await this.use(use, i + 1)
    }
    await this.tap('Save to the log')
    await expect(this.page.getByRole('listitem').filter({ hasText: l.name }).first()).toBeVisible()
  }
  async use(use: Readonly<Record<string, string>>, at: number): Promise<void> {
    for (const [field, text] of Object.entries(use))
      if (field === 'for') await this.choose('What it is for', text, at)
      else await this.type(field, text, at)
  }
}

const strength = (percent: string) => ({
  dose: 'a strength',
  amount: percent,
  more: { 'How strong': percent },
})
const aim = (lo: string, hi: string, target: string, contact = '60') => ({
  'From, ppm': lo,
  'To, ppm': hi,
  'Aim at, ppm': target,
  'Contact, s': contact,
})
const perLitre = (mL: string) => ({ dose: 'mL to a litre of water', amount: mL, more: { mL } })
/** As many parts of the label as of the metric one, rounded as a US label would be. */
const perGallon = (mL: string) => {
  const ounces = String(Math.round((Number(mL) * 3.785) / 29.57 / 0.5) * 0.5)
  return { dose: 'so much per gallon', amount: ounces, more: { 'How much': ounces } }
}

const labels = (dosed: typeof perLitre | typeof perGallon): readonly Label[] => [
  {
    name: 'Lantern',
    is: 'chlorine',
    ...strength('2.5'),
    uses: [
      { for: 'Sanitize frozen-dessert machines', ...aim('100', '200', '150') },
      { for: 'Sanitize utensils', ...aim('100', '200', '150') },
    ],
  },
  {
    name: 'Harbour Q',
    is: 'quat',
    ...strength('10'),
    uses: [{ for: 'Sanitize ice machines', ...aim('150', '400', '200') }],
  },
  {
    name: 'Suds',
    is: 'detergent',
    ...dosed('5'),
    uses: [{ for: 'Wash frozen-dessert machines' }, { for: 'Wash by hand' }],
  },
  {
    name: 'Scale-ex',
    is: 'acid (descaler',
    ...dosed('23'),
    uses: [{ for: 'Descale ice machines' }, { for: 'Delime dish machines' }],
  },
  { name: 'Bean wash', is: 'strong alkali', ...dosed('10'), uses: [{ for: 'Soak portafilters' }] },
]

const machines = [
  'Espresso machine',
  'Espresso machine',
  'Grinder',
  'Soft-serve, gravity-fed',
  'Slush machine',
  'Cube ice machine',
  'Dish machine, hot rinse',
  'Three-compartment sink',
]

const crew = [
  ['Bo', null],
  ['Cy', null],
  ['Di', null],
  ['Ed', null],
  ['Flo', /^shift lead/],
] as const

/** What each was given to begin with. */
const firstPins = new Map<string, string>()

async function founded(hands: Hands): Promise<void> {
  const { page } = hands
  const code = await control('empty')
  await page.goto(address())
  await heading(page, 'Set up Tadka')
  await hands.digits('00000000')
  await hands.tap('Next')
  // A wrong code is found out at the end; nothing typed meanwhile is lost.
  await hands.type('Name of the site', 'Harbour Café')
  await hands.type('Opens', '6')
  await hands.type('Closes', '22:30')
  await hands.tap('Next')
  await hands.type('Your name', 'Ada')
  await hands.type(/^Password/, 'kettle and rope')
  await hands.digits('0000')
  await hands.tap('Set up the site')
  await expect(
    page.getByText('A PIN has 4 to 8 digits. It must not repeat (0000) or count (1234).'),
  ).toBeVisible()
  for (let i = 0; i < 4; i++) await page.keyboard.press('Backspace').catch(() => {})
  await page.getByLabel(/^PIN, 4 to 8 digits/).fill('')
  await hands.digits('5274')
  await hands.tap('Set up the site')
  await expect(page.getByRole('alert').first()).toContainText('That code is not right, or has ended.')
  await hands.digits(code)
  await hands.tap('Next')
  await expect(page.getByLabel('Name of the site')).toHaveValue('Harbour Café')
  await hands.tap('Next')
  await expect(page.getByLabel('Your name')).toHaveValue('Ada')
  await hands.tap('Set up the site')
  await expect(page.getByRole('heading', { name: 'What stands here' })).toBeVisible()
}

async function equipped(hands: Hands, dosed: typeof perLitre | typeof perGallon): Promise<void> {
  const { page } = hands
  await hands.follow('Add machines')
  for (const name of machines) await hands.tap(`One more: ${name}`)
  await hands.tap(/^Add 8/)
  await expect(page.getByText('8 machines and places, 7 with typical numbers')).toBeVisible()
  await expect(page.getByText('all sent')).toBeVisible()
  // What no product is entered for is said before the run, with the way to it.
  await go(page, '/run')
  await page
    .locator('.chooser li', { hasText: 'Sink' })
    .getByRole('button', { name: /Set up/ })
    .click()
  await expect(page.getByText('No product here is entered for: Wash by hand, in the sink.')).toBeVisible()
  await page.getByRole('link', { name: 'Enter a label' }).first().click()
  await expect(page.getByLabel('What for, in the label’s words')).toHaveValue('Wash by hand, in the sink')
  await go(page, '/house/start')
  for (const [i, label] of labels(dosed).entries()) {
    if (i === 0) await hands.follow('Enter a label')
    else await hands.tap('Enter a label')
    if (i === 0) await hands.choose('What it is for', 'Sanitize frozen-dessert machines')
    await hands.label(label)
  }
}

/** Strips with the date of their pack, a thermometer, and what amounts are measured in. */
async function measured(hands: Hands, tools: readonly string[]): Promise<void> {
  await go(hands.page, '/house/instruments')
  for (const strips of ['Chlorine strips', 'Quat strips', 'pH strips']) {
    await hands.tap(new RegExp(`^\\+ ${strips}`))
    await hands.type(new RegExp(`^${strips}`), '2027-10-01')
    await hands.tap('Add')
    // The rest moves up into its place: a tap meanwhile would land between two.
    await expect(hands.page.getByRole('button', { name: new RegExp(`^\\+ ${strips}`) })).toHaveCount(0)
  }
  for (const tool of tools) await hands.tap(`+ ${tool}`)
}

async function staffed(hands: Hands): Promise<void> {
  const { page } = hands
  await go(page, '/house/people')
  await hands.tap('Add somebody')
  for (const [name, role] of crew) {
    await hands.type('Name', name)
    if (role) await hands.pick(role)
    const pin = await page.getByLabel('PIN for the first sign-in').inputValue()
    await hands.pick(/^everything/)
    await hands.tap('Add')
    await expect(page.getByRole('listitem').filter({ hasText: name })).toBeVisible()
    await expect(page.getByLabel('Name', { exact: true })).toHaveValue('')
    await expect(page.getByText(`${name}: ${pin}`)).toBeVisible()
    firstPins.set(name, pin)
  }
}

/** Everybody closes tonight, and the evening is planned. */
async function planned(hands: Hands): Promise<void> {
  const { page } = hands
  await go(page, '/house/start')
  await expect(page.getByText('5 people beside you')).toBeVisible()
  await isAccessible(page)
  await hands.follow('Fill the roster')
  await hands.tap('Add all 6 others')
  await hands.tap('Save')
  await expect(page.getByText('Saved. Plan the shift anew to use it.')).toBeVisible()
  await go(page, '/shift')
  await hands.tap('Plan the shift')
  await expect(page.locator('.figure b')).toBeVisible({ timeout: 60_000 })
}

/** Somebody of the crew comes for the first time: the PIN they were given is changed there. */
async function firstSignIn(hands: Hands, name: string): Promise<void> {
  const { page } = hands
  await hands.tap(/^Acting: /)
  await hands.tap('Sign in someone else')
  await hands.tap(new RegExp(`^${name} crew`))
  await hands.digits(firstPins.get(name) ?? '')
  await hands.tap('Sign in')
  await expect(
    page.getByText(`${name}, choose your own PIN: 4 to 8 digits that nobody else knows`),
  ).toBeVisible()
  await hands.digits('1111')
  await hands.tap('Keep this PIN and sign in')
  await expect(page.getByText('Anybody would try this PIN first.')).toBeVisible()
  await hands.digits('9046')
  await hands.tap('Keep this PIN and sign in')
  await expect(page.getByRole('button', { name: `Acting: ${name}` })).toBeVisible()
}

/** The sink is set up with the products that were entered, step by step to its end. */
async function worked(page: Page, each?: (where: string) => Promise<void>): Promise<void> {
  await go(page, '/run')
  await page
    .locator('.chooser li', { hasText: 'Sink' })
    .getByRole('button', { name: /Set up/ })
    .tap()
  await expect(page).toHaveURL(/\/run\/[0-9a-f-]{36}$/)
  await expect(page.getByText('Typical numbers: check its plate and manual')).toBeVisible()
  const one = new GenericCrew(page)
  if (each) {
    one.reads = usReads
    one.onStep = (_, key) => each(key)
  }
  await one.toTheEnd()
  await expect(page.getByRole('heading', { name: 'Finished' })).toBeVisible()
  await expect(page.getByText('all sent')).toBeVisible()
}

async function signed(page: Page): Promise<void> {
  await go(page, '/log')
  await press(page, 'Sign the day')
  const dialog = page.getByRole('dialog')
  // On a first evening little was due: a reason is asked for only where something is left.
  await expect(dialog.locator('.clean, .group').first()).toBeVisible()
  const reason = dialog.getByLabel(/Why is it signed all the same/)
  if ((await reason.count()) > 0) await reason.fill('the first evening')
  for (const digit of '5274') await dialog.getByRole('button', { name: digit, exact: true }).click()
  await dialog.getByRole('button', { name: 'Sign the day' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.locator('.signed')).toHaveText(/^.+: signed .* by Ada$/)
  await go(page, '/log/entries')
  await press(page, 'Check that nothing was altered')
  await expect(page.getByText(/^\d+ records checked/)).toBeVisible()
}

/** What no page of a US site says: a metric unit, with a number or on its own. */
const metric = /°C|\b(kPa|mL|mm|kg)\b|(?<!\/)\bcm\b|\d\s?(L|m)\b/

test.describe('a site out of an empty database', () => {
  test.use({ hasTouch: true, locale: 'en-IE', timezoneId: 'Europe/Dublin' })

  test('is set up by touch, planned, worked and signed', async ({ page }) => {
    const hands = new Hands(page, true)
    await founded(hands)
    await isAccessible(page)
    await equipped(hands, perLitre)
    await measured(hands, ['Probe thermometer, ±1 °C', '20 mL syringe', '100 mL beaker', '500 mL jug'])
    await staffed(hands)
    await planned(hands)
    // A first start's two deliberate mistakes among them.
    const description = `${hands.taps} taps, ${hands.characters} characters`
    test.info().annotations.push({ type: 'cost before the first run', description })
    expect(hands.characters).toBeLessThan(400)
    expect(hands.taps, description).toBeLessThan(150)
    await firstSignIn(hands, 'Bo')
    await worked(page)
    await press(page, /^Acting: /)
    await press(page, /^Ada manager/)
    await looked(page)
    await wentWrong(page)
    await readCold(page)
    await walkedRound(page)
    await stocked(page)
    await pestsSeen(page)
    await storedAndMended(page)
    await signed(page)
    await badWater(page)
  })
})

test.describe('a site in the United States', () => {
  test.use({ hasTouch: true, locale: 'en-US', timezoneId: 'America/New_York' })

  test('is set up by keyboard, and reads in US units all the way', async ({ page }) => {
    const hands = new Hands(page, false)
    await founded(hands)
    const said = async (where: string) =>
      expect(metric.exec(await page.locator('body').innerText())?.[0] ?? '', where).toBe('')
    await said('set-up')
    await equipped(hands, perGallon)
    await said('products')
    await measured(hands, [
      'Probe thermometer, ±2 °F',
      'Teaspoon (1/6 fl oz)',
      '1 fl oz cup',
      '8 fl oz measuring cup',
    ])
    await said('instruments')
    await staffed(hands)
    for (const path of [
      '/house/stations',
      '/house/start',
      '/house/trade',
      '/house/practices',
      '/house/rules',
      '/bench/mix',
      '/bench/check',
      '/shift',
    ]) {
      await go(page, path)
      await expect(page.getByRole('button', { name: /^Acting: Ada/ })).toBeVisible()
      await said(path)
    }
    await go(page, '/house/stations')
    for (const station of ['Soft-serve', 'Dish machine', 'Sink', 'Ice machine']) {
      await page
        .getByRole('button', { name: new RegExp(`^${station}`) })
        .first()
        .click()
      await said(station)
    }
    await worked(page, said)
    // What was done reads in US units too: the sink that was filled, the machine beside it, the log of it all.
    for (const path of ['/dish/machine', '/dish/months', '/dish/sink', '/bench/baths', '/log']) {
      await go(page, path)
      await expect(page.getByRole('button', { name: /^Acting: Ada/ })).toBeVisible()
      await page.waitForLoadState('networkidle')
      await said(path)
    }
    await looked(page, said)
    await wentWrong(page, said)
    await readCold(page, said)
    await walkedRound(page, said)
    await stocked(page, said)
    await pestsSeen(page, said)
    await storedAndMended(page, said)
    await signed(page)
    await badWater(page, said)
  })
})
