<script setup lang="ts">
import { unitsFor, type LoggerSummary } from '@tadka/core/logger'
import { decimals } from '@tadka/core/quantity'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'

/** What a file holds: its step, gaps, and the least and most of each column. */
defineProps<{ summary: LoggerSummary }>()
const { t } = useI18n()
const { date, clock } = useTimes()
const lasting = (ms: number) =>
  ms < 120_000
    ? t('logger.seconds', { n: decimals(ms / 1000, 1) })
    : t('logger.minutes', { n: Math.round(ms / 60_000).toLocaleString('en') })
const when = (at: number) => `${date(at)} ${clock(at)}`
</script>

<template>
  <p>
    <template v-if="summary.step !== null"
      >{{ t('logger.step', { step: lasting(summary.step) }) }};
    </template>
    {{
      summary.gaps.count === 0
        ? t('logger.noGaps')
        : t(
            'logger.gaps',
            { n: summary.gaps.count, lasting: lasting(summary.gaps.lasting) },
            summary.gaps.count,
          )
    }}<template v-if="summary.doubled > 0">; {{ t('logger.doubled', { n: summary.doubled }) }}</template>
  </p>
  <ul v-if="summary.gaps.count > 0" class="quiet small">
    <li v-for="g in summary.gaps.longest.slice(0, 3)" :key="g.from">
      {{ t('logger.from') }} {{ when(g.from) }} {{ t('logger.to') }} {{ when(g.to) }}
    </li>
  </ul>
  <dl>
    <template v-for="(c, i) in summary.columns" :key="i">
      <div v-if="unitsFor[c.measures][0] !== 'on/off'">
        <dt>{{ t(`logger.measure.${c.measures}`) }}</dt>
        <dd>
          {{
            c.low === null || c.high === null
              ? t('logger.nothing')
              : t('logger.lowHigh', {
                  low: decimals(c.low, 1),
                  high: decimals(c.high, 1),
                  unit: unitsFor[c.measures][0],
                })
          }}
          <span v-if="c.unread > 0" class="quiet small">{{
            t('logger.unread', { n: c.unread.toLocaleString('en') })
          }}</span>
        </dd>
      </div>
    </template>
  </dl>
</template>

<style scoped>
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 28px;
}
dt {
  color: var(--ink-2);
  font-size: 15px;
}
dd {
  font-weight: 600;
}
</style>
