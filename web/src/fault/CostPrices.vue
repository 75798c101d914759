<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import NumberField from '../pieces/NumberField.vue'
import { useSiteSet } from '../site/site-set.ts'

/** What an hour's work and water cost here. */
const emit = defineEmits<{ kept: [] }>()
const { t } = useI18n()
const { kept, may, set } = useSiteSet()
const hour = ref<number | null>(kept.value?.prices?.hour ?? null)
const water = ref<number | null>(kept.value?.prices?.water ?? null)
const isWrong = computed(() => Number.isNaN(hour.value) || Number.isNaN(water.value))
function keep(): void {
  if (isWrong.value) return
  set({
    prices: {
      ...(hour.value === null ? {} : { hour: hour.value }),
      ...(water.value === null ? {} : { water: water.value }),
    },
  })
  emit('kept')
}
</script>

<template>
  <form v-if="may" @submit.prevent="keep">
    <h2 class="label">{{ t('fault.cost.prices') }}</h2>
    <label>
      {{ t('fault.cost.hour') }}
      <number-field v-model="hour" :min="0" :max="999999" :label="t('fault.cost.hour')" />
    </label>
    <label>
      {{ t('fault.cost.m3') }}
      <number-field v-model="water" :min="0" :max="999999" :label="t('fault.cost.m3')" />
    </label>
    <n-button attr-type="submit" :disabled="isWrong">{{ t('fault.cost.save') }}</n-button>
  </form>
</template>

<style scoped>
form {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 20px;
  align-items: end;
}
h2 {
  flex: 1 0 100%;
}
label {
  font-weight: 600;
}
</style>
