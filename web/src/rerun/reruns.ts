import { boundsOfDay } from '@tadka/core/calendar'
import { allergensOf, type MixState, type SiteSet } from '@tadka/core/house'
import { lastRead, rerunDays, rerunStands, type RerunState, type RerunTakenBack } from '@tadka/core/rerun'
import { modelCode } from '@tadka/core/rules'
import type { TemperatureReading } from '@tadka/core/quantity'
import type { AnyDraft } from '@tadka/core/stream'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { useUnits } from '../site/units.ts'

/** Kept mix: what stands on each container, whether it may be used, and what becomes of it. */
export function useReruns() {
  const { t } = useI18n()
  const site = useSite()
  const names = useNames()
  const units = useUnits()
  const { date } = useTimes()
  const { today } = useProcedures()

  const mixesOf = (ids: readonly string[]): (MixState | null)[] => ids.map((id) => site.one('mix', id))
  const dayBegan = computed(() =>
    site.set && 'hours' in site.set ? boundsOfDay(site.set as SiteSet, today.value).from : 0,
  )
  const stands = (r: RerunState) => rerunStands(r, mixesOf(r.mixes ?? []), today.value, dayBegan.value)
  const limit = computed(() => units.limit(modelCode.coldHolding.temperature.c))
  const subject = (id: string) => ({ kind: 'rerun', id }) as const

  function containsOf(ids: readonly string[]): string {
    const known = allergensOf(mixesOf(ids))
    if (known === null) return t('rerun.allergensUnknown')
    if (known.length === 0) return t('rerun.containsNone')
    return t('rerun.contains', { list: known.map((a) => t(`rerun.allergen.${a}`)).join(', ') })
  }
  return {
    today,
    /** Mixes that can be chosen. */
    mixes: computed(() => site.all('mix').filter((m) => m.name)),
    open: computed(() => site.all('rerun').filter((r) => r.keptAt !== null && r.ended === null)),
    mixesOf,
    stands,
    nameOf: (ids: readonly string[]) => ids.map(names.mix).join(' + ') || t('rerun.unnamed'),
    containsOf,
    /** What is written on the container. */
    labelOf: (
      r: Pick<RerunState, 'mixes' | 'since' | 'useBy'> & { readonly read: TemperatureReading | null },
    ): string[] => [
      r.mixes?.map(names.mix).join(' + ') || t('rerun.unnamed'),
      containsOf(r.mixes ?? []),
      [t('rerun.drawn', { day: date(r.since ?? '') }), r.read ? `${r.read.value} ${r.read.unit}` : '']
        .filter(Boolean)
        .join(', '),
      t('rerun.useBy', { day: date(r.useBy ?? '') }),
    ],
    say: (r: RerunState): string => {
      const now = stands(r)
      if (now.is === 'throw-out') return t(`rerun.stands.${now.why}`, { limit: limit.value })
      return now.is === 'gone' ? '' : t(`rerun.stands.${now.is}`)
    },
    lastOf: (r: RerunState) => {
      const c = lastRead(r)
      return c === null ? '' : units.temperature(c)
    },
    /** How long what is drawn today is kept. */
    daysFor: (ids: readonly string[], older: readonly string[]) =>
      rerunDays(
        today.value,
        mixesOf(ids),
        older.flatMap((id) => site.one('rerun', id) ?? []),
        site.set?.rerunDays ?? null,
      ),
    read: (r: RerunState, read: TemperatureReading) => site.record('rerun.read@1', subject(r.id), { read }),
    throwOut: (r: RerunState, reason: string) =>
      site.record('rerun.ended@1', subject(r.id), {
        how: 'thrown-out',
        into: null,
        run: null,
        step: null,
        reason,
      }),
    usedDraft: (r: RerunState, into: string, by: RerunTakenBack): AnyDraft =>
      site.draftOf('rerun.ended@1', subject(r.id), { how: 'used', into, ...by, reason: '' }),
  }
}
