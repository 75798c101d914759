<script setup lang="ts">
import { judge, taken as takenOf, type Place } from '@tadka/core/record'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { kindOf, machineKinds } from '@tadka/core/warewash'
import { useI18n } from 'vue-i18n'
import { useRoute } from 'vue-router'
import { useKit } from '../house/kit.ts'
import FigureField from '../pieces/FigureField.vue'
import NumberPad from '../pieces/NumberPad.vue'
import { useSite } from '../record/site.ts'
import { rightNow } from '../wire/clock.ts'
import { parseField } from './field.ts'
import { anyTyped, fieldsOf, heatRead, type HeatField, type HeatWhat, type Kept } from './heat.ts'
import JudgementView from './JudgementView.vue'
import ReportedReading from './ReportedReading.vue'

/** A dish machine, hot water by hand, wash water or cold product: typed off the gauges, judged as one types. */
/** `place`: the step of a run that it belongs to; without one the person says where. */
const props = defineProps<{ what: HeatWhat; recheckOf: string | null; place?: Place; heading?: string }>()
const emit = defineEmits<{ kept: [] }>()
const { t } = useI18n()
const site = useSite()
const kit = useKit()

const stations = computed(() => {
  const all = site.all('station').filter((s) => s.plate !== null)
  return props.what === 'dish-machine' ? all.filter((s) => kindOf(s.plate?.family ?? '') !== null) : all
})
const route = useRoute()
const named = route.query['station']
const stationId = ref<string | null>(typeof named === 'string' ? named : null)
const station = computed(
  () =>
    stations.value.find((s) => s.id === (props.place?.station ?? stationId.value)) ??
    stations.value[0] ??
    null,
)
const kind = ref(kindOf(station.value?.plate?.family ?? '') ?? 'stationary-dual')
watch(station, (s) => (kind.value = kindOf(s?.plate?.family ?? '') ?? kind.value))

const empty = {
  wash: '',
  rinse: '',
  pressure: '',
  surface: '',
  temperature: '',
  seconds: '',
  product: '',
  hours: '',
}
const fields = ref<Record<HeatField, string>>({ ...empty })
const kept = ref<Kept>('room')
const shown = computed(() => fieldsOf(props.what, kind.value, kept.value))
const field = ref<HeatField>(fieldsOf(props.what, kind.value)[0] ?? 'wash')
const padded = computed({ get: () => fields.value[field.value], set: (v) => (fields.value[field.value] = v) })
const thermometer = computed(() => kit.thermometers.value[0] ?? null)
const unit = (name: HeatField) =>
  name === 'pressure'
    ? 'kPa'
    : name === 'seconds'
      ? 's'
      : name === 'hours'
        ? 'h'
        : (thermometer.value?.unit ?? '°C')
const fault = (name: HeatField) => {
  if (fields.value[name].trim() === '') return undefined
  const { fault: code } = parseField(fields.value[name], {
    below: !['pressure', 'seconds', 'hours'].includes(name),
  })
  return code ? t(`bench.${code}`) : undefined
}
const sound = computed(() => shown.value.every((name) => fault(name) === undefined))

const typed = computed(() => ({
  fields: fields.value,
  kind: kind.value,
  kept: kept.value,
  thermometer: thermometer.value,
  plate: station.value?.plate?.parameters ?? null,
}))
const read = computed(() =>
  anyTyped(props.what, typed.value) && sound.value ? heatRead(props.what, typed.value, rightNow()) : null,
)
const judgement = computed(() => (read.value ? judge(read.value, kit.rulesAt(rightNow())) : null))

function keep(): void {
  if (!read.value || !station.value) return
  const place = props.place ?? {
    station: station.value.id,
    run: null,
    step: null,
    bath: null,
    case: props.recheckOf,
  }
  const instruments = thermometer.value ? [thermometer.value.id] : []
  const payload = takenOf(
    heatRead(props.what, typed.value, rightNow()),
    place,
    instruments,
    kit.rulesAt(rightNow()),
  )
  const { run } = place
  site.record(
    'reading.taken@1',
    run ? { kind: 'run', id: run } : { kind: 'station', id: station.value.id },
    payload,
  )
  fields.value = { ...empty }
  emit('kept')
}
</script>

<template>
  <div class="check">
    <section class="entry">
      <slot />
      <h2 v-if="heading">{{ heading }}</h2>
      <n-select
        v-if="!place"
        :value="station?.id ?? null"
        :options="stations.map((s) => ({ label: s.plate?.name ?? s.id, value: s.id }))"
        :aria-label="t('bench.at')"
        @update:value="(v: string) => (stationId = v)"
      />
      <n-select
        v-if="what === 'dish-machine'"
        v-model:value="kind"
        :options="machineKinds.map((k) => ({ label: t(`bench.kind.${k}`), value: k }))"
        :aria-label="t('bench.kindName')"
      />
      <div v-if="what === 'utensils'" class="kept" role="group" :aria-label="t('bench.keptName')">
        <button
          v-for="k in ['room', 'refrigerated'] as const"
          :key="k"
          type="button"
          :aria-pressed="kept === k"
          @click="kept = k"
        >
          {{ t(`bench.kept.${k}`) }}
        </button>
      </div>
      <div class="fields">
        <figure-field
          v-for="name in shown"
          :id="`heat-${name}`"
          :key="name"
          v-model="fields[name]"
          :label="t(`bench.field.${name}`)"
          :unit="unit(name)"
          :fault="fault(name)"
          :active="field === name"
          @focus="field = name"
          @enter="keep"
        />
      </div>
      <reported-reading
        v-if="unit(field) === '°C' || unit(field) === '°F'"
        :instrument="thermometer?.id ?? null"
        :unit="thermometer?.unit ?? '°C'"
        @take="padded = $event"
      />
      <number-pad v-model="padded" />
    </section>
    <section class="verdict">
      <p v-if="recheckOf" class="again">{{ t('bench.readAgain') }}</p>
      <template v-if="judgement">
        <judgement-view :judgement="judgement">
          <p v-if="judgement.overall === 'out'" class="again">
            {{ t(what === 'dish-machine' ? 'bench.rack' : 'bench.outAction') }}
          </p>
        </judgement-view>
        <n-button
          size="large"
          :type="judgement.overall === 'in' ? 'primary' : 'default'"
          class="keep"
          @click="keep"
        >
          {{ t('bench.keep') }}
        </n-button>
      </template>
      <p v-else class="hint">{{ t('bench.typeFirst') }}</p>
      <p class="quiet small decides">{{ t('common.decides') }}</p>
    </section>
  </div>
</template>

<style scoped src="./check.css"></style>

<style scoped>
.entry {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 18px;
  align-items: end;
}
.kept {
  display: flex;
  gap: 10px;
}
.kept button {
  flex: 1;
  min-height: 52px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-weight: 600;
  cursor: pointer;
}
.kept button[aria-pressed='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
}
</style>
