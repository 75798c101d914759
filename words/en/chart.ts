export const chart = {
  print: 'Print',
  version: 'version {n}',
  of: 'Wall chart: {station}',
  file: 'File',
  until: 'Repeat until: {sign}',
  each: 'Each {unit}:',
  together: 'Side by side:',
  branch: 'Only if: {is}',
  tend: 'Every {every} min: {duty}. {late}',
  hold: 'Held by whoever reaches in.',
}
