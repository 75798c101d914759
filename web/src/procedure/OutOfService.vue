<script setup lang="ts">
import { openFaults } from '@tadka/core/fault'
import { stepsOf, type StationState } from '@tadka/core/procedure'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import WhomToCall from '../site/WhomToCall.vue'
import { spokenLength } from '@tadka/words/length'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import { useProcedures } from '../site/procedures.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'

/** Machines that are not in service, first of all; and those that were let go on without their whole contact time. */
const props = defineProps<{ stations: readonly StationState[]; plain?: boolean }>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const names = useNames()
const procedures = useProcedures()
const { day, clock } = useTimes()

const stopped = computed(() => props.stations.filter((s) => s.outOfService !== null))
const short = computed(() =>
  props.stations.flatMap((s) =>
    Object.entries(s.notSanitized).map(([procedure, n]) => ({
      key: `${s.id} ${procedure}`,
      said: t('shift.notSanitized', {
        station: names.station(s.id),
        procedure: names.procedure(procedure),
        ms: spokenLength(n.ms),
        least: spokenLength(n.leastMs),
        who: names.person(n.by),
      }),
    })),
  ),
)
/** What an inspection's choice or a part is called, over the procedures of the station. */
function why(s: StationState): string {
  const out = s.outOfService
  if (!out) return ''
  if (out.why === 'reported') return out.what
  const steps = procedures.of(s.plate?.family ?? '').flatMap((p) => stepsOf(p.nodes))
  const part = steps.flatMap((x) => (x.kind === 'parts' ? x.parts : [])).find((p) => p.id === out.what)
  const choice = steps
    .filter((x) => x.id === out.step?.split('.').at(-1))
    .flatMap((x) => (x.kind === 'inspect' ? x.choices : []))
    .find((c) => c.id === out.what)
  return out.why === 'part-missing'
    ? t('shift.partMissing', { part: part?.name ?? out.what })
    : (choice?.name ?? out.what)
}

const faultOf = (id: string) => openFaults(site.all('fault')).find((f) => f.seen.station === id)
const returning = ref<string | null>(null)
const mended = ref('')
const proof = ref('')
const ready = computed(() => mended.value.trim().length > 2 && proof.value.trim().length > 2)
function back(id: string): void {
  if (!ready.value) return
  site.record(
    'station.returned@1',
    { kind: 'station', id },
    { station: id, mended: mended.value.trim(), proof: proof.value.trim() },
  )
  returning.value = null
  mended.value = proof.value = ''
}
</script>

<template>
  <section v-if="stopped.length + short.length > 0" class="out">
    <h2 v-if="stopped.length > 0" class="label">{{ t('shift.outOfService') }}</h2>
    <ul>
      <li v-for="s in stopped" :key="s.id">
        <b>{{ names.station(s.id) }}</b>
        <p>
          {{ why(s) }}. {{ names.person(s.outOfService?.by ?? '') }}, {{ day(s.outOfService?.since ?? 0) }}
          {{ clock(s.outOfService?.since ?? 0) }}.
          {{ t('shift.outMeans') }}
        </p>
        <p v-if="session.mayDo('record')">
          <router-link
            class="act"
            :to="{
              path: '/log/case/new',
              query: { origin: 'stop', station: s.id, said: `${t('shift.outOfService')}: ${why(s)}` },
            }"
            >{{ t('log.left.act') }}</router-link
          >
          <router-link
            class="act"
            :to="
              faultOf(s.id)
                ? '/house/repairs'
                : { path: '/house/repairs', query: { station: s.id, said: why(s) } }
            "
            >{{ t(faultOf(s.id) ? 'shift.fault' : 'shift.newFault') }}</router-link
          >
        </p>
        <template v-if="!plain">
          <router-link v-if="s.currentRun" :to="`/run/${s.currentRun.run}`" class="go">{{
            t('shift.toRun')
          }}</router-link>
          <form v-if="returning === s.id" @submit.prevent="back(s.id)">
            <label :for="`mended-${s.id}`">{{ t('shift.mended') }}</label>
            <n-input
              v-model:value="mended"
              :placeholder="t('shift.mendedLike')"
              :input-props="{ id: `mended-${s.id}` }"
              maxlength="500"
            />
            <label :for="`proof-${s.id}`">{{ t('shift.proof') }}</label>
            <n-input
              v-model:value="proof"
              :placeholder="t('shift.proofLike')"
              :input-props="{ id: `proof-${s.id}` }"
              maxlength="500"
            />
            <p class="quiet small">{{ t('shift.returnMeans') }}</p>
            <n-button type="primary" block attr-type="submit" :disabled="!ready">{{
              t('shift.return')
            }}</n-button>
            <n-button block @click="returning = null">{{ t('common.back') }}</n-button>
          </form>
          <n-button v-else-if="session.mayDo('close-case')" block class="do" @click="returning = s.id">{{
            t('shift.return')
          }}</n-button>
          <p v-else class="quiet small">{{ t('shift.leadReturns') }}</p>
        </template>
      </li>
    </ul>
    <whom-to-call v-if="stopped.length > 0 && !plain" class="call" />
    <p v-for="n in short" :key="n.key" class="short">{{ n.said }}</p>
  </section>
</template>

<style scoped>
.out {
  margin-bottom: 18px;
}
li {
  border-top: 5px solid var(--out);
  padding: 10px 0 14px;
}
b {
  font-size: 18px;
}
p {
  margin: 2px 0 8px;
}
.act {
  margin-right: 18px;
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
.short {
  padding: 10px 12px;
  border-left: 5px solid var(--out);
  background: var(--out-wash);
  font-weight: 600;
}
form {
  display: grid;
  gap: 6px;
}
label {
  font-weight: 600;
}
.go {
  display: inline-flex;
  min-height: 48px;
  align-items: center;
  font-weight: 600;
}
.call {
  margin-bottom: 12px;
}
.do {
  min-height: 48px;
}
</style>
