<script setup lang="ts">
import type { SiteKept } from '@tadka/core/house'
import { NInput } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'

/** Whose number the hardness is: the site's, with its date; or one measured now, and with what. */
defineProps<{ water: SiteKept['water'] | null; measured: boolean }>()
const measuredWith = defineModel<string>({ required: true })
const { t } = useI18n()
const { date } = useTimes()
</script>

<template>
  <div class="hardness">
    <label v-if="measured" class="small">
      {{ t('bench.hardnessWith') }}
      <n-input v-model:value="measuredWith" placeholder="" maxlength="80" />
    </label>
    <p v-else-if="water" class="quiet small">
      {{ t('bench.hardnessOf', { date: date(water.at), with: water.with }) }}
    </p>
  </div>
</template>

<style scoped>
.hardness {
  margin-bottom: 12px;
}
</style>
