import type { StationState } from '@tadka/core/procedure'
import type { AnyDraft } from '@tadka/core/stream'
import { computed } from 'vue'
import { useSite } from './site.ts'

/** Spares on the shelf, and what is drawn of them. */
export function useSpares() {
  const site = useSite()
  const all = computed(() => site.all('spare'))
  const label = ({ name, partNumber, count }: { name: string; partNumber?: string; count: number }) =>
    [`${name}${partNumber ? `, ${partNumber}` : ''}`, `(${count})`].join(' ')
  return {
    /** Those that fit a machine, as a list to choose from. */
    optionsFor: ({ plate }: Pick<StationState, 'plate'>) =>
      all.value
        .filter(
          (x) =>
            x.fits.length === 0 ||
            x.fits.some((f) => plate?.family === f || plate?.family.startsWith(`${f}.`)),
        )
        .map((x) => ({ label: label(x), value: x.id })),
    /** @param count built in; below zero puts back. */
    drawn: (spare: string, station: string, count: number): AnyDraft =>
      site.draftOf('spare.drawn@1', { kind: 'spare', id: spare }, { spare, station, count }),
  }
}
