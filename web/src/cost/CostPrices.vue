<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import NumberField from '../pieces/NumberField.vue'
import { useSiteSet } from '../site/site-set.ts'
import { useUnits } from '../site/units.ts'

/** What an hour's work and water cost here. */
const { t } = useI18n()
const units = useUnits()
const { kept, may, set } = useSiteSet()
const hour = ref<number | null>(kept.value?.prices?.hour ?? null)
/** Water is sold by the site's own measure: litres in one of them. */
const litres = units.typed('litres')
const each = litres.kept(1)
const perThousand = kept.value?.prices?.water
const water = ref<number | null>(perThousand === undefined ? null : decimalNumber(perThousand * each))
function decimalNumber(n: number): number {
  return Math.round(n * 1e4) / 1e4
}
const waterName = computed(() => t('cost.water1000', { unit: litres.unit }))
const isWrong = computed(() => Number.isNaN(hour.value) || Number.isNaN(water.value))
function keep(): void {
  if (isWrong.value) return
  set({
    prices: {
      ...(hour.value === null ? {} : { hour: hour.value }),
      ...(water.value === null ? {} : { water: water.value / each }),
    },
  })
}
</script>

<template>
  <form v-if="may" @submit.prevent="keep">
    <h2 class="label">{{ t('cost.prices') }}</h2>
    <label>
      {{ t('cost.hour') }}
      <number-field v-model="hour" :min="0" :max="999999" :label="t('cost.hour')" />
    </label>
    <label>
      {{ waterName }}
      <number-field v-model="water" :min="0" :max="999999" :label="waterName" />
    </label>
    <n-button attr-type="submit" :disabled="isWrong">{{ t('cost.save') }}</n-button>
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
