<script setup lang="ts">
import { NInputNumber } from 'naive-ui'
import { useI18n } from 'vue-i18n'

/** How many guests a rush brings, 1 being an ordinary one. */
const load = defineModel<number | null>({ required: true })
defineProps<{ disabled: boolean }>()
const { t } = useI18n()
</script>

<template>
  <label
    >{{ t('house.trading.load') }}
    <n-input-number
      v-model:value="load"
      :min="0"
      :max="10"
      :step="0.1"
      :show-button="false"
      :disabled="disabled"
      size="large"
    />
  </label>
</template>
