<script setup lang="ts">
import { NButton, NInput, NSelect } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import DayField from '../pieces/DayField.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useDebounceFn } from '@vueuse/core'
import type { Asked, Counts } from './find.ts'

/** Finds in the log: words, station or area, who, verdict, from day to day, with how many there are of each. */
const props = defineProps<{ asked: Asked; counts: Counts | null; isAsked: boolean }>()
const emit = defineEmits<{ look: [change: Partial<Asked>]; clear: [] }>()
const { t } = useI18n()
const site = useSite()
const names = useNames()

/** On a phone the rest of it opens by a tap; where something is looked for it stands open. */
const all = ref(props.isAsked)
const typed = ref(props.asked.words)
watch(
  () => props.asked.words,
  (words) => (typed.value = words),
)
const search = useDebounceFn((words: string) => emit('look', { words: words.trim() }), 350)
const withCount = (name: string, n: number | undefined) => (n === undefined ? name : `${name} (${n})`)
const byName = <T extends { readonly label: string }>(a: T, b: T) => a.label.localeCompare(b.label)

/** Of one machine alone there is nothing to choose. */
const isSeveral = computed(() => site.all('station').filter((s) => s.plate).length > 1)
const stations = computed(() => {
  const all = site.all('station').filter((s) => s.plate)
  const of = (id: string) => (props.counts ? (props.counts.stations[id] ?? 0) : undefined)
  const areas = [...new Set(all.map((s) => s.plate?.place ?? ''))].filter(Boolean).toSorted()
  const inArea = (area: string) => all.filter((s) => s.plate?.place === area)
  return [
    { value: '', label: t('log.find.everywhere') },
    ...areas.map((area) => ({
      value: `area:${area}`,
      label: withCount(
        t('log.find.area', { area }),
        props.counts ? inArea(area).reduce((n, s) => n + (of(s.id) ?? 0), 0) : undefined,
      ),
    })),
    ...all.map((s) => ({ value: s.id, label: withCount(names.station(s.id), of(s.id)) })).toSorted(byName),
  ]
})
const where = computed(() => props.asked.station || (props.asked.area ? `area:${props.asked.area}` : ''))
const lookAt = (value: string) =>
  emit(
    'look',
    value.startsWith('area:') ? { station: '', area: value.slice(5) } : { station: value, area: '' },
  )
const people = computed(() => {
  const counted = Object.entries(props.counts?.people ?? {})
  const chosen = props.asked.person && !counted.some(([id]) => id === props.asked.person)
  const all = chosen ? [...counted, [props.asked.person, 0] as const] : counted
  return [
    { value: '', label: t('log.find.everybody') },
    ...all.map(([id, n]) => ({ value: id, label: withCount(names.person(id), n) })).toSorted(byName),
  ]
})
const verdicts = computed(() => {
  const of = (v: string) => (props.counts ? (props.counts.verdicts[v] ?? 0) : undefined)
  const kinds = ['out', 'too-close', 'cannot-tell', 'in'] as const
  const notIn = props.counts ? kinds.slice(0, 3).reduce((n, v) => n + (of(v) ?? 0), 0) : undefined
  return [
    { value: '', label: t('log.find.anyVerdict') },
    { value: 'not-in', label: withCount(t('log.find.notIn'), notIn) },
    ...kinds.map((v) => ({ value: v as string, label: withCount(t(`verdict.${v}`), of(v)) })),
  ]
})
</script>

<template>
  <div class="find no-print" :class="{ all }" role="search" :aria-label="t('log.find.title')">
    <n-input
      v-model:value="typed"
      class="words"
      :placeholder="t('log.find.words')"
      :input-props="{ 'aria-label': t('log.find.words'), type: 'search' }"
      clearable
      @update:value="search"
    />
    <n-button class="more" :aria-expanded="all" @click="all = !all">{{ t('log.find.more') }}</n-button>
    <n-select
      v-if="isSeveral"
      :value="where"
      :options="stations"
      class="where"
      :virtual-scroll="false"
      :aria-label="t('log.find.station')"
      @update:value="lookAt"
    />
    <n-select
      :value="asked.person"
      :options="people"
      class="who"
      :virtual-scroll="false"
      :aria-label="t('log.find.person')"
      @update:value="(person: string) => emit('look', { person })"
    />
    <n-select
      :value="asked.verdict"
      :options="verdicts"
      :virtual-scroll="false"
      class="verdict"
      :aria-label="t('log.find.verdict')"
      @update:value="(verdict: string) => emit('look', { verdict })"
    />
    <n-select
      :value="asked.only"
      :options="[
        { value: '', label: t('log.find.notOnly') },
        { value: 'late', label: withCount(t('log.find.late'), counts?.only?.late) },
        { value: 'open', label: withCount(t('log.find.open'), counts?.only?.open) },
      ]"
      class="only"
      :virtual-scroll="false"
      :aria-label="t('log.find.only')"
      @update:value="(only: string) => emit('look', { only })"
    />
    <day-field
      v-for="end in ['from', 'to'] as const"
      :key="end"
      named
      optional
      :label="t(`log.find.${end}`)"
      :model-value="asked[end]"
      @update:model-value="(day: string) => emit('look', { [end]: day })"
    />
    <p v-if="asked.only === 'late'" class="span quiet">{{ t('log.find.lateSpan') }}</p>
    <n-button v-if="isAsked" @click="emit('clear')">{{ t('log.find.clear') }}</n-button>
  </div>
</template>

<style scoped>
.find {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  padding: 6px var(--gutter) 0;
}
.find :deep(.n-button),
.find :deep(.n-input),
.find :deep(.n-base-selection) {
  min-height: 48px;
}
.words {
  flex: 1 1 180px;
  max-width: 260px;
}
.where {
  width: 200px;
}
.who {
  width: 150px;
}
.span {
  flex-basis: 100%;
  order: 1;
}
.only {
  width: 190px;
}
.verdict {
  width: 170px;
}
.more {
  display: none;
}
@media (max-width: 760px) {
  .more {
    display: inline-flex;
  }
  .find:not(.all) > :not(.words, .more) {
    display: none;
  }
  .words,
  .where,
  .who,
  .only,
  .verdict {
    width: 100%;
    max-width: none;
    flex-basis: 100%;
  }
}
</style>
