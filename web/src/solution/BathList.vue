<script setup lang="ts">
import { showMinutes } from '@tadka/core/quantity'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSpanWords } from '../pieces/span-words.ts'
import { useTimes } from '../site/times.ts'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useNames } from '../site/names.ts'
import { useUnits } from '../site/units.ts'
import { now } from '../wire/clock.ts'
import BasketTimers from './BasketTimers.vue'
import { useBaths, type StandingBath } from './baths.ts'

/** The baths that stand: what, where, how strong at the last reading, how old. */
/** @prop without stations whose baths are shown elsewhere. */
const props = defineProps<{ without?: readonly string[] }>()
const { t } = useI18n()
const span = useSpanWords()
const units = useUnits()
const names = useNames()
const { clock, day } = useTimes()
const standing = useBaths()
const baths = computed(() => standing.value.filter((b) => !props.without?.includes(b.station ?? '')))
/** What stands out about a bath: to be changed, to be tested, or neither yet. */
function next(b: StandingBath): { text: string; over: boolean } {
  if (b.now.call === 'change') return { text: t('bench.changeNow'), over: true }
  const test = t(`bench.testWhy.${b.due.why}`, { time: clock(b.due.testBy) })
  return { text: test, over: b.now.call === 'test' }
}
/** When it likely falls below its range, with how sure that is. */
function outlook(b: StandingBath): string {
  const { likely, earliest, latest, least, readings } = b.outlook ?? {}
  if (!likely || !earliest) return ''
  const to = latest ? clock(latest) : t('bench.later')
  const told = t(likely <= now() ? 'bench.weakened' : 'bench.weakens', {
    ppm: least ?? 0,
    time: clock(likely),
    from: clock(earliest),
    to,
  })
  return readings === 0 ? `${told} ${t('bench.usually')}` : told
}
const age = (b: StandingBath) =>
  t('bench.age', { time: showMinutes(Math.floor(Math.max(0, now() - b.mixedAt) / 60_000)) })
</script>

<template>
  <ul v-if="baths.length > 0" class="baths">
    <li v-for="b in baths" :key="b.id">
      <div>
        <b>{{ b.name }}</b>
        <p class="quiet small">
          {{ b.productName }}, {{ units.volume(b.volume) }},
          {{
            t('bench.mixedBy', {
              time: `${day(b.mixedAt)} ${clock(b.mixedAt)}`,
              who: names.person(b.mixedBy),
            })
          }}, {{ age(b) }}
        </p>
        <p class="small" :class="{ over: next(b).over }">{{ next(b).text }}</p>
        <p v-if="outlook(b)" class="small">{{ outlook(b) }}</p>
        <basket-timers :bath="b" :spent="b.now.call === 'change'" />
      </div>
      <span v-if="b.lastReading">
        {{ b.lastReading.strength ? span(b.lastReading.strength, 'ppm') : '–' }},
        {{ clock(b.lastReading.at) }}
      </span>
      <span v-else class="quiet">{{ t('bench.neverRead') }}</span>
      <verdict-mark :verdict="b.now.verdict" />
      <router-link :to="{ path: '/bench/check', query: { bath: b.id } }">{{ t('bench.check') }}</router-link>
    </li>
  </ul>
  <div v-else class="empty">
    <h2>{{ t('bench.noBaths') }}</h2>
    <p class="quiet">{{ t('bench.noBathsHow') }}</p>
  </div>
</template>

<style scoped>
.baths {
  padding: 12px var(--gutter);
}
li {
  display: grid;
  grid-template-columns: 1fr 200px 150px 80px;
  gap: 20px;
  align-items: center;
  padding: 12px 0;
  border-bottom: 1px solid var(--line-soft);
}
.over {
  font-weight: 650;
}
a {
  font-weight: 600;
  min-height: 48px;
  display: flex;
  align-items: center;
}
.empty {
  padding: 40px var(--gutter);
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr auto;
  }
}
</style>
