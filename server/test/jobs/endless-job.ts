/** Never ends, and never lets anything else of its thread have a turn. */
export default function endlessJob(): void {
  for (;;);
}
