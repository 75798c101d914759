import type { UnitSystem } from '../quantity/index.ts'

/** Where US customary units are the everyday ones. From memory: the United States, Liberia, Myanmar. */
const usUnits: ReadonlySet<string> = new Set(['US', 'LR', 'MM'])

/** Whom to call, by country, where it is not 112. From memory; a site changes it where its own differs. */
const emergency: Readonly<Record<string, string>> = {
  US: '911',
  CA: '911',
  MX: '911',
  AR: '911',
  AU: '000',
  NZ: '111',
  JP: '119',
  KR: '119',
  CN: '120',
  SG: '995',
  MY: '999',
  HK: '999',
  ZA: '10177',
  BR: '192',
  AE: '998',
}

/** Countries whose own food code ships as a rule base; elsewhere the model code stands in, and the screen says so. */
export const countriesWithRules: readonly string[] = ['US']

/** What follows from the country of a site. @param country ISO 3166-1 alpha-2, such as IE. */
export function byCountry(country: string): {
  readonly units: UnitSystem
  readonly emergencyNumber: string
  readonly hasOwnRules: boolean
} {
  return {
    units: usUnits.has(country) ? 'us' : 'metric',
    emergencyNumber: emergency[country] ?? '112',
    hasOwnRules: countriesWithRules.includes(country),
  }
}
