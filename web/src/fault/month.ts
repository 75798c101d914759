/** A month so many after another. @param month "2026-11". */
export function monthAfter(month: string, n: number): string {
  const [year = 0, m = 1] = month.split('-').map(Number)
  const all = year * 12 + (m - 1) + n
  return `${Math.floor(all / 12)}-${String((all % 12) + 1).padStart(2, '0')}`
}
