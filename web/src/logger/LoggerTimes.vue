<script setup lang="ts">
import { timeOrders } from '@tadka/core/logger'
import { NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import NumberField from '../pieces/NumberField.vue'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useSite } from '../site/site.ts'
import type { LoggerDraft } from './draft.ts'
import type { Import } from './use-import.ts'
import { zoneChoices } from './zones.ts'

/** What the logger was on, how its times and numbers are written, and how well it reads. */
const props = defineProps<{ entry: Import; draft: LoggerDraft }>()
const { t } = useI18n()
const site = useSite()
const stations = computed(() =>
  site
    .all('station')
    .map((s) => ({ label: s.plate?.name ?? s.id, value: s.id }))
    .toSorted((a, b) => a.label.localeCompare(b.label)),
)
const orders = computed(() => timeOrders.map((value) => ({ value, label: t(`logger.order.${value}`) })))
const here = computed(() => site.set?.timeZone ?? 'UTC')
const zones = computed(() =>
  zoneChoices(here.value).map(({ kind, value }) => ({
    value,
    label:
      kind === 'here'
        ? t('logger.zoneHere', { zone: value })
        : kind === 'winter'
          ? t('logger.zoneWinter', { offset: value })
          : value,
  })),
)
const headers = computed(() => props.entry.guess.value?.headers ?? [])
const columns = computed(() =>
  headers.value.map((h, value) => ({ value, label: h || t('logger.column', { n: value + 1 }) })),
)
const clocks = computed(() => [{ value: -1, label: t('logger.sameColumn') }, ...columns.value])
const marks = computed(() => [
  { value: '.' as const, text: t('logger.point') },
  { value: ',' as const, text: t('logger.comma') },
])
// Bound by name: what the form changes is the draft that the file's way in holds.
const draft = computed(() => props.draft)
const station = props.entry.station
const rides = computed(() => props.draft.columns.some((c) => c.measures === 'ware'))
</script>

<template>
  <div class="fields">
    <label
      >{{ t('logger.station') }}
      <n-select v-model:value="station" :options="stations" filterable size="large"
    /></label>
    <label
      >{{ t('logger.timeColumn') }}
      <n-select v-model:value="draft.time.column" :options="columns" size="large"
    /></label>
    <label
      >{{ t('logger.clockColumn') }}
      <n-select
        :value="draft.time.clock ?? -1"
        :options="clocks"
        size="large"
        @update:value="(v: number) => (draft.time.clock = v < 0 ? null : v)"
    /></label>
    <label
      >{{ t('logger.times') }}
      <n-select
        v-model:value="draft.time.order"
        :options="orders"
        v-bind="draft.time.order === null ? { status: 'error' } : {}"
        placeholder="?"
        size="large"
    /></label>
    <label v-if="!draft.zoned"
      >{{ t('logger.zone') }}
      <n-select v-model:value="draft.time.zone" :options="zones" filterable size="large"
    /></label>
    <p v-else class="quiet zoned">{{ t('logger.zoned') }}</p>
    <div>
      <span class="name">{{ t('logger.decimal') }}</span>
      <choice-pick v-model="draft.decimal" :label="t('logger.decimal')" :choices="marks" />
    </div>
    <label v-if="rides" class="accuracy"
      >{{ t('logger.accuracy') }}
      <number-field v-model="draft.accuracy" :min="0" :max="10" />
      <span class="quiet small">{{ t('logger.accuracyHow') }}</span>
    </label>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 10px 20px;
  margin-top: 10px;
}
label,
.name {
  display: block;
  font-weight: 600;
  color: var(--ink-2);
}
.accuracy {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}
.accuracy > :deep(.n-input) {
  width: 90px;
}
.zoned {
  align-self: end;
  padding-bottom: 12px;
}
@media (max-width: 900px) {
  .fields {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
@media (max-width: 520px) {
  .fields {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
