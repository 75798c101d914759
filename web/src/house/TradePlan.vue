<script setup lang="ts">
import { planWishes } from '@tadka/core/house'
import { NInput, NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import NumberField from '../pieces/NumberField.vue'
import { useAreas } from '../site/areas.ts'
import { planningWithin, standing } from './planning-draft.ts'
import type { TradeDraft } from './trade-draft.ts'

/** What a shift's plan is to be like, and what it must keep: who may be alone, who locks up, breaks. */
const draft = defineModel<TradeDraft>({ required: true })
defineProps<{ may: boolean }>()
const { t } = useI18n()
const asks = computed(() => draft.value.planning)
const { options: areas } = useAreas()
const yesNo = computed(() => [
  { value: true, text: t('house.yes') },
  { value: false, text: t('house.no') },
])
</script>

<template>
  <h2>{{ t('house.trading.planning.title') }}</h2>
  <choice-pick
    v-model="asks.wish"
    :label="t('house.trading.planning.wish')"
    named
    :disabled="!may"
    :choices="
      planWishes.map((w) => ({
        value: w,
        text: t(`house.trading.planning.wishes.${w}`),
        note: t(`house.trading.planning.means.${w}`),
      }))
    "
  />
  <choice-pick
    v-model="asks.neverAlone"
    :label="t('house.trading.planning.neverAlone')"
    named
    :disabled="!may"
    :choices="yesNo"
  />
  <choice-pick
    v-model="asks.keys"
    :label="t('house.trading.planning.keys')"
    named
    :disabled="!may"
    :choices="yesNo"
  />
  <p v-if="asks.keys" class="quiet small">{{ t('house.trading.planning.keysHow') }}</p>
  <div class="asks">
    <label
      >{{ t('house.trading.planning.breakHours') }}
      <number-field
        v-model="asks.breakHours"
        v-bind="planningWithin.hours"
        :empty="t('house.trading.planning.noRule')"
        :disabled="!may"
      />
    </label>
    <label
      >{{ t('house.trading.planning.breakMinutes') }}
      <number-field v-model="asks.breakMinutes" v-bind="planningWithin.minutes" :disabled="!may" />
    </label>
    <label
      >{{ t('house.trading.planning.closedBy') }}
      <n-input v-model:value="asks.closedBy" placeholder="24:30" :disabled="!may" size="large" />
    </label>
    <label v-for="thing in standing" :key="thing"
      >{{ t(`house.trading.planning.stands.${thing}`) }}
      <n-select
        v-model:value="asks.placeAreas[thing]"
        :options="areas"
        clearable
        :placeholder="t('house.trading.planning.byMachine')"
        :disabled="!may"
        size="large"
      />
    </label>
  </div>
</template>

<style scoped>
.asks {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 14px;
  margin-top: 10px;
}
</style>
