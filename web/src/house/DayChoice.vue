<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { weekdays } from './week.ts'

/** The days of the week that something is on. */
const days = defineModel<number[]>({ required: true })
defineProps<{ disabled: boolean }>()
const { t } = useI18n()
</script>

<template>
  <fieldset>
    <legend>{{ t('house.trading.days') }}</legend>
    <label v-for="d in weekdays" :key="d" class="day">
      <input v-model="days" type="checkbox" :value="d" :disabled="disabled" />
      <span :title="t(`house.trading.weekday.${d}`)">{{ t(`house.trading.weekday.${d}`).slice(0, 2) }}</span>
    </label>
  </fieldset>
</template>

<style scoped>
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  border: 0;
  margin: 0;
  padding: 0;
}
legend {
  padding: 0;
  font-weight: 600;
  color: var(--ink-2);
}
.day {
  position: relative;
}
.day input {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  margin: 0;
  opacity: 0;
  cursor: pointer;
}
.day span {
  display: grid;
  place-items: center;
  width: 52px;
  height: 56px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
}
.day input:checked + span {
  border-color: var(--sea);
  background: var(--sea-wash);
  color: var(--ink);
  font-weight: 700;
  text-decoration: underline 3px var(--sea);
  text-underline-offset: 5px;
}
.day input:focus-visible + span {
  outline: 3px solid var(--sea);
  outline-offset: 2px;
}
</style>
