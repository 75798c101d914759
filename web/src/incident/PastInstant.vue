<script setup lang="ts">
import { dateAt, instantAt, localTimeAt } from '@tadka/core/calendar'
import { instant } from '@tadka/core/quantity'
import type { SiteSet } from '@tadka/core/house'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import DayField from '../pieces/DayField.vue'
import { readLocalTime } from '../site/local-time.ts'
import { useSite } from '../site/site.ts'
import TimeField from '../site/TimeField.vue'
import { now, rightNow } from '../wire/clock.ts'

/** A day and a time of it, by the clocks of the site, that is not in the future. Null while it is none. */
const at = defineModel<number | null>({ required: true })
defineProps<{ label: string; unnamed?: boolean }>()
const { t } = useI18n()
const site = useSite()
const zone = computed(() => (site.set as SiteSet | null)?.timeZone ?? 'UTC')
const begun = at.value ?? rightNow()
const day = ref(dateAt(instant(begun), zone.value))
const time = ref(localTimeAt(instant(begun), zone.value))
const typed = computed(() => {
  const minutes = readLocalTime(time.value)
  return minutes === null || minutes >= 1440 ? null : instantAt(day.value, time.value, zone.value)
})
const isAhead = computed(() => typed.value !== null && typed.value > now() + 60_000)
watch(
  [typed, isAhead],
  () => (at.value = typed.value === null || isAhead.value ? null : Math.min(typed.value, rightNow())),
  { immediate: true },
)
</script>

<template>
  <fieldset class="past">
    <legend :class="{ 'visually-hidden': unnamed }">{{ label }}</legend>
    <day-field v-model="day" :label="label" :max="dateAt(now(), zone)" />
    <time-field v-model="time" :label="label" />
    <p v-if="isAhead" role="alert" class="wrong">{{ t('incident.ahead') }}</p>
  </fieldset>
</template>

<style scoped>
.past {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
legend {
  font-weight: 600;
  margin-bottom: 4px;
}
.wrong {
  flex-basis: 100%;
  color: var(--out);
  font-weight: 600;
}
.past > :deep(.n-input),
.past > :nth-child(3) {
  width: 130px;
}
</style>
