import { products } from '../server/demo/products.ts'
import { site, siteId } from '../server/demo/house.ts'
import { address, chooseStation, go, press, signIn } from './crew.ts'
import { beginsAnew, expect, test, type Page } from './test.ts'

beginsAnew()
test.use({ hasTouch: true })

let counter = 0
/** Version 7 by its form, as tablets make them: the time first. */
function newId(): string {
  const time = Date.now().toString(16).padStart(12, '0')
  const rest = crypto.randomUUID().slice(15)
  return `${time.slice(0, 8)}-${time.slice(8)}-7${rest}`
}
/** What a manager enters in House, sent as a tablet sends it: the forms have tests of their own. */
async function enter(page: Page, type: string, kind: string, id: string, payload: object): Promise<void> {
  const now = await page.evaluate(() => Date.now())
  const draft = {
    id: newId(),
    site: siteId,
    type,
    subject: { kind, id },
    observedAt: now,
    device: 'e2e',
    counter: ++counter,
    by: 'oriel',
    payload,
  }
  const answer = await page.request.post(address(`/api/sites/${siteId}/records`), {
    data: { sentAt: now, drafts: [draft] },
  })
  expect(await answer.text()).toContain('accepted')
}

const powder = {
  ...products['terntab'],
  name: 'Gullpowder',
  supply: { kind: 'powder', active: 0.35 },
  uses: [{ ...products['terntab']?.uses[0], id: 'cloths', name: 'Powder for cloths' }],
}

const inYears = 2_000_000_000_000
const systems = {
  metric: {
    thermometer: '°C',
    warm: '43',
    cold: '42',
    pressure: 'kPa',
    flow: '120',
    weakFlow: '30',
    tool: { kind: 'tool', name: 'Fine syringe', capacity: 20, graduation: 0.5, error: 0.2 },
    added: /^Add [\d.]+ mL, stir, test again$/,
    wash: ['67', '66'],
    rinse: ['83', '81'],
  },
  us: {
    thermometer: '°F',
    warm: '110',
    cold: '109',
    pressure: 'psi',
    flow: '20',
    weakFlow: '4',
    // A tenth of a fluid ounce a mark.
    tool: {
      kind: 'tool',
      name: 'Ounce syringe',
      marks: 'fl oz',
      capacity: 59.147,
      graduation: 2.9573529562,
      error: 0.3,
    },
    added: /^Add [\d.]+ (fl oz|mL), stir, test again$/,
    wash: ['152', '149'],
    rinse: ['181', '179'],
  },
} as const

for (const [system, u] of Object.entries(systems)) {
  test.describe(`in ${system} units`, () => {
    test.beforeEach(async ({ page }) => {
      await signIn(page, 'Oriel', '9080')
      await enter(page, 'site.set@1', 'site', siteId, { ...site, units: system })
      await enter(page, 'instrument.set@1', 'instrument', `probe-${system}`, {
        kind: 'thermometer',
        name: 'Probe of the test',
        unit: u.thermometer,
        accuracy: 0.5,
        checkDue: inYears,
      })
      await enter(page, 'instrument.set@1', 'instrument', `gauge-${system}`, {
        kind: 'pressure-gauge',
        name: 'Gauge of the test',
        unit: u.pressure,
        accuracy: 1,
        checkDue: inYears,
        station: 'galley-dish',
      })
      await enter(page, 'instrument.set@1', 'instrument', `tool-${system}`, u.tool)
      await enter(page, 'product.set@1', 'product', 'gullpowder', powder)
      await page.reload()
    })

    const on = async (page: Page, field: string, name: string) => {
      await page
        .getByLabel(`${field}: read on`)
        .locator('xpath=ancestor-or-self::*[contains(@class,"n-select")]')
        .first()
        .click()
      await page.locator('.n-base-select-option', { hasText: name }).last().click()
    }
    const verdict = (page: Page) => page.locator('.large')

    test('wash water and a dish machine are judged in the unit of what they are read on', async ({
      page,
    }) => {
      await go(page, '/bench/check')
      await press(page, 'Wash water')
      await chooseStation(page, 'Galley sink')
      await on(page, 'Water', 'Probe of the test')
      await page.locator('#heat-temperature').fill(u.warm)
      await expect(verdict(page)).toHaveText('In range')
      await page.locator('#heat-temperature').fill(u.cold)
      await expect(verdict(page)).toHaveText('Out of range')

      await press(page, 'Dish machine')
      await chooseStation(page, 'Galley dish machine')
      await on(page, 'Wash tank', 'Probe of the test')
      await on(page, 'Final rinse, at the manifold', 'Probe of the test')
      await on(page, 'Rinse pressure', 'Gauge of the test')
      await page.locator('#heat-wash').fill(u.wash[0])
      await page.locator('#heat-rinse').fill(u.rinse[0])
      await page.locator('#heat-pressure').fill(u.flow)
      await expect(verdict(page)).toHaveText('In range')
      await page.locator('#heat-pressure').fill(u.weakFlow)
      await expect(verdict(page)).toHaveText('Out of range')
      await page.locator('#heat-pressure').fill(u.flow)
      await page.locator('#heat-rinse').fill(u.rinse[1])
      await expect(verdict(page)).toHaveText('Out of range')
    })

    test('the way back is told for a liquid, for tablets and for a powder, each by itself', async ({
      page,
    }) => {
      await go(page, '/bench/correct')
      const made = async (name: string) => {
        await page.locator('.correcting .n-select').click()
        await page.locator('.n-base-select-option', { hasText: name }).first().click()
      }
      const volume = async (litres: number) => {
        const typed = system === 'us' ? litres / 3.785411784 : litres
        await page.locator('#correct-volume').fill(typed.toFixed(2))
        await page.locator('#correct-holds').fill((typed * 2).toFixed(2))
      }
      await made('Brineguard')
      await page.locator('#correct-from').fill('100')
      await page.locator('#correct-to').fill('140')
      await volume(20)
      await expect(page.getByText(u.added)).toBeVisible()
      await expect(page.locator('.act b')).not.toContainText(/\b0 (mL|fl oz)\b/)

      await made('Terntab')
      await page.locator('#correct-from').fill('20')
      await page.locator('#correct-to').fill('30')
      await volume(38)
      await expect(page.getByText(/^Add \d+ pieces?, stir, test again$/)).toBeVisible()

      await made('Gullpowder')
      await page.locator('#correct-from').fill('20')
      await page.locator('#correct-to').fill('30')
      await volume(38)
      await expect(page.getByText(/^Add [\d.]+ g, stir, test again$/)).toBeVisible()

      // Nobody knows how much it is: too weak is mixed anew, too strong is poured off by half.
      await page.locator('#correct-volume').fill('')
      await page.locator('#correct-holds').fill('')
      await expect(page.getByText('Nobody knows how much is in it')).toBeVisible()
      await page.locator('#correct-from').fill('200')
      await page.locator('#correct-to').fill('240')
      await expect(page.getByText(/^Pour off a half, fill up with water, test again$/)).toBeVisible()
    })

    test('a mix for each is measured in what can be measured', async ({ page }) => {
      await go(page, '/bench/mix')
      const choose = async (name: string) => {
        await page.locator('.mixing .n-select').click()
        await page.locator('.n-base-select-option', { hasText: name }).first().click()
      }
      for (const [name, unit] of [
        ['Brineguard', /(mL|fl oz)$/],
        ['Terntab', /pieces$/],
        ['Gullpowder', /g$/],
      ] as const) {
        await choose(name)
        await press(page, 'Poured out and rinsed')
        await expect(page.locator('.fig')).toHaveText(unit)
        await expect(page.locator('.fig')).not.toHaveText(/^0[a-z]/)
        await page.reload()
      }
    })
  })
}
