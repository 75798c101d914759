<script setup lang="ts">
import type { CaseAction } from '@tadka/core/case'
import type { Place } from '@tadka/core/reading'
import { NSelect } from 'naive-ui'
import { computed, ref, toRef } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import FigureField from '../pieces/FigureField.vue'
import type { Nonsense } from '../pieces/field.ts'
import NumberPad from '../pieces/NumberPad.vue'
import StripPicker from '../pieces/StripPicker.vue'
import { useSite } from '../site/site.ts'
import { useAmounts } from './amounts.ts'
import CheckForm from './CheckForm.vue'
import { useChecking, type Checked } from './checking.ts'
import CorrectionAct from './CorrectionAct.vue'
import HardnessLine from './HardnessLine.vue'

/** A sanitizer read off its strip: the verdict as one taps, the way back, and the recheck. */
const props = defineProps<{
  checked: Checked
  place: Place
  heading: string
  under: string
  /** Room enough to set the numbers beside the strips. */
  wide?: boolean
}>()
const emit = defineEmits<{ done: [] }>()
const { t } = useI18n()
const site = useSite()
const amountOf = useAmounts()

/** The case that the next reading rechecks: the one that the place brings, or the one opened here. */
const opened = ref<string | null>(null)
const place = computed<Place>(() => ({ ...props.place, case: props.place.case ?? opened.value }))
const c = useChecking(toRef(props, 'checked'), () => place.value)
const field = ref<'temperature' | 'hardness' | 'drops'>('temperature')
const byDrops = computed<boolean | null>({
  get: () => c.byDrops.value,
  set(drops) {
    c.byDrops.value = drops === true
    if (drops) field.value = 'drops'
  },
})
const padded = computed({ get: () => c[field.value].value, set: (v) => (c[field.value].value = v) })
const verdict = computed(() => c.result.value.taken?.judgement.overall ?? 'cannot-tell')
const advised = computed(() => {
  const way = c.correction.value
  const needed = verdict.value === 'too-close' || verdict.value === 'out'
  return needed && way && way.move !== 'none' ? way : null
})
/** Too close is no pass: a finer reading or a nudge, whichever is quicker. */
const quicker = computed(() => {
  if (verdict.value !== 'too-close') return null
  const finer = c.titration.value !== null && !c.byDrops.value
  if (advised.value?.safe) return 'nudge'
  return finer ? 'finer' : advised.value ? 'nudge' : 'fresh'
})
const fault = (wrong: Nonsense | null) => (wrong ? t(`bench.${wrong.code}`, { ...wrong }) : undefined)

const subject = computed(() => {
  const { run, bath, station } = props.place
  if (run) return { kind: 'run', id: run } as const
  return bath ? ({ kind: 'bath', id: bath } as const) : ({ kind: 'station', id: station ?? '' } as const)
})

/** Writes the reading; returns the case that it opened or rechecked, or null. */
function write(): string | null {
  const { taken } = c.result.value
  if (!taken) return null
  if (c.measured.value !== null && site.set) {
    const made = { hardness: c.measured.value, with: c.hardnessWith.value.trim() || t('bench.notSaid') }
    site.record('water.measured@1', { kind: 'site', id: site.set.id }, made)
  }
  const draft = site.record('reading.taken@1', subject.value, taken)
  return place.value.case ?? (taken.judgement.overall === 'in' ? null : draft.id)
}

function keep(): void {
  const passed = verdict.value === 'in'
  opened.value = write()
  c.clear()
  if (passed) emit('done')
}

const didNames = {
  strengthen: 'strengthened',
  weaken: 'weakened',
  'drain-refill': 'drained-refilled',
  remix: 'remixed',
  none: 'other',
} as const

function act(): void {
  const way = advised.value
  const id = write()
  if (!way || !id) return
  const { station, run, bath } = props.place
  const payload: CaseAction = {
    case: id,
    station,
    run,
    bath,
    did: didNames[way.move],
    amount: way.move === 'remix' ? null : way.amount,
    unit: way.unit,
    note: '',
  }
  site.record('case.action@1', { kind: 'case', id }, payload)
  opened.value = id
  c.clear()
}
</script>

<template>
  <check-form
    class="sanitizer"
    :class="{ wide }"
    :again="opened || props.place.case ? t('bench.recheck') : null"
    :failed="c.thermometer.value?.failed && c.temperature.value !== '' ? [c.thermometer.value.name] : []"
    :refusal="c.result.value.refusal"
    :judgement="c.entered.value ? (c.result.value.taken?.judgement ?? null) : null"
    :hint="t('bench.noReading')"
    :after="
      advised?.after
        ? { strength: advised.after, label: t('bench.after', { amount: amountOf(advised) }) }
        : null
    "
    @keep="keep"
  >
    <div>
      <slot name="which">
        <h2>{{ heading }}</h2>
      </slot>
      <p class="quiet">{{ under }}</p>
      <choice-pick
        v-if="c.titration.value"
        v-model="byDrops"
        class="by"
        :label="t('bench.readBy')"
        :choices="[
          { text: t('bench.byStrip'), value: false },
          { text: c.titration.value.name, value: true },
        ]"
      />
      <figure-field
        v-if="c.byDrops.value && c.titration.value"
        id="drops"
        v-model="c.drops.value"
        :label="t('bench.drops', { ppm: c.titration.value.perDrop })"
        :unit="t('bench.dropsUnit')"
        :fault="fault(c.faults.value.drops)"
        :active="field === 'drops'"
        @focus="field = 'drops'"
      />
      <template v-else-if="c.strip.value">
        <h2 class="label strip-name">{{ t('bench.stripOf') }}: {{ c.strip.value.name }}</h2>
        <n-select
          v-if="c.strips.value.length > 1"
          :value="c.strip.value.id"
          :options="c.strips.value.map((s) => ({ label: s.name, value: s.id }))"
          :aria-label="t('bench.stripOf')"
          @update:value="(id: string) => ((c.stripId.value = id), (c.pick.value = null))"
        />
        <strip-picker v-model="c.pick.value" v-bind="c.strip.value" />
        <p v-if="!c.stripFits.value" class="unfit" role="alert">{{ t('bench.stripUnfit') }}</p>
      </template>
      <p v-else class="unfit" role="alert">{{ t('bench.noStrip') }}</p>
      <template v-if="c.phStrip.value">
        <h2 class="label">{{ c.phStrip.value.name }}</h2>
        <strip-picker v-model="c.phPick.value" v-bind="c.phStrip.value" />
      </template>
    </div>
    <div class="numbers">
      <div class="row">
        <figure-field
          id="water"
          v-model="c.temperature.value"
          :label="t('bench.water')"
          :unit="c.unit.value"
          :fault="fault(c.faults.value.temperature)"
          :active="field === 'temperature'"
          @focus="field = 'temperature'"
        />
        <figure-field
          v-if="c.needsHardness.value"
          id="hardness"
          v-model="c.hardness.value"
          :label="t('bench.hardness')"
          :unit="c.hardnessUnit.value.unit"
          :fault="fault(c.faults.value.hardness)"
          :active="field === 'hardness'"
          @focus="field = 'hardness'"
        />
        <div class="thermometer">
          <label for="thermometer" class="small">{{ t('bench.thermometer') }}</label>
          <n-select
            :value="c.thermometer.value?.id ?? 'none'"
            :input-props="{ id: 'thermometer' }"
            :options="[
              ...c.thermometers.value.map((x) => ({ label: x.name, value: x.id })),
              { label: t('bench.onNone'), value: 'none' },
            ]"
            :aria-label="t('bench.thermometer')"
            @update:value="(v: string) => (c.thermometerId.value = v)"
          />
        </div>
      </div>
      <hardness-line
        v-if="c.needsHardness.value"
        v-model="c.hardnessWith.value"
        :water="c.water.value"
        :measured="c.measured.value !== null"
      />
      <number-pad v-model="padded" />
    </div>
    <template #advice>
      <correction-act v-if="advised" :correction="advised" :ppe="checked.product.ppe" @did="act" />
      <p v-if="quicker" class="again">{{ t(`bench.quicker.${quicker}`) }}</p>
      <p v-else-if="verdict === 'out' && !advised" class="again">{{ t('bench.outAction') }}</p>
    </template>
  </check-form>
</template>

<style scoped>
.by {
  margin-top: 10px;
}
.unfit {
  color: var(--out);
  font-weight: 600;
}
.strip-name {
  margin-top: 10px;
}
.row {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 18px;
  margin: 4px 0 16px;
}
.thermometer label {
  display: block;
  font-weight: 600;
  color: var(--ink-2);
  margin-bottom: 6px;
}
.again {
  font-weight: 650;
  font-size: 19px;
}
</style>
