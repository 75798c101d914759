/**
 * What rounds usually look at, each with the section of the FDA Food Code 2022 that asks for it, from memory; null where it is
 * common practice, no source.
 */
const sections = {
  'off-floor': '3-305.11',
  dates: '3-501.17',
  apart: '7-201.11',
  bottles: '7-102.11',
  'hand-sinks': '5-202.12, 6-301.11, 6-301.12',
  restrooms: '6-302.11, 6-501.18',
  'doors-windows': '6-202.15',
  hood: '4-602.13',
  bins: '5-501.113, 5-501.115',
  mops: '6-501.16',
  deliveries: '6-501.111',
  spills: '6-501.12, 6-501.111',
  drains: '6-501.111',
  'break-room': '6-501.110, 6-501.111',
  litter: '6-501.114',
  lights: '6-202.11, 6-303.11',
  animals: '6-501.115',
  'service-windows': null,
  'first-aid': '7-208.11',
} as const

export type UsualPoint = keyof typeof sections
export const usualPoints = Object.keys(sections) as readonly UsualPoint[]

/** The code's section; null: common practice, no source. */
export const sectionOf = (what: UsualPoint): string | null => sections[what]

/** Points of the places where pests live first: walked at least weekly. Common practice, no source. */
export const pestPoints: readonly UsualPoint[] = [
  'deliveries',
  'off-floor',
  'break-room',
  'spills',
  'drains',
  'bins',
  'doors-windows',
  'litter',
]
