/** What products are for, as procedures ask for them. */
export const uses = {
  'frozen-dessert': 'Sanitize frozen-dessert machines',
  cloths: 'Sanitize cloths, bottles and surfaces',
  'ice-sanitizer': 'Sanitize ice machines and bins',
  utensils: 'Sanitize utensils in the sink',
  'body-fluids': 'Disinfect after vomit or diarrhoea',
  'cleaner-100': 'Wash and sanitize frozen-dessert machines in one',
  'machine-wash': 'Wash frozen-dessert machines',
  'sink-wash': 'Wash by hand, in the sink',
  'espresso-soak': 'Soak portafilters and baskets',
  urn: 'Clean coffee and tea urns',
  descale: 'Descale ice machines',
  delime: 'Delime dish machines',
}
