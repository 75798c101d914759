<script setup lang="ts">
import { labPayloads } from '@tadka/contract/lab'
import { countedGerms, sampleUnits, type SampleFound, type SampleStands } from '@tadka/core/lab'
import { judgedQuantities } from '@tadka/core/rules'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import { listRows } from '../pieces/list-rows.ts'
import NumberField from '../pieces/NumberField.vue'
import PhotoPick from '../site/PhotoPick.vue'
import { useSite } from '../site/site.ts'

/** The numbers of a laboratory's report, as it writes them. */
const props = defineProps<{ sample: SampleStands }>()
const emit = defineEmits<{ made: [draft: AnyDraft]; cancel: [] }>()
const { t } = useI18n()
const site = useSite()
type Typed = {
  readonly of: SampleFound['of'] | null
  readonly value: number | null
  readonly bound: 'exactly' | 'less' | 'more'
  readonly unit: SampleFound['unit'] | null
}
const nothing: Typed = { of: null, value: null, bound: 'exactly', unit: null }
const typed = ref<Typed[]>(
  props.sample.result?.found.map((f) => ({ ...f, bound: f.bound ?? 'exactly' })) ?? [nothing],
)
const report = ref<string | null>(props.sample.result?.report ?? null)
const { change, add, drop } = listRows(typed)
const unitsOf = (of: Typed['of']) => {
  const named: readonly string[] = of === null ? [] : judgedQuantities[of]
  return sampleUnits.filter((u) => named.includes(u))
}
const result = computed(() => {
  const found = typed.value.map((f) => ({ ...f, bound: f.bound === 'exactly' ? null : f.bound }))
  return labPayloads['sample.result@1'].safeParse({ found, report: report.value }).data ?? null
})
function keep(): void {
  if (result.value)
    emit('made', site.record('sample.result@1', { kind: 'sample', id: props.sample.id }, result.value))
}
</script>

<template>
  <form class="inner" @submit.prevent="keep">
    <fieldset v-for="(f, i) in typed" :key="i">
      <legend>{{ t('lab.found') }}</legend>
      <choice-pick
        :model-value="f.of"
        :label="t('lab.found')"
        :choices="countedGerms.map((g) => ({ value: g, text: t(`lab.of.${g}`) }))"
        @update:model-value="(of) => change(i, { of, unit: null })"
      />
      <choice-pick
        :model-value="f.bound"
        :label="t('lab.value')"
        :choices="
          (['exactly', 'less', 'more'] as const).map((b) => ({ value: b, text: t(`lab.bound.${b}`) }))
        "
        @update:model-value="(bound) => change(i, { bound: bound ?? 'exactly' })"
      />
      <label>
        {{ t('lab.value') }}
        <number-field
          :model-value="f.value"
          :min="0"
          :max="1000000000"
          :label="t('lab.value')"
          @update:model-value="(value) => change(i, { value })"
        />
      </label>
      <choice-pick
        v-if="f.of"
        :model-value="f.unit"
        named
        :label="t('lab.unit')"
        :choices="unitsOf(f.of).map((u) => ({ value: u, text: u }))"
        @update:model-value="(unit) => change(i, { unit })"
      />
      <n-button
        v-if="typed.length > 1"
        class="drop"
        :aria-label="t('lab.drop', { n: i + 1 })"
        @click="drop(i)"
        >×</n-button
      >
    </fieldset>
    <n-button v-if="typed.length < 10" class="drop" @click="add(nothing)">{{ t('lab.more') }}</n-button>
    <div class="acts">
      <n-button type="primary" size="large" attr-type="submit" :disabled="!result">{{
        t('lab.keepResult')
      }}</n-button>
      <photo-pick v-model="report" :text="t('lab.report')" :again="t('lab.reportTaken')" />
      <n-button size="large" @click="emit('cancel')">{{ t('common.cancel') }}</n-button>
    </div>
  </form>
</template>

<style scoped src="../pieces/inner-form.css" />
<style scoped>
fieldset {
  border: 0;
  padding: 0 0 10px;
  display: grid;
  gap: 10px;
  border-bottom: 1px solid var(--line-soft);
}
legend {
  font-weight: 600;
}
.drop {
  justify-self: start;
}
</style>
