/** What sites choose where good kitchens differ. Temperatures come in the site's units. */
export const practices = {
  how: 'Good kitchens do these things differently. A choice sets what crew aim for. It never loosens a limit.',
  default: 'usual',
  adds: 'Adds: {steps}.',
  leavesOut: 'Leaves out: {steps}.',
  changes: 'Changes: {steps}.',
  chlorine: {
    question: 'Chlorine: which strength do we aim for?',
    table: 'What the code’s table asks, by pH and temperature',
    fifty: '50 to 99 ppm, water {warm} or more, 10 s',
    wide: '50 to 200 ppm',
    hundred: '100 ppm for frozen-dessert machines',
    why: 'Every reading is still checked against the code’s table.',
  },
  quat: {
    question: 'Quat: which strength do we aim for?',
    label: 'What the label says',
    wide: '150 to 400 ppm',
    'two-hundred': '200 ppm',
    why: 'The code leaves the strength of quat to the label. Without a label nothing passes.',
  },
  'hot-water-machine': {
    question: 'How do we check a hot-water dish machine?',
    manifold: 'Final rinse {manifold} or more',
    surface: 'Surface of the dishes {surface} or more. The final rinse counts too if it was read',
    'last-seconds': 'Final rinse {manifold} or more, held for the last 15 s. Needs a probe',
    why: 'The final rinse can be read at every check.',
  },
  'wash-water': {
    question: 'How warm is the wash water in the sink?',
    code: '{wash} or more, as the code says',
    label: 'What the detergent’s label says',
    why: 'The code allows the detergent’s label to set it.',
  },
}
