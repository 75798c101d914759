<script setup lang="ts">
import { labPayloads } from '@tadka/contract/lab'
import { sampleKinds, type SampleKind } from '@tadka/core/lab'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import TextField from '../pieces/TextField.vue'
import { useMachines } from '../site/machines.ts'
import { useSite } from '../site/site.ts'
import { newId } from '../wire/device.ts'

/** A sample was taken: of what, from where, for which laboratory. */
const emit = defineEmits<{ made: [draft: AnyDraft]; cancel: [] }>()
const { t } = useI18n()
const site = useSite()
const { options } = useMachines()
const kind = ref<SampleKind | null>(null)
const station = ref<string | null>(null)
const where = ref('')
const lab = ref(site.all('sample').findLast((s) => s.taken)?.taken?.lab ?? '')
const number = ref('')
const taken = computed(() => {
  const entered = {
    ...{ kind: kind.value, station: station.value, where: where.value.trim() },
    ...{ lab: lab.value.trim(), number: number.value.trim() },
  }
  const isPlaced = station.value !== null || entered.where !== ''
  return isPlaced ? (labPayloads['sample.taken@1'].safeParse(entered).data ?? null) : null
})
function keep(): void {
  if (taken.value) emit('made', site.record('sample.taken@1', { kind: 'sample', id: newId() }, taken.value))
}
</script>

<template>
  <form @submit.prevent="keep">
    <h2>{{ t('lab.new') }}</h2>
    <choice-pick
      v-model="kind"
      named
      :label="t('lab.kind.title')"
      :choices="sampleKinds.map((k) => ({ value: k, text: t(`lab.kind.${k}`) }))"
    />
    <n-select
      v-model:value="station"
      :options="options"
      :virtual-scroll="false"
      clearable
      size="large"
      :placeholder="t('lab.station')"
      :aria-label="t('lab.station')"
    />
    <text-field v-model="where" large :name="t('lab.where')" :example="t('lab.whereLike')" :most="120" />
    <text-field v-model="lab" large :name="t('lab.lab')" :most="80" />
    <text-field v-model="number" large :name="t('lab.number')" :most="40" />
    <div class="acts">
      <n-button type="primary" size="large" attr-type="submit" :disabled="!taken">{{
        t('lab.keep')
      }}</n-button>
      <n-button size="large" @click="emit('cancel')">{{ t('common.cancel') }}</n-button>
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
  max-width: 640px;
}
.acts {
  display: flex;
  gap: 12px;
}
</style>
