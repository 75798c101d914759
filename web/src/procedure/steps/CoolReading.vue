<script setup lang="ts">
import { coolEnoughCelsius, isCoolEnough } from '@tadka/core/procedure'
import { readingInCelsius, showTemperature } from '@tadka/core/quantity'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useUnitSystem } from '../../site/unit-system.ts'
import { parseField } from '../../pieces/field.ts'

/** A machine is cool when its time is over, or a thermometer says so. */
const emit = defineEmits<{ cooled: [celsius: number] }>()
const { t } = useI18n()
const { system, isUs } = useUnitSystem()

const open = ref(false)
const typed = ref('')
const unit = computed(() => (isUs.value ? ('°F' as const) : ('°C' as const)))
const limit = computed(() => {
  const shown = showTemperature(coolEnoughCelsius, system.value)
  return `${shown.value} ${shown.unit}`
})
const read = computed(() => parseField(typed.value))
const celsius = computed(() =>
  read.value.value === null ? null : readingInCelsius({ value: read.value.value, unit: unit.value }),
)
const fault = computed(() => {
  if (typed.value === '') return ''
  if (read.value.fault) return t(`bench.${read.value.fault}`)
  return celsius.value !== null && !isCoolEnough(celsius.value)
    ? t('run.stillHot', { limit: limit.value })
    : ''
})
function keep(): void {
  if (celsius.value !== null && isCoolEnough(celsius.value)) emit('cooled', celsius.value)
}
</script>

<template>
  <n-button v-if="!open" class="alt" @click="open = true">{{ t('run.measureCool') }}</n-button>
  <form v-else class="cool" @submit.prevent="keep">
    <label for="cool">{{ t('run.coolField', { unit, limit }) }}</label>
    <n-input
      v-model:value="typed"
      size="large"
      :placeholder="unit === '°F' ? '105' : '40'"
      :input-props="{ id: 'cool', inputmode: 'decimal' }"
    />
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <n-button class="alt" attr-type="submit" :disabled="celsius === null || fault !== ''">{{
      t('run.saveReading')
    }}</n-button>
    <n-button class="alt" @click="open = false">{{ t('run.keepWaiting') }}</n-button>
  </form>
</template>

<style scoped>
.cool {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: center;
}
label {
  flex-basis: 100%;
  font-weight: 600;
}
.fault {
  flex-basis: 100%;
  color: var(--out);
  font-weight: 600;
}
.n-input {
  width: 140px;
}
</style>
