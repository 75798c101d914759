import type { Procedure } from '../language.ts'

/** A sanitizer bucket for wiping cloths: FDA Food Code 2022, 3-304.14 and 4-501.114. */
export const bucketFill: Procedure = {
  id: 'bucket.fill',
  version: 1,
  name: 'Fill the sanitizer bucket',
  family: 'bucket',
  parameters: { bucket: 'mL', bucketHolds: 'mL' },
  materials: ['bucket with its label', 'measuring jug', 'test strips, in date', 'thermometer'],
  cautions: ['Wear gloves and goggles for concentrate. Never mix two products.'],
  nodes: [
    {
      id: 'mix',
      kind: 'mix',
      title: 'Mix the bucket',
      use: 'cloths',
      volume: { of: 'bucket' },
      vessel: 'bucket',
      capacity: { of: 'bucketHolds' },
      water: { lo: 24, hi: 40, unit: '°C' },
      effects: { contents: 'sanitizer' },
    },
    {
      id: 'stand',
      kind: 'wait',
      title: 'Stir, then let it stand',
      text: 'A strip dipped before it has mixed reads wrong.',
      minutes: 1,
      attended: false,
    },
    {
      id: 'check',
      kind: 'check',
      what: 'sanitizer',
      use: 'cloths',
      title: 'Dip a strip',
    },
  ],
}
