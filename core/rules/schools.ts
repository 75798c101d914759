/** A question on which sites differ; a school sets what crew aim at, inside the limits, and never loosens one. */
export interface School {
  readonly id: string
  readonly question: string
  readonly choices: readonly { readonly id: string; readonly says: string }[]
  readonly fallback: string
  readonly why: string
}

/** Common practice, no source. */
export const schools: readonly School[] = [
  {
    id: 'chlorine',
    question: 'Which chlorine band do crew aim at?',
    choices: [
      { id: 'table', says: 'the whole table, by pH and temperature' },
      { id: 'fifty', says: '50 to 99 ppm, water 21 °C (70 °F) or more, 10 s' },
      { id: 'wide', says: '50 to 200 ppm' },
      { id: 'hundred', says: '100 ppm for frozen-dessert machines' },
    ],
    fallback: 'table',
    why: 'Crew aim at the band; the table judges.',
  },
  {
    id: 'quat',
    question: 'Which quat band do crew aim at?',
    choices: [
      { id: 'label', says: 'the label’s' },
      { id: 'wide', says: '150 to 400 ppm' },
      { id: 'two-hundred', says: '200 ppm' },
    ],
    fallback: 'label',
    why: 'The code sets no ppm of its own; without a label nothing passes.',
  },
  {
    id: 'hot-water-machine',
    question: 'How is a hot-water machine checked?',
    choices: [
      { id: 'manifold', says: '82 °C (180 °F) at the manifold, every check; the surface once a shift' },
      { id: 'surface', says: '71 °C (160 °F) at the surface' },
      { id: 'last-seconds', says: '82 °C (180 °F) held in the last 15 s of the cycle' },
    ],
    fallback: 'manifold',
    why: 'The manifold can be read at every check; the surface proves it once a shift.',
  },
  {
    id: 'rinse-after',
    question: 'Rinse after sanitizing?',
    choices: [
      { id: 'never', says: 'never, unless the label says so' },
      { id: 'potable', says: 'a potable rinse where label or manual ask' },
    ],
    fallback: 'never',
    why: 'A rinse undoes the sanitizing; where a label asks for one, it becomes a step.',
  },
  {
    id: 'wash-water',
    question: 'How warm is the sink’s wash water?',
    choices: [
      { id: 'code', says: '43 °C (110 °F) or more' },
      { id: 'label', says: 'the detergent label’s' },
    ],
    fallback: 'code',
    why: 'The code’s figure, or the label’s.',
  },
]

/** What a site chose, question by question; the default where it chose nothing or something unknown. */
export function chosenSchool(id: string, choices: Readonly<Record<string, string>>): string {
  const school = schools.find((s) => s.id === id)
  const chosen = choices[id]
  if (school && chosen !== undefined && school.choices.some((c) => c.id === chosen)) return chosen
  return school?.fallback ?? ''
}

/** The ppm band that crew aim at under a school of chlorine, kept inside the label's; null: the table decides. */
export function chlorineTarget(
  choice: string,
  label: { lo: number; hi: number },
): { lo: number; hi: number } | null {
  const bands: Record<string, { lo: number; hi: number }> = {
    fifty: { lo: 50, hi: 99 },
    wide: { lo: 50, hi: 200 },
    hundred: { lo: 100, hi: 100 },
  }
  const band = bands[choice]
  if (!band) return null
  const [lo, hi] = [Math.max(band.lo, label.lo), Math.min(band.hi, label.hi)]
  return lo <= hi ? { lo, hi } : null
}
