<script setup lang="ts">
import { dayOf } from '@tadka/core/duty'
import type { SiteSet } from '@tadka/core/house'
import { instant } from '@tadka/core/quantity'
import { correctedAt, type SubjectRef } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { logFilters, useLog, type LogFilterName, type LogRecord } from './log.ts'
import LogRow from './LogRow.vue'

/** The records, newest first, a page at a time, by trading days; of one kind, or all. */
const props = defineProps<{
  /** What they are about; absent: everything, or one run by the address. */ of?: SubjectRef
}>()
const emit = defineEmits<{ amend: [record: LogRecord] }>()
const { t } = useI18n()
const site = useSite()
const { date } = useTimes()
/** One trading day everywhere: a night is not split at midnight. */
const dayAt = (r: LogRecord) => {
  const set = site.set as Partial<SiteSet> | null
  return set?.hours ? dayOf(set as SiteSet, instant(correctedAt(r))) : ''
}
const route = useRoute()
const router = useRouter()

const filter = ref<LogFilterName>('all')
const run = computed(() => (typeof route.query['run'] === 'string' ? route.query['run'] : null))
const about = computed(() => props.of ?? (run.value ? ({ kind: 'run', id: run.value } as const) : null))
const { records, cases, more, loading, failed, amendments, older } = useLog(filter, about)

const open = ref<string | null>(null)
const isNewDay = (i: number) => {
  const [here, before] = [records.value[i], records.value[i - 1]]
  return here !== undefined && (before === undefined || dayAt(here) !== dayAt(before))
}
function choose(name: LogFilterName): void {
  filter.value = name
  if (run.value) void router.replace('/log/entries')
}
</script>

<template>
  <div class="filters" role="group" :aria-label="t('place.log')">
    <button
      v-for="f in logFilters"
      :key="f"
      type="button"
      :aria-pressed="filter === f && !run"
      @click="choose(f)"
    >
      {{ t(`log.${f}`) }}
    </button>
  </div>
  <div class="more"><slot /></div>
  <ol v-if="records.length > 0">
    <template v-for="(r, i) in records" :key="r.id">
      <li v-if="isNewDay(i) && dayAt(r)" class="day">{{ date(dayAt(r)) }}</li>
      <log-row
        :record="r"
        :amendment="amendments.get(r.id) ?? null"
        :case-opened="cases[r.id] ?? null"
        :open="open === r.id"
        @toggle="open = open === r.id ? null : r.id"
        @amend="emit('amend', r)"
      />
    </template>
  </ol>
  <p v-else-if="loading" class="empty quiet" role="status">{{ t('log.loading') }}</p>
  <div v-else class="empty">
    <h2>{{ failed ? t('log.unreachable') : t('log.empty') }}</h2>
    <p v-if="!failed" class="quiet">{{ t('log.emptyHow') }}</p>
  </div>
  <n-button v-if="more" class="older" :loading="loading" @click="older">{{ t('log.older') }}</n-button>
</template>

<style scoped>
.filters,
.more {
  display: flex;
  gap: 10px;
  padding: 4px var(--gutter) 0;
  flex-wrap: wrap;
  align-items: center;
}
.more {
  padding-top: 12px;
}
.filters button {
  min-height: 48px;
  padding: 0 16px;
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  font-weight: 600;
  color: var(--ink-2);
  cursor: pointer;
}
.filters button[aria-pressed='true'] {
  color: var(--ink);
  border-bottom-color: var(--sea);
}
ol {
  padding: 0 var(--gutter);
}
.day {
  font-weight: 650;
  padding: 18px 0 6px;
  border-bottom: 2px solid var(--ink);
}
.empty {
  padding: 40px var(--gutter);
}
.older {
  margin: 16px var(--gutter);
}
</style>
