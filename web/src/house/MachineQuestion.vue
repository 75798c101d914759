<script setup lang="ts">
import { optionChange, type Option, type Procedure, type Step } from '@tadka/core/procedure'
import { NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useStateWords } from '../site/state-words.ts'

/** A question on which models and good sites differ: what is usual and why, and which steps another answer changes. */
const props = defineProps<{ option: Option; procedures: readonly Procedure[]; may: boolean }>()
const chosen = defineModel<string>({ required: true })
const { t } = useI18n()
const { withNames } = useStateWords()

const titles = (steps: readonly Step[]) => [...new Set(steps.map((s) => withNames(s.title)))].join('; ')
/** What the chosen answer changes in each procedure, in words. */
const changes = computed(() =>
  props.procedures
    .filter((p) => p.options?.some((o) => o.id === props.option.id))
    .map((p) => {
      const { adds, leavesOut, changes: other } = optionChange(p, props.option.id, chosen.value)
      const said = [
        ...(adds.length > 0 ? [t('practices.adds', { steps: titles(adds) })] : []),
        ...(leavesOut.length > 0 ? [t('practices.leavesOut', { steps: titles(leavesOut) })] : []),
        ...(other.length > 0 ? [t('practices.changes', { steps: titles(other) })] : []),
      ]
      return { name: p.name, said }
    })
    .filter((c) => c.said.length > 0),
)
</script>

<template>
  <div class="question">
    <span>{{ option.question }}</span>
    <n-select
      v-model:value="chosen"
      :options="option.choices.map((c) => ({ label: c.says, value: c.id }))"
      :disabled="!may"
      :aria-label="option.question"
      :virtual-scroll="false"
    />
    <span class="quiet small"
      >{{ t('practices.default') }}: {{ option.choices.find((c) => c.id === option.fallback)?.says }}.
      {{ option.why }}</span
    >
    <ul v-if="changes.length > 0" class="small">
      <li v-for="c in changes" :key="c.name">
        <b>{{ c.name }}.</b> {{ c.said.join(' ') }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
.question {
  display: grid;
  grid-template-columns: 220px 260px 1fr;
  gap: 6px 16px;
  align-items: center;
  margin-bottom: 12px;
  font-weight: 600;
}
.question > .small {
  font-weight: 400;
}
ul {
  grid-column: 2 / -1;
  border-left: 4px solid var(--close);
  padding-left: 12px;
}
@media (max-width: 760px) {
  .question {
    grid-template-columns: 1fr;
  }
  ul {
    grid-column: 1;
  }
}
</style>
