/** What reads a number of a dish machine's plate. */
export type PlateReader =
  'verdict' | 'cycle' | 'marks' | 'detergent' | 'hand-dose' | 'scale' | 'water' | 'pace' | 'chemical'

/** Every number that the dish room reads of a plate, beside what procedures ask for: its unit, and what reads it. */
export const plateNumbers = {
  tank: { unit: 'mL', readBy: ['detergent', 'hand-dose'] },
  rinseWater: { unit: 'mL', readBy: ['detergent', 'hand-dose', 'scale'] },
  washC: { unit: '°C', readBy: ['verdict', 'cycle', 'marks'] },
  rinseC: { unit: '°C', readBy: ['verdict', 'cycle', 'marks'] },
  pressureLow: { unit: 'kPa', readBy: ['verdict', 'cycle', 'marks'] },
  pressureHigh: { unit: 'kPa', readBy: ['verdict', 'cycle', 'marks'] },
  probeC: { unit: '°C', readBy: ['cycle'] },
  probeKPa: { unit: 'kPa', readBy: ['cycle'] },
  racksAnHour: { unit: '1/h', readBy: ['pace'] },
  waterRacks: { unit: '', readBy: ['water'] },
  waterHours: { unit: 'h', readBy: ['water'] },
  conductivity: { unit: 'mS/cm', readBy: ['detergent'] },
  doseLow: { unit: 'g/L', readBy: ['hand-dose'] },
  doseTarget: { unit: 'g/L', readBy: ['hand-dose'] },
  doseHigh: { unit: 'g/L', readBy: ['hand-dose'] },
  doseTool: { unit: 'g', readBy: ['hand-dose'] },
  hardness: { unit: 'mg/L', readBy: ['scale'] },
  chemicalMode: { unit: '', readBy: ['chemical'] },
} as const satisfies Record<
  string,
  { readonly unit: string; readonly readBy: readonly [PlateReader, ...PlateReader[]] }
>
export type PlateNumber = keyof typeof plateNumbers
