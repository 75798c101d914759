<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import NumberField from '../pieces/NumberField.vue'
import { useAreas } from '../site/areas.ts'
import DraftRow from './DraftRow.vue'
import { within, type TradeDraft } from './trade-draft.ts'

/** Minutes between areas that lie apart: the plan gives people the time to walk. */
const draft = defineModel<TradeDraft>({ required: true })
defineProps<{ may: boolean }>()
const { t } = useI18n()
const { areas, options } = useAreas()
</script>

<template>
  <template v-if="areas.length > 1 || draft.walks.length > 0">
    <h2>{{ t('house.trading.walks') }}</h2>
    <p class="quiet small">{{ t('house.trading.walksHow') }}</p>
    <ul>
      <draft-row
        v-for="(w, i) in draft.walks"
        :key="i"
        :may="may"
        columns="1fr 1fr 150px"
        :remove="`${t('house.trading.remove')} ${w.between.join(' – ')}`"
        @remove="draft.walks.splice(i, 1)"
      >
        <label v-for="end in [0, 1] as const" :key="end"
          >{{ t(end === 0 ? 'house.trading.walkFrom' : 'house.trading.walkTo') }}
          <n-select v-model:value="w.between[end]" :options="options" :disabled="!may" size="large" />
        </label>
        <label
          >{{ t('house.trading.walkMinutes') }}
          <number-field v-model="w.minutes" v-bind="within.walk" :disabled="!may" />
        </label>
      </draft-row>
    </ul>
    <n-button
      v-if="may"
      size="large"
      @click="draft.walks.push({ between: [areas[0] ?? null, areas[1] ?? null], minutes: 2 })"
      >{{ t('house.trading.addWalk') }}</n-button
    >
  </template>
</template>
