<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { weekOf } from './countries.ts'
import type { FoundDraft } from './found-draft.ts'
import { readHours, showLocalTime } from '../site/local-time.ts'
import { hasTwelveHours } from '@tadka/words/times'
import TextField from '../pieces/TextField.vue'
import { computed } from 'vue'

/** When the site opens and closes, and the weekdays on which it does not. */
const draft = defineModel<FoundDraft>({ required: true })
defineProps<{ hours: string; week: string }>()
const { t } = useI18n()
const read = computed(() => readHours(draft.value.open, draft.value.close))
const twelve = computed(() => hasTwelveHours(draft.value.country ?? undefined))
const trades = computed(() =>
  read.value
    ? t(twelve.value ? 'first.trades12' : 'first.trades', {
        open: showLocalTime(read.value.open, twelve.value),
        close: showLocalTime(read.value.close, twelve.value),
      })
    : '',
)
const days = computed(() => weekOf(draft.value.country))
const isClosed = (day: number) => draft.value.closedOn.includes(day)
function turn(day: number): void {
  draft.value.closedOn = isClosed(day)
    ? draft.value.closedOn.filter((d) => d !== day)
    : [...draft.value.closedOn, day]
}
</script>

<template>
  <div class="hours">
    <text-field v-model="draft.open" :name="t('first.opens')" :example="twelve ? '6:00 AM' : '6:00'" large />
    <text-field
      v-model="draft.close"
      :name="t('first.closes')"
      :example="twelve ? '10:30 PM' : '22:30'"
      large
    />
    <p class="quiet">
      <span v-if="hours" class="fault" role="alert">{{ hours }}</span>
      <template v-else>{{ trades }}</template>
    </p>
    <div class="days" role="group" :aria-label="t('first.days')">
      <span class="name">{{ t('first.days') }}</span>
      <button v-for="day in days" :key="day" type="button" :aria-pressed="!isClosed(day)" @click="turn(day)">
        {{ t(`house.trading.weekday.${day}`) }}
        <span class="small">{{ isClosed(day) ? t('first.closed') : t('first.open') }}</span>
      </button>
      <p v-if="week" class="fault" role="alert">{{ week }}</p>
    </div>
  </div>
</template>

<style scoped>
.hours {
  display: grid;
  grid-template-columns: 160px 160px 1fr;
  gap: 14px 24px;
  align-items: end;
}
.days {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.days .name,
.days .fault {
  flex: 1 0 100%;
}
button {
  min-height: 64px;
  min-width: 104px;
  padding: 6px 10px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--paper);
  font-weight: 600;
  cursor: pointer;
}
button span {
  display: block;
  font-weight: 400;
}
button[aria-pressed='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
}
@media (max-width: 760px) {
  .hours {
    grid-template-columns: 1fr 1fr;
  }
  .hours > p {
    grid-column: 1 / -1;
  }
}
</style>
