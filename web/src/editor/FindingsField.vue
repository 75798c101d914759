<script setup lang="ts">
import { isJudged, stepsOf, type Branch, type Node } from '@tadka/core/procedure'
import { NSelect } from 'naive-ui'
import { computed, inject, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { mayEdit } from './editing.ts'

/** After which findings the steps of a branch are done: the look, check or reading that finds, and what it found. */
const props = defineProps<{ label: string; nodes: readonly Node[] }>()
const value = defineModel<Pick<Branch, 'on' | 'is' | 'chose'>>({ required: true })
const { t } = useI18n()
const may = inject(mayEdit, ref(true))

const finders = computed(() =>
  stepsOf(props.nodes).filter(
    (s) => s.kind === 'inspect' || s.kind === 'check' || (s.kind === 'read' && isJudged(s)),
  ),
)
const finder = computed(() => finders.value.find((s) => s.id === value.value.on) ?? null)
const choices = computed(() => (finder.value?.kind === 'inspect' ? finder.value.choices : []))
const outcomes = computed<readonly Branch['is'][number][]>(() => {
  if (finder.value?.kind === 'inspect') return [...new Set(choices.value.map((c) => c.outcome))]
  return finder.value ? ['in', 'too-close', 'out', 'cannot-tell'] : []
})
const withChosen = (chose: readonly string[]) => {
  const { chose: _, ...rest } = value.value
  value.value = chose.length > 0 ? { ...rest, chose } : rest
}
const toggled = <T,>(all: readonly T[], one: T) =>
  all.includes(one) ? all.filter((x) => x !== one) : [...all, one]
</script>

<template>
  <div role="group" :aria-label="props.label">
    <n-select
      :disabled="!may"
      :value="finder ? value.on : null"
      :options="finders.map((s) => ({ value: s.id, label: s.title }))"
      :aria-label="t('editor.findsWhat')"
      :placeholder="t('editor.findsWhat')"
      :virtual-scroll="false"
      @update:value="(on: string) => (value = { on, is: [] })"
    />
    <p v-if="finders.length === 0" class="quiet small">{{ t('editor.nothingFinds') }}</p>
    <div class="choices">
      <button
        v-for="o in outcomes"
        :key="o"
        type="button"
        :aria-pressed="value.is.includes(o)"
        @click="value = { ...value, is: toggled(value.is, o) }"
      >
        {{ t(`editor.outcome.${o}`) }}
      </button>
    </div>
    <template v-if="choices.length > 0">
      <span class="small quiet">{{ t('editor.orExactly') }}</span>
      <div class="choices">
        <button
          v-for="c in choices"
          :key="c.id"
          type="button"
          :aria-pressed="value.chose?.includes(c.id) ?? false"
          @click="withChosen(toggled(value.chose ?? [], c.id))"
        >
          {{ c.name }}
        </button>
      </div>
    </template>
  </div>
</template>

<style scoped src="../pieces/toggles.css"></style>
