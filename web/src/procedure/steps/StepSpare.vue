<script setup lang="ts">
import type { Facts, StationState } from '@tadka/core/procedure'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSpares } from '../../site/spares.ts'

/** Something is built in that comes off the shelf: which it was, so that the shelf and the machine's log both know. */
const props = defineProps<{ station: StationState; blocked: boolean }>()
const emit = defineEmits<{ done: [facts: Facts, ...with_: AnyDraft[]] }>()
const { t } = useI18n()
const { optionsFor, drawn } = useSpares()

const none = ''
const options = computed(() => [...optionsFor(props.station), { label: t('run.spare.none'), value: none }])
const chosen = ref<string | null>(null)
function done(): void {
  const spare = chosen.value
  if (spare === null) return
  if (spare === none) emit('done', {})
  else emit('done', { spare }, drawn(spare, props.station.id, 1))
}
</script>

<template>
  <div class="spare">
    <label>
      {{ t('run.spare.which') }}
      <n-select
        v-model:value="chosen"
        size="large"
        :options="options"
        :placeholder="t('run.spare.choose')"
        :aria-label="t('run.spare.which')"
        :virtual-scroll="false"
      />
    </label>
    <div class="act">
      <n-button type="primary" class="big" :disabled="blocked || chosen === null" @click="done">{{
        t('run.done')
      }}</n-button>
      <p v-if="chosen === null" class="quiet">{{ t('run.spare.first') }}</p>
    </div>
  </div>
</template>

<style scoped src="../run-step.css"></style>

<style scoped>
.spare {
  flex: 1 0 auto;
  display: flex;
  flex-direction: column;
  margin-top: 14px;
}
label {
  max-width: 420px;
  font-weight: 600;
  color: var(--ink-2);
}
</style>
