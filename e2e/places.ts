import { expect, type Page } from '@playwright/test'
import { go } from './crew.ts'

/** Every place and page of the application, for what must hold everywhere. */
export const places = [
  '/shift',
  '/shift/ahead',
  '/shift/roster',
  '/shift/lists',
  '/shift/cold',
  '/shift/cold/delivery',
  '/shift/cold/opened',
  '/shift/rounds',
  '/shift/tasks',
  '/run',
  '/bench/mix',
  '/bench/correct',
  '/bench/check',
  '/bench/baths',
  '/dish',
  '/dish/months',
  '/dish/sink',
  '/dish/files',
  '/log',
  '/log/entries',
  '/house/start',
  '/house/stations',
  '/house/stations?add=1',
  '/house/trade',
  '/house/procedures',
  '/house/products',
  '/house/instruments',
  '/house/devices',
  '/house/spares',
  '/house/practices',
  '/house/people',
  '/house/tablet',
  '/house/rounds',
  '/house/stock',
  '/house/store',
  '/house/pests',
  '/house/repairs',
  '/house/repairs?view=visits',
  '/house/repairs?view=costs',
  '/house/lab',
  '/chart/ice-nugget.half-year?station=kiosk-nugget',
]

/** Those that hold every colour that there is. */
export const colourful = [
  '/shift',
  '/shift/ahead',
  '/bench/check',
  '/bench/baths',
  '/dish',
  '/log',
  '/log/entries',
  '/house/practices',
]

export async function visit(page: Page, place: string): Promise<void> {
  await go(page, place)
  await expect(page.getByRole('navigation').first()).toBeVisible()
  await expect(page.getByText('Reading the site…')).toBeHidden()
}
