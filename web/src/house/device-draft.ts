import type { DeviceKind } from '@tadka/contract/device'
import { slugOf } from '@tadka/core/house'

/** A device as it is typed. */
export interface DeviceDraft {
  name: string
  kind: DeviceKind
  station: string | null
  of: string | null
}

export const emptyDevice = (): DeviceDraft => ({ name: '', kind: 'dish-probe', station: null, of: null })

/** What each kind of device has to be told besides its name. */
export const needsOf = (kind: DeviceKind) => ({
  station: kind !== 'thermometer',
  of:
    kind === 'thermometer'
      ? ('instrument' as const)
      : kind === 'dispenser-meter'
        ? ('product' as const)
        : null,
})

/** The body that enters it, or null where something is missing. */
export function deviceFrom(d: DeviceDraft) {
  const id = slugOf(d.name).slice(0, 24)
  const needs = needsOf(d.kind)
  if (id === '' || (needs.station && d.station === null) || (needs.of && d.of === null)) return null
  return {
    id,
    name: d.name.trim(),
    kind: d.kind,
    station: needs.station ? d.station : null,
    of: needs.of ? d.of : null,
  }
}
