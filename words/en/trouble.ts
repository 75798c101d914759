/** What goes wrong of a sudden, by its name: needed around every place. */
export const trouble = {
  open: 'Something is wrong',
  kind: {
    fire: 'Fire',
    gas: 'Gas',
    splash: 'Chemical in eyes or on skin',
    'water-off': 'No water',
    'boil-notice': 'Water unsafe: boil notice',
    'no-hot-water': 'No hot water',
    'power-cut': 'No power',
    sewage: 'Sewage coming up',
    flood: 'Flood',
    'foreign-matter': 'Glass or metal in food',
    vomit: 'Vomit or diarrhoea',
    'device-out': 'A machine far out of range',
  },
  since: '{kind} since {time}.',
  out: 'Nothing is out of service. | One machine or area out of service. | {n} machines and areas out of service.',
  see: 'What to do',
}
