<script setup lang="ts">
import { measures, unitsFor, type LoggerGuess, type Measure } from '@tadka/core/logger'
import { decimals } from '@tadka/core/quantity'
import { NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { choose, type LoggerDraft } from './draft.ts'
import FileFault from './FileFault.vue'
import type { Import } from './use-import.ts'

/** The file's columns as they stand in it, what each measured, and the first rows as they will be read. */
const props = defineProps<{ entry: Import; draft: LoggerDraft; guess: LoggerGuess }>()
const { t } = useI18n()
const { date, second } = useTimes()
const shown = 6

const options = computed(() => [
  { value: '', label: t('logger.leaveOut') },
  ...measures.map((value) => ({ value: value as string, label: t(`logger.measure.${value}`) })),
])
const unitsOf = (m: Measure | null) =>
  (m ? unitsFor[m] : []).filter((u) => u !== 'on/off').map((value) => ({ value, label: value }))
// Bound by name: what the form changes is the draft that the file's way in holds.
const columns = computed(() => props.draft.columns)

const preview = props.entry.preview
const read = computed(() => (preview.value && 'at' in preview.value ? preview.value : null))
const refused = computed(() => (preview.value && 'code' in preview.value ? preview.value : null))
/** What each column of the file came to in a row; null where it is left out. */
function valueAt(column: number, row: number): string | null {
  const series = read.value
  const place = props.entry.mapping.value?.columns.findIndex((c) => c.column === column) ?? -1
  const found = series?.columns[place]
  if (!found || row >= series.at.length) return null
  const value = found.values[row] ?? Number.NaN
  const unit = unitsFor[found.measures][0]
  if (Number.isNaN(value)) return '–'
  return unit === 'on/off' ? (value === 1 ? '1' : '0') : `${decimals(value, 2)} ${unit}`
}
const whenAt = (row: number) => {
  const at = read.value?.at[row]
  return at === undefined ? null : `${date(at)} ${second(at)}`
}
const timeCell = (row: readonly string[]) => {
  const { column, clock } = props.draft.time
  return `${row[column] ?? ''}${clock === null ? '' : ` ${row[clock] ?? ''}`}`
}
</script>

<template>
  <div class="scroll" tabindex="0" role="region" :aria-label="t('logger.asRead')">
    <table>
      <thead>
        <tr>
          <th scope="col">{{ t('logger.when') }}</th>
          <th v-for="c in columns" :key="c.column" scope="col">
            <span class="header">{{ c.header || t('logger.column', { n: c.column + 1 }) }}</span>
            <n-select
              :value="c.measures ?? ''"
              :options="options"
              :aria-label="c.header || t('logger.column', { n: c.column + 1 })"
              size="large"
              @update:value="(v: string) => choose(c, v === '' ? null : (v as Measure))"
            />
            <n-select
              v-if="unitsOf(c.measures).length > 0"
              v-model:value="c.unit"
              :options="unitsOf(c.measures)"
              :aria-label="t('logger.unit')"
              :placeholder="t('logger.unit')"
              v-bind="c.unit === null ? { status: 'error' } : {}"
              size="large"
            />
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in guess.sample.slice(0, shown)" :key="i">
          <td>
            <b>{{ whenAt(i) ?? '…' }}</b> <span class="raw">{{ timeCell(row) }}</span>
          </td>
          <td v-for="c in columns" :key="c.column" :class="{ out: c.measures === null }">
            <b v-if="valueAt(c.column, i) !== null">{{ valueAt(c.column, i) }}</b>
            <span class="raw">{{ row[c.column] }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <file-fault v-if="refused" :refused="refused" />
</template>

<style scoped>
.scroll {
  overflow-x: auto;
  margin: 10px 0;
}
table {
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 5px 18px 5px 0;
  border-bottom: 1px solid var(--line-soft);
  white-space: nowrap;
}
th {
  min-width: 190px;
  font-weight: 600;
  color: var(--ink-2);
}
th .n-select {
  margin-top: 4px;
  font-weight: 400;
}
.header {
  display: block;
  max-width: 240px;
  overflow: hidden;
  text-overflow: ellipsis;
}
.raw {
  color: var(--ink-2);
  font-size: 15px;
  margin-left: 8px;
}
.out .raw {
  margin-left: 0;
}
</style>
