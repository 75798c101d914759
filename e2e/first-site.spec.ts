import { control } from './control.ts'
import { address, heading, isAccessible, press } from './crew.ts'
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
    await this.choose('How the label gives the dose', l.dose)
    for (const [field, text] of Object.entries({ ...l.more })) await this.type(field, text)
    const [first = {}, ...others] = l.uses
    await this.use(first, 0)
    for (const [i, use] of others.entries()) {
      await this.tap('Another use')
      await this.use(use, i + 1)
    }
    await this.tap('Put it in the log')
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

const labels: readonly Label[] = [
  {
    name: 'Lantern',
    is: 'chlorine',
    ...strength('2.5'),
    uses: [
      { for: 'Sanitize frozen-dessert machines', ...aim('100', '200', '150') },
      { for: 'Sanitize utensils', ...aim('50', '100', '100') },
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
    ...perLitre('5'),
    uses: [{ for: 'Wash frozen-dessert machines' }, { for: 'Wash by hand' }],
  },
  {
    name: 'Scale-ex',
    is: 'acid (descaler',
    ...perLitre('23'),
    uses: [{ for: 'Descale ice machines' }, { for: 'Delime dish machines' }],
  },
  { name: 'Bean wash', is: 'strong alkali', ...perLitre('10'), uses: [{ for: 'Soak portafilters' }] },
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
  ['Bo', /^crew/],
  ['Cy', /^crew/],
  ['Di', /^crew/],
  ['Ed', /^crew/],
  ['Flo', /^shift lead/],
] as const

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

async function equipped(hands: Hands): Promise<void> {
  const { page } = hands
  await hands.follow('Add machines')
  for (const name of machines) await hands.tap(`One more: ${name}`)
  await hands.tap(/^Add 8/)
  await expect(page.getByText('8 machines and places, 7 with typical numbers')).toBeVisible()
  for (const [i, label] of labels.entries()) {
    if (i === 0) await hands.follow('Enter a label')
    else await hands.tap('Enter a label')
    if (i === 0) await hands.choose('What it is for', 'Sanitize frozen-dessert machines')
    await hands.label(label)
  }
}

/** Strips with the date of their pack, a thermometer, and what amounts are measured in. */
async function measured(hands: Hands, tools: readonly string[]): Promise<void> {
  await hands.page.goto(address('/house/instruments'))
  for (const strips of ['Chlorine strips', 'Quat strips']) {
    await hands.tap(new RegExp(`^\\+ ${strips}`))
    await hands.type(new RegExp(`^${strips}`), '2027-10-01')
    await hands.tap('Add')
  }
  for (const tool of tools) await hands.tap(`+ ${tool}`)
}

async function staffed(hands: Hands): Promise<void> {
  const { page } = hands
  await page.goto(address('/house/people'))
  await hands.tap('Add somebody')
  for (const [name, role] of crew) {
    await hands.type('Name', name)
    await hands.type('PIN for the first sign-in', '5274')
    await hands.pick(role)
    await hands.pick(/^everything/)
    await hands.tap('Add')
    await expect(page.getByRole('listitem').filter({ hasText: name })).toBeVisible()
    await expect(page.getByLabel('Name', { exact: true })).toHaveValue('')
  }
}

test.describe('a site out of an empty database', () => {
  test.use({ hasTouch: true, locale: 'en-IE', timezoneId: 'Europe/Dublin' })

  test('is set up by touch, planned, worked and signed', async ({ page }) => {
    const hands = new Hands(page, true)
    await founded(hands)
    await isAccessible(page)
    await equipped(hands)
    await measured(hands, ['Probe thermometer, ±1 °C', '20 mL syringe', '100 mL beaker', '500 mL jug'])
    await staffed(hands)
    await page.goto(address('/house/start'))
    await expect(page.getByText('5 people beside you')).toBeVisible()
    await isAccessible(page)
    console.log(hands.taps, hands.characters)
    await page.screenshot({ path: '/tmp/e1.png' })
    await hands.follow('Fill the roster')
    await page.screenshot({ path: '/tmp/e2.png' })
  })
})
