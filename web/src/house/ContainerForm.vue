<script setup lang="ts">
import { millilitres } from '@tadka/core/quantity'
import { NButton, NInput, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import { useUnits } from '../site/units.ts'
import { parseField } from '../pieces/field.ts'
import { rightNow } from '../wire/clock.ts'
import type { Product } from '../site/kit.ts'

/** A container opened today: its dates, for the warnings that age brings. */
const props = defineProps<{ product: Product }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const site = useSite()
const message = useMessage()
const units = useUnits()
const large = computed(() => units.typed('litres'))
const bestBefore = ref('')
const days = ref('')
const holds = ref('')
const lot = ref('')
const holdsRead = computed(() =>
  holds.value.trim() === '' ? null : parseField(holds.value, { positive: true }),
)
const daysRead = computed(() =>
  days.value.trim() === '' ? null : parseField(days.value, { positive: true }),
)

function keep(): void {
  if (daysRead.value?.fault || holdsRead.value?.fault) return
  const typed = holdsRead.value?.value ?? null
  const at = Date.parse(bestBefore.value)
  site.record(
    'concentrate.opened@1',
    { kind: 'product', id: props.product.id },
    {
      product: props.product.id,
      openedAt: rightNow(),
      bestBefore: Number.isNaN(at) ? null : at,
      daysOnceOpen: daysRead.value?.value ?? null,
      ...(lot.value.trim() === '' ? {} : { lot: lot.value.trim() }),
      ...(typed === null ? {} : { holds: millilitres(large.value.kept(typed) * 1000) }),
    },
  )
  message.success(t('house.saved'))
  emit('close')
}
</script>

<template>
  <form @submit.prevent="keep">
    <label>
      {{ t('house.container.bestBefore') }}
      <n-input v-model:value="bestBefore" placeholder="" :input-props="{ type: 'date' }" />
    </label>
    <label>
      {{ t('house.container.lot') }}
      <n-input v-model:value="lot" placeholder="" maxlength="40" />
    </label>
    <label>
      {{ t('house.container.days') }}
      <n-input v-model:value="days" placeholder="" />
      <span v-if="daysRead?.fault" class="fault" role="alert">{{ t(`bench.${daysRead.fault}`) }}</span>
    </label>
    <label>
      {{ t('house.container.holds', { unit: large.unit }) }}
      <n-input v-model:value="holds" placeholder="" />
      <span v-if="holdsRead?.fault" class="fault" role="alert">{{ t(`bench.${holdsRead.fault}`) }}</span>
    </label>
    <n-button type="primary" attr-type="submit">{{ t('house.container.keep') }}</n-button>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 10px;
  margin-top: 10px;
}
label {
  font-weight: 600;
  color: var(--ink-2);
}
.fault {
  color: var(--out);
}
</style>
