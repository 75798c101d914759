<script setup lang="ts">
import type { InstrumentSet } from '@tadka/core/record'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../look/times.ts'
import { useSite } from '../record/site.ts'

const { t } = useI18n()
const site = useSite()
const { date } = useTimes()

function told(i: InstrumentSet): string {
  if (i.kind === 'strip')
    return t('house.stripBlocks', { list: i.blocks.join(' / '), unit: i.unit, date: date(i.bestBefore) })
  if (i.kind === 'thermometer')
    return t('house.accuracy', { value: i.accuracy, unit: i.unit, date: date(i.checkDue) })
  return t('house.toolMarks', { capacity: i.capacity, graduation: i.graduation, error: i.error })
}
const all = () => site.all('instrument').filter((i): i is InstrumentSet & { id: string } => 'kind' in i)
</script>

<template>
  <ul>
    <li v-for="i in all()" :key="i.id">
      <b>{{ i.name }}</b>
      <span class="quiet">{{ told(i) }}</span>
      <span v-if="i.kind === 'strip'" class="card" aria-hidden="true">
        <i v-for="c in i.colours" :key="c" :style="{ background: c }" />
      </span>
    </li>
  </ul>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 260px 1fr auto;
  gap: 24px;
  align-items: center;
  min-height: 60px;
  border-bottom: 1px solid var(--line-soft);
}
.card {
  display: flex;
  gap: 4px;
}
.card i {
  width: 26px;
  height: 26px;
  border-radius: 3px;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr;
    gap: 4px;
    padding: 10px 0;
  }
}
</style>
