<script setup lang="ts">
import { dateAfter } from '@tadka/core/calendar'
import { NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import DayField from '../pieces/DayField.vue'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'

/** Whose something is, and by when. */
const owner = defineModel<string | null>('owner', { required: true })
const due = defineModel<string>('due', { required: true })
const { t } = useI18n()
const site = useSite()
const { today } = useProcedures()
const people = computed(() =>
  site
    .all('crew')
    .flatMap((c) => (c.name && !c.left && c.role !== 'inspector' ? [{ label: c.name, value: c.id }] : []))
    .toSorted((a, b) => a.label.localeCompare(b.label)),
)
const dayOf = computed(() => ({
  today: today.value,
  tomorrow: dateAfter(today.value, 1),
  week: dateAfter(today.value, 7),
}))
const days = ['today', 'tomorrow', 'week', 'other'] as const
const isOther = ref(!Object.values(dayOf.value).includes(due.value))
const chosen = computed({
  get: () => {
    const named = days.find((d) => d !== 'other' && dayOf.value[d] === due.value)
    return isOther.value ? 'other' : (named ?? 'other')
  },
  set: (day) => {
    isOther.value = day === 'other'
    if (day !== 'other') due.value = dayOf.value[day]
  },
})
</script>

<template>
  <div class="fields">
    <label>
      {{ t('task.owner') }}
      <n-select
        v-model:value="owner"
        :options="people"
        clearable
        size="large"
        :placeholder="t('task.anybody')"
        :aria-label="t('task.owner')"
      />
    </label>
    <choice-pick
      v-model="chosen"
      named
      :label="t('task.due')"
      :choices="days.map((d) => ({ value: d, text: t(`task.day.${d}`) }))"
    />
    <day-field v-if="chosen === 'other'" v-model="due" :label="t('task.due')" :min="today" />
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 14px;
}
label {
  display: grid;
  gap: 6px;
  font-weight: 600;
}
</style>
