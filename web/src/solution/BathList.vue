<script setup lang="ts">
import { showInterval } from '@tadka/core/quantity'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKit } from '../house/kit.ts'
import { useTimes } from '../look/times.ts'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useNames } from '../record/names.ts'
import { useSite } from '../record/site.ts'
import { volumeWords } from './words.ts'

/** The baths that stand: what, where, how strong at the last reading, how old. */
const { t } = useI18n()
const site = useSite()
const names = useNames()
const kit = useKit()
const { clock, day } = useTimes()
/** The newest in each vessel, sanitizers only: what was mixed there before is gone. */
const baths = computed(() =>
  site
    .all('bath')
    .filter((b) => kit.products.value.find((p) => p.id === b.product)?.agent)
    .toSorted((a, b) => b.mixedAt - a.mixedAt)
    .filter((b, i, all) => all.findIndex((o) => o.station === b.station && o.where === b.where) === i),
)
</script>

<template>
  <ul v-if="baths.length > 0" class="baths">
    <li v-for="b in baths" :key="b.id">
      <div>
        <b>{{ b.station ? names.station(b.station) : b.where }}</b>
        <p class="quiet small">
          {{ b.productName }}, {{ volumeWords(b.volume, site.set?.units) }},
          {{
            t('bench.mixedBy', {
              time: `${day(b.mixedAt)} ${clock(b.mixedAt)}`,
              who: names.person(b.mixedBy),
            })
          }}
        </p>
      </div>
      <span v-if="b.lastReading">
        {{ b.lastReading.strength ? showInterval(b.lastReading.strength) : '–' }} ppm,
        {{ clock(b.lastReading.at) }}
      </span>
      <span v-else class="quiet">{{ t('bench.neverRead') }}</span>
      <verdict-mark :verdict="b.lastReading?.verdict ?? 'cannot-tell'" />
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
