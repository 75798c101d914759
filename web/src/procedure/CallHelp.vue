<script setup lang="ts">
import { openCall, type RunState } from '@tadka/core/procedure'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { useTimes } from '../site/times.ts'
import { useRunActs } from './run-acts.ts'

/** One tap calls for help from the step at hand; who comes is told. */
const props = defineProps<{ run: RunState; step: string }>()
const { t } = useI18n()
const names = useNames()
const { clock } = useTimes()
const { callHelp } = useRunActs()

const waiting = computed(() => openCall(props.run))
const coming = computed(() => {
  const last = props.run.help?.at(-1)
  return last?.answered && last.step === props.step ? last.answered : null
})
const made = ref<AnyDraft | null>(null)
</script>

<template>
  <span class="help" role="status">
    <template v-if="waiting">
      <b>{{ t('run.help.waiting', { time: clock(waiting.at) }) }}</b>
      <take-back-now v-if="made?.id === waiting.id" :draft="made" @back="made = null" />
    </template>
    <b v-else-if="coming">{{ t('run.help.coming', { who: names.person(coming.by) }) }}</b>
    <n-button v-else @click="made = callHelp(run, step)">{{ t('run.help.call') }}</n-button>
  </span>
</template>

<style scoped>
.help {
  display: inline-flex;
  gap: 10px;
  align-items: center;
}
</style>
