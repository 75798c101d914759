<script setup lang="ts">
import type { HeatField } from '@tadka/core/reading'
import { NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute } from 'vue-router'
import ChoicePick from '../pieces/ChoicePick.vue'
import FigureField from '../pieces/FigureField.vue'
import NumberPad from '../pieces/NumberPad.vue'
import CheckForm from './CheckForm.vue'
import { useHeatChecking, type HeatAsked } from './heat-checking.ts'
import HeatOn from './HeatOn.vue'
import ReportedReading from './ReportedReading.vue'

/** A dish machine, hot water by hand, wash water or cold product: typed off the gauges, judged as one types. */
const props = defineProps<HeatAsked & { heading?: string }>()
const emit = defineEmits<{ kept: [verdict: string] }>()
const { t } = useI18n()

const named = useRoute().query['station']
const { stations, station, stationId, fields, turned, kept, shown, readOn, unit, ...c } = useHeatChecking(
  props,
  typeof named === 'string' ? named : null,
)
const { failed, read, judgement, unnamed } = c
const field = ref<HeatField>(shown.value[0] ?? (props.what === 'dish-machine' ? 'wash' : 'temperature'))
const padded = computed({ get: () => fields.value[field.value], set: (v) => (fields.value[field.value] = v) })
const fault = (name: HeatField) => {
  const wrong = c.fault(name)
  return wrong ? t(`bench.${wrong.code}`, { lo: wrong.lo, hi: wrong.hi, unit: unit(name) }) : undefined
}
const keptChoices = computed(() =>
  (['room', 'refrigerated'] as const).map((value) => ({ text: t(`bench.kept.${value}`), value })),
)
const turnedChoices = computed(() => [
  { text: t('bench.turned'), value: true },
  { text: t('bench.notTurned'), value: false },
])
const byLabel = (name: HeatField) => readOn.chosen(name)?.kind === 'indicator'
function keep(): void {
  const payload = c.keep()
  if (payload) emit('kept', payload.judgement.overall)
}
</script>

<template>
  <check-form
    class="heat"
    :class="{ wide: !place }"
    :again="recheckOf ? t('bench.readAgain') : null"
    :failed="failed"
    :refusal="read.refusal"
    :judgement="judgement"
    :hint="t(shown.length === 0 ? 'bench.sayWhereFirst' : 'bench.typeFirst')"
    :stopped="station ? null : t('bench.sayWhereFirst')"
    @keep="keep"
  >
    <div class="typing">
      <slot />
      <h2 v-if="heading">{{ heading }}</h2>
      <p v-if="!place && stations.length === 0" class="hint">
        {{ t('bench.noStations') }}
        <router-link to="/house/stations">{{ t('bench.noStationsHow') }}</router-link>
      </p>
      <n-select
        v-else-if="!place"
        :value="station?.id ?? null"
        :options="stations.map((s) => ({ label: s.plate?.name ?? s.id, value: s.id }))"
        :virtual-scroll="false"
        :placeholder="t('bench.sayWhere')"
        :aria-label="t('bench.at')"
        @update:value="(v: string) => (stationId = v)"
      />
      <choice-pick
        v-if="what === 'utensils'"
        v-model="kept"
        :label="t('bench.keptName')"
        :choices="keptChoices"
      />
      <div class="fields">
        <div v-for="name in shown" :key="name" class="one">
          <choice-pick
            v-if="byLabel(name)"
            v-model="turned"
            named
            :label="t(`bench.field.${name}`)"
            :choices="turnedChoices"
          />
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
    <template #advice>
      <p v-if="unnamed" class="quiet">{{ t('bench.unnamed') }}</p>
      <p v-if="judgement?.overall === 'out'" class="again">
        {{ t(what === 'dish-machine' ? 'bench.rack' : 'bench.outAction') }}
      </p>
    </template>
  </check-form>
</template>

<style scoped>
.typing {
  display: flex;
  flex-direction: column;
  gap: 12px;
  min-width: 0;
}
.fields {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 12px 18px;
  align-items: start;
}
.one {
  min-width: 0;
}
.again {
  font-weight: 650;
  font-size: 19px;
}
</style>
