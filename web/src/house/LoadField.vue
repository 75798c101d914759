<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import NumberField from '../pieces/NumberField.vue'
import { within } from './trade-draft.ts'

/** How many guests a rush brings, 1 being an ordinary one. */
const load = defineModel<number | null>({ required: true })
defineProps<{ disabled: boolean }>()
const { t } = useI18n()
</script>

<template>
  <label
    >{{ t('house.trading.load') }}
    <number-field v-model="load" v-bind="within.load" :disabled="disabled" />
  </label>
</template>
