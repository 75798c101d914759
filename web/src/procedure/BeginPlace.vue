<script setup lang="ts">
import { firstDo, startFaults, stops, type StationObserved } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import PlaceBar from '../frame/PlaceBar.vue'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { newId } from '../wire/device.ts'
import { useLacking } from './have-ready.ts'
import LeadLeave from './LeadLeave.vue'
import MakeSafe from './MakeSafe.vue'
import NoProduct from './NoProduct.vue'
import { useProcedures } from '../site/procedures.ts'
import { useStartRun } from './start.ts'

/** A start that does not fit: what is in the way, what to do first, and how a shift lead goes on all the same. */
const props = defineProps<{ station: string; procedure: string }>()
const { t } = useI18n()
const site = useSite()
const names = useNames()
const procedures = useProcedures()
const router = useRouter()
const { start, open } = useStartRun()

const on = computed(() => site.one('station', props.station))
const wanted = computed(() => procedures.latest(props.procedure))
const faults = computed(() => (wanted.value && on.value ? startFaults(wanted.value, on.value) : []))
const first = computed(() =>
  wanted.value && on.value
    ? firstDo(faults.value, wanted.value, on.value, procedures.of(on.value.plate?.family ?? ''))
    : [],
)
const byHand = computed(() => first.value.flatMap((d) => (d.kind === 'safe' ? [d.did] : [])))
const stopped = computed(() => faults.value.some((f) => stops.includes(f.why)))
const why = (f: (typeof faults.value)[number]) =>
  'is' in f
    ? t(`run.begins.${f.why}`, { is: t(`run.${f.why}.${f.is}`), must: t(`run.${f.why}.${f.must}`) })
    : t(`run.begins.${f.why}`)

const lacking = useLacking()
/** What is mixed and no product is entered for. */
const lacks = computed(() => (wanted.value ? lacking(wanted.value, on.value?.plate?.options ?? {}) : []))

const telling = ref(false)
const seen = ref<{ [K in 'contents' | 'assembly' | 'power']: StationObserved[K] | null }>({
  contents: null,
  assembly: null,
  power: null,
})
const choices = <K extends 'contents' | 'assembly' | 'power'>(
  what: K,
  values: readonly StationObserved[K][],
) => values.map((value) => ({ value, text: t(`run.seen.${what}.${value}`) }))
/** Nobody knows how it stands: that is asked without being asked for. */
const mustTell = computed(() => first.value.some((d) => d.kind === 'tell'))
const complete = computed(() => Object.values(seen.value).every((v) => v !== null))
function tell(): void {
  const { contents, assembly, power } = seen.value
  if (!contents || !assembly || !power) return
  const subject = { kind: 'station', id: props.station } as const
  site.record('station.observed@1', subject, { station: props.station, contents, assembly, power })
  telling.value = false
}
/** Nothing is in the way any more. */
const begin = () => start(props.station, props.procedure, true)
watch(
  () => on.value?.currentRun?.run,
  (run) => run && leading.value && open(run),
)

const leading = ref(false)
const newRun = newId()
const what = computed(() => ({
  kind: 'start' as const,
  run: newRun,
  station: props.station,
  procedure: { id: props.procedure, version: wanted.value?.version ?? 1 },
}))
</script>

<template>
  <div v-if="on && wanted">
    <place-bar :title="t('run.begins.title', { procedure: wanted.name, station: names.station(station) })" />
    <div class="begin">
      <template v-if="faults.length > 0">
        <p v-for="f in faults" :key="f.why" class="fault">{{ why(f) }}</p>
        <h2 v-if="first.some((d) => d.kind !== 'tell')">{{ t('run.begins.first') }}</h2>
        <div class="acts">
          <template v-for="(d, i) in first" :key="i">
            <n-button
              v-if="d.kind === 'procedure'"
              type="primary"
              class="alt"
              @click="start(station, d.procedure)"
              >{{ t('run.begins.do', { procedure: names.procedure(d.procedure) }) }}</n-button
            >
            <n-button
              v-else-if="d.kind === 'return'"
              type="primary"
              class="alt"
              @click="router.push('/shift')"
              >{{ t('run.begins.return') }}</n-button
            >
            <n-button
              v-else-if="d.kind === 'incident'"
              type="primary"
              class="alt"
              @click="router.push(`/shift/wrong/${d.incident}`)"
              >{{ t('run.begins.wrong') }}</n-button
            >
          </template>
          <make-safe :station="station" :safe="byHand" />
          <n-button v-if="!mustTell && !stopped" class="alt" @click="telling = !telling">{{
            t('run.begins.tell')
          }}</n-button>
        </div>
        <form v-if="telling || mustTell" class="tell" @submit.prevent="tell">
          <p>{{ t('run.begins.tellHow') }}</p>
          <choice-pick
            v-model="seen.contents"
            :label="t('run.facet.contents')"
            :choices="choices('contents', ['product', 'empty'])"
          />
          <choice-pick
            v-model="seen.assembly"
            :label="t('run.facet.assembly')"
            :choices="choices('assembly', ['whole', 'apart', 'drying'])"
          />
          <choice-pick
            v-model="seen.power"
            :label="t('run.facet.power')"
            :choices="choices('power', ['on', 'off', 'isolated'])"
          />
          <n-button type="primary" class="alt" attr-type="submit" :disabled="!complete">{{
            t('run.begins.saveSeen')
          }}</n-button>
          <p class="quiet small">{{ t('run.begins.paper') }}</p>
        </form>
        <div v-if="!stopped" class="lead">
          <n-button v-if="site.connected" quaternary @click="leading = true">{{
            t('run.begins.lead')
          }}</n-button>
          <p v-else class="quiet">{{ t('run.leadNeedsNetwork') }}</p>
        </div>
      </template>
      <template v-else>
        <template v-if="lacks.length > 0">
          <no-product v-for="use in lacks" :key="use" :use="use" />
          <p class="quiet">{{ t('run.begins.without') }}</p>
        </template>
        <p v-else class="fits">{{ t('run.begins.fits') }}</p>
        <n-button :type="lacks.length > 0 ? 'default' : 'primary'" class="big" @click="begin">{{
          t(lacks.length > 0 ? 'run.begins.anyway' : 'run.begins.start', { procedure: wanted.name })
        }}</n-button>
      </template>
      <lead-leave
        v-if="leading"
        :title="t('run.begins.leadTitle')"
        :say="t('run.begins.leadSay')"
        :what="what"
        @done="open(what.run)"
        @close="leading = false"
      />
    </div>
  </div>
</template>

<style scoped>
.begin {
  padding: 10px var(--gutter) 32px;
  max-width: 980px;
  display: grid;
  gap: 14px;
}
.fault {
  padding: 12px 16px;
  background: var(--out-wash);
  border-left: 5px solid var(--out);
  font-size: 21px;
  font-weight: 600;
}
.fits {
  padding: 12px 16px;
  background: var(--in-wash);
  border-left: 5px solid var(--in);
  font-size: 21px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
.alt {
  min-height: 64px;
  font-size: 19px;
}
.big {
  min-height: 80px;
  font-size: 24px;
  justify-self: start;
}
.tell {
  display: grid;
  gap: 14px;
  padding: 14px 0;
  border-top: 1px solid var(--line);
  justify-items: start;
}
</style>
