/** What products are for: labels are entered by it and procedures ask by it, so that the two meet. */
export const productUses = [
  { id: 'frozen-dessert', does: 'sanitize' },
  { id: 'cloths', does: 'sanitize' },
  { id: 'ice-sanitizer', does: 'sanitize' },
  { id: 'utensils', does: 'sanitize' },
  { id: 'body-fluids', does: 'sanitize' },
  { id: 'cleaner-100', does: 'both' },
  { id: 'machine-wash', does: 'wash' },
  { id: 'sink-wash', does: 'wash' },
  { id: 'espresso-soak', does: 'wash' },
  { id: 'urn', does: 'wash' },
  { id: 'descale', does: 'descale' },
  { id: 'delime', does: 'descale' },
] as const satisfies readonly {
  readonly id: string
  readonly does: 'sanitize' | 'wash' | 'both' | 'descale'
}[]

export type ProductUseId = (typeof productUses)[number]['id']
