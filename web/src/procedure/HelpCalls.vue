<script setup lang="ts">
import { openCall, procedureOfRun, type HelpCall, type RunState } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { ring } from './caller.ts'
import { useRunActs } from './run-acts.ts'

/** Who calls for help, on every screen of a lead: station, step and person; and the answer. */
const { t } = useI18n()
const session = useSession()
const site = useSite()
const names = useNames()
const router = useRouter()
const { clock } = useTimes()
const { answerHelp } = useRunActs()

interface Open {
  readonly run: RunState
  readonly call: HelpCall
}
const calls = computed((): Open[] =>
  session.mayDo('close-case')
    ? site.all('run').flatMap((run) => {
        const call = openCall(run)
        return call && call.by !== session.acting?.id ? [{ run, call }] : []
      })
    : [],
)
const said = ({ run, call }: Open) =>
  t('run.help.says', {
    who: names.person(call.by),
    station: names.station(run.station),
    step:
      call.step && procedureOfRun(run) ? names.step(run.id, call.step) : names.procedure(run.procedure.id),
    time: clock(call.at),
  })
function come({ run, call }: Open): void {
  answerHelp(run, call.id)
  void router.push(`/run/${run.id}`)
}
watch(
  () => calls.value.map((c) => c.call.id).join(' '),
  (now, before) => {
    if (now.length > before.length) ring()
  },
)
</script>

<template>
  <div v-for="c in calls" :key="c.call.id" class="call" role="alert">
    <b>{{ said(c) }}</b>
    <n-button type="primary" @click="come(c)">{{ t('run.help.come') }}</n-button>
  </div>
</template>

<style scoped>
.call {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
  justify-content: center;
  padding: 8px var(--gutter);
  background: var(--out-wash);
  border-top: 3px solid var(--out);
}
</style>
