<script setup lang="ts">
import { rerunFit } from '@tadka/core/rules'
import { anyTcs, rerunFault } from '@tadka/core/house'
import type { RunState, StationState } from '@tadka/core/procedure'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKit } from '../../site/kit.ts'
import { useUnits } from '../../site/units.ts'
import { numberIn } from '../../pieces/field.ts'
import { useReruns } from '../../rerun/reruns.ts'
import { useSite } from '../../site/site.ts'
import { newId } from '../../wire/device.ts'
import FigureField from '../../pieces/FigureField.vue'
import NumberPad from '../../pieces/NumberPad.vue'

/** Product kept as rerun, with its temperature, or thrown out; how much either way. */
const props = defineProps<{ run: RunState; step: string; station: StationState; trial: boolean }>()
const emit = defineEmits<{
  done: [
    facts: { kept: boolean; litres: number; temperature: number | null; unit: string | null },
    ...with_: AnyDraft[],
  ]
}>()
const { t } = useI18n()
const kit = useKit()
const site = useSite()
const units = useUnits()
const large = computed(() => units.typed('litres'))

const { mixes, mixesOf, nameOf, labelOf, daysFor } = useReruns()
/** What is in it: as it was put in, or as it is said now. */
const holds = ref<readonly string[]>(props.station.holds?.mixes ?? [])
const chosen = computed({
  get: () => (holds.value.length === 1 ? (holds.value[0] ?? '') : ''),
  set: (id: string) => (holds.value = id === '' ? [] : [id]),
})
const forbidden = computed(() => mixesOf(holds.value).flatMap((m) => rerunFault(m) ?? [])[0] ?? null)
const days = computed(() => daysFor(holds.value, props.station.holds?.reruns ?? []))

const kept = ref(false)
const litres = ref('')
const temperature = ref('')
const field = ref<'litres' | 'temperature'>('litres')
const tried = ref(false)
const unit = computed(() => kit.thermometers.value[0]?.unit ?? units.degree.value)
const fit = computed(() => {
  const read = numberIn(temperature.value, true)
  return read === null ? null : rerunFit(read, unit.value)
})
/** Too warm for what is in it: a mix whose maker states that it needs no cooling is not judged by it. */
const isWarm = computed(() => fit.value !== null && !fit.value.cold && anyTcs(mixesOf(holds.value)))
const faults = computed(() => ({
  litres: tried.value && numberIn(litres.value) === null ? t('run.needLitres') : undefined,
  temperature: !kept.value
    ? undefined
    : isWarm.value
      ? t('run.rerunWarm', { limit: `${fit.value?.limit} ${unit.value}` })
      : tried.value && numberIn(temperature.value, true) === null
        ? t('run.needTemperature')
        : undefined,
}))
const padded = computed({
  get: () => (field.value === 'litres' ? litres.value : temperature.value),
  set: (v) => (field.value === 'litres' ? (litres.value = v) : (temperature.value = v)),
})

function done(): void {
  tried.value = true
  const [amount, degrees] = [numberIn(litres.value), numberIn(temperature.value, true)]
  if (amount === null || (kept.value && (degrees === null || isWarm.value || forbidden.value))) return
  const amountLitres = large.value.kept(amount)
  const container =
    kept.value && degrees !== null && !props.trial
      ? [
          site.draftOf(
            'rerun.kept@1',
            { kind: 'rerun', id: newId() },
            {
              station: props.station.id,
              run: props.run.id,
              step: props.step,
              mixes: [...holds.value],
              litres: amountLitres,
              read: { value: degrees, unit: unit.value },
              ...days.value,
            },
          ),
        ]
      : []
  const facts = {
    kept: kept.value,
    litres: amountLitres,
    temperature: kept.value ? degrees : null,
    unit: kept.value ? unit.value : null,
  }
  emit('done', facts, ...container)
}
function choose(keepIt: boolean): void {
  kept.value = keepIt
  field.value = 'litres'
}
</script>

<template>
  <div class="product">
    <div class="words">
      <div class="which" role="group">
        <button type="button" :aria-pressed="!kept" @click="choose(false)">{{ t('run.discarded') }}</button>
        <button type="button" :aria-pressed="kept" @click="choose(true)">{{ t('run.kept') }}</button>
      </div>
      <figure-field
        id="litres"
        v-model="litres"
        :label="t('run.litres')"
        :unit="large.unit"
        :fault="faults.litres"
        :active="field === 'litres'"
        @focus="field = 'litres'"
        @enter="done"
      />
      <figure-field
        v-if="kept"
        id="kept-temperature"
        v-model="temperature"
        :label="t('run.temperature')"
        :unit="unit"
        :fault="faults.temperature"
        :active="field === 'temperature'"
        @focus="field = 'temperature'"
        @enter="done"
      />
      <template v-if="kept">
        <n-select
          v-if="mixes.length > 0 && holds.length < 2"
          v-model:value="chosen"
          :options="[
            ...mixes.map((m) => ({ value: m.id, label: nameOf([m.id]) })),
            { value: '', label: t('rerun.notNamed') },
          ]"
          :aria-label="t('rerun.which')"
          :virtual-scroll="false"
          size="large"
        />
        <p v-if="forbidden" class="forbidden" role="alert">{{ t(`rerun.fault.${forbidden}`) }}</p>
      </template>
      <div class="act">
        <n-button type="primary" class="big" :disabled="kept && forbidden !== null" @click="done">{{
          t('run.done')
        }}</n-button>
      </div>
    </div>
    <div>
      <number-pad v-model="padded" />
      <div v-if="kept && !forbidden" class="label-of">
        <span class="quiet small">{{ t('rerun.label') }}</span>
        <p v-for="line in labelOf({ mixes: holds, ...days, read: null })" :key="line">{{ line }}</p>
      </div>
    </div>
  </div>
</template>

<style scoped>
.product {
  flex: 1 0 auto;
  display: grid;
  grid-template-columns: 1fr 300px;
  gap: 44px;
  align-items: start;
  margin-top: 20px;
}
.words {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.which {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.forbidden {
  color: var(--out);
  font-weight: 600;
}
.label-of {
  margin-top: 16px;
  border: 1.5px dashed var(--line);
  border-radius: var(--r);
  padding: 8px 14px;
}
.which button {
  min-height: 76px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-size: 21px;
  font-weight: 600;
  cursor: pointer;
}
.which button[aria-pressed='true'] {
  border: 3px solid var(--sea);
  background: var(--sea-wash);
}
@media (max-width: 760px) {
  .product {
    grid-template-columns: 1fr;
    gap: 18px;
  }
}
</style>
