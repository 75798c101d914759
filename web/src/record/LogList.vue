<script setup lang="ts">
import { dayOf } from '@tadka/core/calendar'
import type { SiteSet } from '@tadka/core/house'
import { instant } from '@tadka/core/quantity'
import { correctedAt, type SubjectRef } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import FindBar from './FindBar.vue'
import { useFind } from './find.ts'
import { everyRack, logFilters, typesOf, useLog, type LogFilterName, type LogRecord } from './log.ts'
import LogRow from './LogRow.vue'

/** The records, newest first, a page at a time, by trading days; of one kind, or all. */
const props = defineProps<{
  /** What they are about; absent: everything, or one run by the address. */ of?: SubjectRef
  /** Looked through by who, where, when and words, as the address says. */ finds?: boolean
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
const { asked, isAsked, query, look, counts, counting, clear } = useFind()
const own = ref<LogFilterName>('all')
const filter = computed<LogFilterName>(() =>
  props.finds ? (logFilters.find((f) => f === asked.value.kind) ?? 'all') : own.value,
)
const run = computed(() => (props.finds && asked.value.run ? asked.value.run : null))
if (props.finds) counting()
/** How many there are of one kind. */
const countOf = (name: LogFilterName) => {
  const types = counts.value?.types
  if (!props.finds || !types || run.value) return ''
  const racks = everyRack.split(',')
  const listed = typesOf[name]?.split(',') ?? Object.keys(types).filter((type) => !racks.includes(type))
  return ` (${listed.reduce((n, type) => n + (types[type] ?? 0), 0)})`
}
const about = computed(() => props.of ?? (run.value ? ({ kind: 'run', id: run.value } as const) : null))
const { records, cases, more, loading, failed, amendments, older } = useLog(
  filter,
  about,
  computed(() => (props.finds ? query.value : {})),
)

const open = ref<string | null>(null)
const isNewDay = (i: number) => {
  const [here, before] = [records.value[i], records.value[i - 1]]
  return here !== undefined && (before === undefined || dayAt(here) !== dayAt(before))
}
function choose(name: LogFilterName): void {
  if (props.finds) look({ kind: name === 'all' ? '' : name, run: '' })
  else own.value = name
}
</script>

<template>
  <find-bar v-if="finds" :asked="asked" :counts="counts" :is-asked="isAsked" @look="look" @clear="clear" />
  <div class="filters tabs" role="group" :aria-label="t('place.log')">
    <button
      v-for="f in logFilters"
      :key="f"
      type="button"
      :aria-pressed="filter === f && !run"
      @click="choose(f)"
    >
      {{ t(`log.${f}`) }}{{ countOf(f) }}
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
    <h2>{{ failed ? t('log.unreachable') : isAsked && finds ? t('log.find.none') : t('log.empty') }}</h2>
    <p v-if="!failed && !isAsked" class="quiet">{{ t('log.emptyHow') }}</p>
  </div>
  <n-button v-if="more" class="older" :loading="loading" @click="older">{{ t('log.older') }}</n-button>
</template>

<style scoped src="../pieces/tabs.css" />
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
