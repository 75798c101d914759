/** One machine: found by its tag, opened, and its tags printed. */
export const machine = {
  all: 'All machines',
  find: 'Name, or number on the tag',
  scan: 'Scan a tag',
  scanHow: 'Hold the tag’s code in front of the camera. Or go back and type the number on it.',
  noSuchTag: 'No machine here has this number or name. Look again at its tag.',
  start: 'Start',
  fault: 'Something is wrong with it',
  nothing: 'No cleaning procedure is known for this machine.',
  history: 'What was done here',
  readOff: 'Readings of its runs',
  trend: {
    rises: 'It rises by about {by} a month.',
    falls: 'It falls by about {by} a month.',
    before: 'Before: {list}',
  },
  unknown: 'Unknown machine',
  unknownHow: 'The site has no machine with this tag. It may have been removed.',
  open: 'Open this machine: what is due, and its history',
  tags: 'Tags to print',
  tagsHow: 'Print, cut out, cover with clear film, and stick one on each machine.',
  printTags: 'Print tags',
  print: 'Print',
  code: 'Code that opens {name}',
}
/** The camera. */
export const scan = {
  denied:
    'The browser does not let Tadka use the camera. Allow it beside the address, or type what is printed.',
  none: 'No camera can be used on this device. Type what is printed instead.',
}
