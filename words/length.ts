/** A length of time as it is said at a sink: "45 s", "5 min", "1 min 30 s". @param ms milliseconds. */
export function spokenLength(ms: number): string {
  const seconds = Math.round(ms / 1000)
  const [minutes, rest] = [Math.floor(seconds / 60), seconds % 60]
  if (minutes === 0) return `${rest} s`
  return rest === 0 ? `${minutes} min` : `${minutes} min ${rest} s`
}
