<script setup lang="ts">
import type { IncidentItem, IncidentState } from '@tadka/core/incident'
import type { SiteSet } from '@tadka/core/house'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import TimerFigure from '../pieces/TimerFigure.vue'
import { useSite } from '../site/site.ts'
import WhomToCall from '../site/WhomToCall.vue'
import { now } from '../wire/clock.ts'
import { useIncidents } from './incidents.ts'

/** Eyes or skin are rinsed: the timer runs since it was called. It is said to be done only once its time is over. */
const props = defineProps<{ incident: IncidentState; item: IncidentItem & { is: 'timer' } }>()
const { t } = useI18n()
const site = useSite()
const { did } = useIncidents()
const eyeWash = computed(() => (site.set as Partial<SiteSet> | null)?.eyeWash ?? '')
const ends = computed(() => (props.item.from ?? 0) + (props.item.leastMs ?? 0))
const isOver = computed(() => now() >= ends.value)
</script>

<template>
  <section class="rinse">
    <div>
      <h2>{{ t(isOver ? 'incident.timer.over' : 'incident.timer.left') }}</h2>
      <p v-if="eyeWash" class="where">{{ t('incident.timer.eyeWash', { where: eyeWash }) }}</p>
      <timer-figure :started-at="item.from ?? 0" :ends-at="ends" :now="now()" />
      <n-button type="primary" class="end" :disabled="!isOver" @click="did(incident, { task: item.task })">{{
        t('incident.timer.end')
      }}</n-button>
    </div>
    <whom-to-call />
  </section>
</template>

<style scoped>
.rinse {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
  gap: 28px;
  margin-bottom: 18px;
}
h2 {
  font-size: 34px;
  line-height: 1.1;
}
.where {
  font-size: 20px;
  font-weight: 600;
  margin: 6px 0;
}
.end {
  min-height: 72px;
  min-width: 260px;
  font-size: 22px;
  margin-top: 12px;
}
h2 + .call,
.rinse > :last-child {
  align-content: start;
}
@media (max-width: 760px) {
  .rinse {
    grid-template-columns: 1fr;
  }
}
</style>
