/** A length of time as it is said at a sink: "45 s", "5 min", "1 min 30 s". @param ms milliseconds. */
export function spokenLength(ms: number): string {
  const seconds = Math.round(ms / 1000)
  const [minutes, rest] = [Math.floor(seconds / 60), seconds % 60]
  if (minutes === 0) return `${rest} s`
  return rest === 0 ? `${minutes} min` : `${minutes} min ${rest} s`
}

/** The same of what takes hours or days: "12 min", "2 h 7 min", "3 d 4 h". @param ms milliseconds. */
export function longLength(ms: number): string {
  const minutes = Math.round(ms / 60_000)
  const [hours, days] = [Math.floor(minutes / 60), Math.floor(minutes / 1440)]
  if (hours === 0) return `${minutes} min`
  const [big, small, unit] = days === 0 ? [`${hours} h`, minutes % 60, 'min'] : [`${days} d`, hours % 24, 'h']
  return small === 0 ? big : `${big} ${small} ${unit}`
}
