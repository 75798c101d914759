import { huddleLessons, type HuddleLesson } from '@tadka/core/training'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { nowByMinute } from '../wire/clock.ts'
import { useGaps } from './gaps.ts'
import { useStandings } from './standings.ts'

/** What a shift could be told tonight, and what it was told. */
export function useHuddle() {
  const { t } = useI18n()
  const site = useSite()
  const names = useNames()
  const standings = useStandings()
  const { day } = useTimes()
  const gaps = useGaps(0)

  const held = computed(() => site.all('shift').flatMap((s) => s.huddles ?? []))
  const lessons = computed(() =>
    huddleLessons(
      {
        cases: site.all('case'),
        runs: site.all('run'),
        gaps: gaps.value,
        held: held.value,
      },
      nowByMinute(),
    ),
  )
  const nameOf = ({ topic, procedure }: Pick<HuddleLesson, 'topic' | 'procedure'>) =>
    t(`huddle.name.${topic}`, { procedure: procedure === null ? '' : standings.called(procedure) })
  function whyOf({ wrong, station, people }: HuddleLesson): string {
    if (wrong === null)
      return people.length === 0
        ? t('huddle.nobody')
        : t('huddle.knows', { people: people.map(names.person).join(', ') })
    const told = { n: wrong.times, last: day(wrong.last), station: station ? names.station(station) : '' }
    return t(station ? 'huddle.timesAt' : 'huddle.times', told, wrong.times)
  }
  return { held, lessons, nameOf, whyOf }
}
