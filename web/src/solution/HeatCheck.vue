<script setup lang="ts">
import {
  heatFieldsOf,
  judge,
  namedOn,
  taken as takenOf,
  washLabel,
  type HeatField,
  type HeatWhat,
  type Place,
} from '@tadka/core/record'
import { Refusal } from '@tadka/core/refusal'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref, toRef, watch } from 'vue'
import { kindOf, machineKinds } from '@tadka/core/warewash'
import { useI18n } from 'vue-i18n'
import { useRoute } from 'vue-router'
import { useKit } from '../house/kit.ts'
import FigureField from '../pieces/FigureField.vue'
import NumberPad from '../pieces/NumberPad.vue'
import { useSite } from '../record/site.ts'
import { rightNow } from '../wire/clock.ts'
import { emptyFields, faultIn, fieldsRead, readTyped, type Typed } from './heat.ts'
import HeatOn from './HeatOn.vue'
import JudgementView from './JudgementView.vue'
import { useReadOn } from './read-on.ts'
import ReportedReading from './ReportedReading.vue'

/** A dish machine, hot water by hand, wash water or cold product: typed off the gauges, judged as one types. */
/** `place`: the step of a run that it belongs to; without one the person says where. */
const props = defineProps<{
  what: HeatWhat
  recheckOf: string | null
  /** Where the reading that is rechecked was taken. */
  recheckAt?: string | null
  place?: Place
  heading?: string
}>()
const emit = defineEmits<{ kept: [verdict: string] }>()
const { t } = useI18n()
const site = useSite()
const kit = useKit()

const stations = computed(() => {
  const all = site.all('station').filter((s) => s.plate !== null)
  if (props.what === 'dish-machine') return all.filter((s) => kindOf(s.plate?.family ?? '') !== null)
  // Washing and sanitizing by hand is done at a sink, where the site has one.
  const sinks = all.filter((s) => s.plate?.family === 'sink')
  const byHand = props.what === 'wash-water' || props.what === 'hot-water'
  return byHand && sinks.length > 0 ? sinks : all
})
const asked = useRoute().query['station']
/** Nothing stands here until somebody chose it: it decides where the reading is filed. */
const stationId = ref<string | null>(typeof asked === 'string' ? asked : (props.recheckAt ?? null))
const station = computed(
  () => stations.value.find((s) => s.id === (props.place?.station ?? stationId.value)) ?? null,
)
const kind = ref(kindOf(station.value?.plate?.family ?? '') ?? 'stationary-dual')
watch(station, (s) => (kind.value = kindOf(s?.plate?.family ?? '') ?? kind.value))

const fields = ref<Record<HeatField, string>>({ ...emptyFields })
const turned = ref<boolean | null>(null)
const kept = ref<Typed['kept']>('room')
const shown = computed(() => heatFieldsOf(props.what, kind.value, kept.value))
const field = ref<HeatField>(shown.value[0] ?? 'wash')
const padded = computed({ get: () => fields.value[field.value], set: (v) => (fields.value[field.value] = v) })
const readOn = useReadOn(
  toRef(props, 'what'),
  computed(() => station.value?.id ?? null),
)
const us = computed(() => site.set?.units === 'us')
const units = computed<Typed['units']>(() => ({
  temperature: us.value ? '°F' : '°C',
  pressure: us.value ? 'psi' : 'kPa',
}))
function unit(name: HeatField): string {
  if (name === 'seconds') return 's'
  if (name === 'hours') return 'h'
  const on = readOn.chosen(name)
  if (name === 'pressure') return on?.unit ?? units.value.pressure
  return on?.unit ?? units.value.temperature
}
const fault = (name: HeatField) => {
  const wrong = faultIn(name, fields.value[name], unit(name), props.what)
  return wrong ? t(`bench.${wrong.code}`, { lo: wrong.lo, hi: wrong.hi, unit: unit(name) }) : undefined
}
const byLabel = (name: HeatField) => readOn.chosen(name)?.kind === 'indicator'
const failed = computed(() =>
  shown.value.flatMap((name) => {
    const on = readOn.chosen(name)
    return on?.kind === 'thermometer' && on.failed ? [on.name] : []
  }),
)

const typed = computed<Typed>(() => ({
  fields: fields.value,
  on: Object.fromEntries(shown.value.flatMap((f) => (readOn.chosen(f) ? [[f, readOn.chosen(f)]] : []))),
  turned: turned.value,
  kind: kind.value,
  kept: kept.value,
  units: units.value,
  plate: station.value?.plate?.parameters ?? null,
  schools: site.set?.schools ?? {},
  label: washLabel(kit.products.value, site.set?.schools ?? {}),
}))
const sound = computed(() => shown.value.every((name) => fault(name) === undefined))
const read = computed(() => {
  if (fieldsRead(props.what, typed.value).length === 0 || !sound.value) return { read: null, refusal: null }
  try {
    return { read: readTyped(props.what, typed.value, rightNow()), refusal: null }
  } catch (error) {
    if (error instanceof Refusal) return { read: null, refusal: error }
    throw error
  }
})
const judgement = computed(() => (read.value.read ? judge(read.value.read, kit.rulesAt(rightNow())) : null))
/** Numbers that no instrument was named for. */
const unnamed = computed(() =>
  fieldsRead(props.what, typed.value).some((f) => f !== 'seconds' && f !== 'hours' && !readOn.chosen(f)),
)

function keep(): void {
  if (!read.value.read || !station.value) return
  const place = props.place ?? {
    station: station.value.id,
    run: null,
    step: null,
    bath: null,
    case: props.recheckOf,
  }
  const by = namedOn(typed.value.on, fieldsRead(props.what, typed.value))
  const payload = takenOf(
    readTyped(props.what, typed.value, rightNow()),
    place,
    [...new Set(Object.values(by))],
    kit.rulesAt(rightNow()),
    by,
  )
  const { run } = place
  site.record(
    'reading.taken@1',
    run ? { kind: 'run', id: run } : { kind: 'station', id: station.value.id },
    payload,
  )
  fields.value = { ...emptyFields }
  turned.value = null
  emit('kept', payload.judgement.overall)
}
</script>

<template>
  <div class="check" :class="{ wide: !place }">
    <section class="entry">
      <div class="typing">
        <slot />
        <h2 v-if="heading">{{ heading }}</h2>
        <n-select
          v-if="!place"
          :value="station?.id ?? null"
          :options="stations.map((s) => ({ label: s.plate?.name ?? s.id, value: s.id }))"
          :virtual-scroll="false"
          :placeholder="t('bench.sayWhere')"
          :aria-label="t('bench.at')"
          @update:value="(v: string) => (stationId = v)"
        />
        <n-select
          v-if="what === 'dish-machine' && !kindOf(station?.plate?.family ?? '')"
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
          <div v-for="name in shown" :key="name" class="one">
            <div v-if="byLabel(name)" class="kept" role="group" :aria-label="t(`bench.field.${name}`)">
              <span class="name">{{ t(`bench.field.${name}`) }}</span>
              <button
                v-for="yes in [true, false]"
                :key="String(yes)"
                type="button"
                :aria-pressed="turned === yes"
                @click="turned = yes"
              >
                {{ t(yes ? 'bench.turned' : 'bench.notTurned') }}
              </button>
            </div>
            <figure-field
              v-else
              :id="`heat-${name}`"
              v-model="fields[name]"
              :label="t(`bench.field.${name}`)"
              :unit="unit(name)"
              :fault="fault(name)"
              :active="field === name"
              @focus="field = name"
              @enter="keep"
            />
            <heat-on
              v-if="name !== 'seconds' && name !== 'hours'"
              :field="name"
              :candidates="readOn.candidates(name)"
              :chosen="readOn.chosen(name)?.id ?? null"
              @choose="(id) => readOn.choose(name, id)"
            />
          </div>
        </div>
      </div>
      <div class="keys">
        <reported-reading
          v-if="unit(field) === '°C' || unit(field) === '°F'"
          :instrument="readOn.chosen(field)?.id ?? null"
          :unit="unit(field) === '°F' ? '°F' : '°C'"
          @take="padded = $event"
        />
        <number-pad v-model="padded" />
      </div>
    </section>
    <section class="verdict">
      <p v-if="recheckOf" class="again">{{ t('bench.readAgain') }}</p>
      <p v-for="name in failed" :key="name" class="refusal" role="alert">
        {{ t('bench.failedIce', { name }) }}
      </p>
      <p v-if="read.refusal" class="refusal" role="alert">{{ read.refusal.message }}</p>
      <template v-else-if="judgement">
        <judgement-view :judgement="judgement">
          <p v-if="unnamed" class="quiet">{{ t('bench.unnamed') }}</p>
          <p v-if="judgement.overall === 'out'" class="again">
            {{ t(what === 'dish-machine' ? 'bench.rack' : 'bench.outAction') }}
          </p>
        </judgement-view>
        <n-button
          size="large"
          :type="judgement.overall === 'in' ? 'primary' : 'default'"
          class="keep"
          :disabled="!station"
          @click="keep"
        >
          {{ t('bench.keep') }}
        </n-button>
        <p v-if="!station" class="refusal" role="alert">{{ t('bench.sayWhereFirst') }}</p>
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
.typing {
  display: flex;
  flex-direction: column;
  gap: 12px;
  min-width: 0;
}
@media (min-width: 1200px) {
  .check.wide {
    grid-template-columns: 760px minmax(0, 1fr);
  }
  .wide .entry {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 250px;
    gap: 28px;
    align-content: start;
  }
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 18px;
  align-items: start;
}
.one {
  min-width: 0;
}
.kept {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.kept .name {
  flex: 1 0 100%;
  font-weight: 600;
  color: var(--ink-2);
}
.refusal {
  color: var(--out);
  font-weight: 650;
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
