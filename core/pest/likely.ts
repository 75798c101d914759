import type { Pest } from './records.ts'
import type { UsualPoint } from '../round/index.ts'

/** Where to look for each first: what it lives on and how it comes. Common practice, no source. */
const likely: Readonly<Record<Pest, readonly UsualPoint[]>> = {
  rodent: ['doors-windows', 'off-floor', 'bins', 'deliveries', 'litter'],
  cockroach: ['deliveries', 'drains', 'spills', 'break-room'],
  fly: ['drains', 'bins', 'doors-windows', 'spills'],
  ant: ['spills', 'doors-windows', 'break-room'],
  'stored-food': ['deliveries', 'off-floor', 'dates'],
  bird: ['service-windows', 'doors-windows', 'litter', 'bins'],
  other: ['deliveries', 'off-floor', 'break-room', 'spills', 'drains'],
}

/** Where its cause is looked for, the likeliest first. */
export const likelyPlaces = (pest: Pest | null): readonly UsualPoint[] => likely[pest ?? 'other']
