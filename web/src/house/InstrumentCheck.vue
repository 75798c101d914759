<script setup lang="ts">
import { interval, ppm } from '@tadka/core/quantity'
import { icePoint } from '@tadka/core/rules'
import { dispenserDrift } from '@tadka/core/solution'
import { NButton, NInput, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useUnits } from '../site/units.ts'
import { parseField } from '../pieces/field.ts'
import { rightNow } from '../wire/clock.ts'
import { useKit, type Kinded } from '../site/kit.ts'

/** A thermometer in melting ice, or a dispenser into a cylinder: checked, and what its checks tell together. */
const props = defineProps<{ instrument: Kinded<'thermometer'> | Kinded<'dispenser'> }>()
const { t } = useI18n()
const site = useSite()
const kit = useKit()
const names = useNames()
const message = useMessage()
const units = useUnits()
const small = computed(() => units.typed('millilitres'))
const { date, clock } = useTimes()

const read = ref('')
const count = ref(props.instrument.kind === 'dispenser' && props.instrument.by === 'second' ? '10' : '5')
const daysUntilNext = 30
const dayMs = 86_400_000
const value = computed(() => parseField(read.value, { below: props.instrument.kind === 'thermometer' }).value)
const times = computed(() => parseField(count.value, { positive: true }).value)

const verdict = computed(() => {
  const i = props.instrument
  return i.kind === 'thermometer' && value.value !== null ? icePoint(value.value, i.unit) : null
})
const ratio = computed(() => {
  const i = props.instrument
  if (i.kind !== 'dispenser' || value.value === null || times.value === null) return null
  return small.value.kept(value.value) / (times.value * i.millilitres)
})
/** Where the drift is going, for the product's first use with a strength. */
const drift = computed(() => {
  const i = props.instrument
  if (i.kind !== 'dispenser') return null
  const use = kit.products.value.find((p) => p.id === i.product)?.uses.find((u) => u.range && u.target)
  const ratios = i.checks.flatMap((c) => (c.method === 'delivery' ? [c.ratio] : []))
  if (!use?.range || !use.target) return null
  return dispenserDrift(ratios, ppm(use.target), interval(use.range.lo, use.range.hi))
})

function keep(): void {
  const i = props.instrument
  const subject = { kind: 'instrument', id: i.id } as const
  if (value.value === null) return
  if (i.kind === 'thermometer' && verdict.value) {
    const passed = verdict.value.verdict === 'in'
    site.record('instrument.checked@1', subject, {
      instrument: i.id,
      method: 'ice-point',
      unit: i.unit,
      read: value.value,
      verdict: verdict.value.verdict,
      due: passed ? rightNow() + daysUntilNext * dayMs : rightNow(),
    })
  } else if (i.kind === 'dispenser' && ratio.value !== null && times.value !== null)
    site.record('instrument.checked@1', subject, {
      instrument: i.id,
      method: 'delivery',
      count: times.value,
      measured: small.value.kept(value.value),
      ratio: ratio.value,
    })
  message.success(t('house.saved'))
  read.value = ''
}
</script>

<template>
  <form class="checking" @submit.prevent="keep">
    <p class="quiet">
      {{ t(instrument.kind === 'thermometer' ? 'house.instrument.iceHow' : 'house.instrument.cylinderHow') }}
    </p>
    <div class="line">
      <label v-if="instrument.kind === 'dispenser'">
        {{ t(`house.instrument.counted.${instrument.by}`) }}
        <n-input v-model:value="count" placeholder="" />
      </label>
      <label>
        {{
          instrument.kind === 'thermometer'
            ? t('house.instrument.reads', { unit: instrument.unit })
            : t('house.instrument.caught', { unit: small.unit })
        }}
        <n-input v-model:value="read" placeholder="" />
      </label>
      <verdict-mark v-if="verdict" :verdict="verdict.verdict" />
      <span v-if="ratio !== null">{{
        t('house.instrument.gives', { percent: Math.round(ratio * 100) })
      }}</span>
      <n-button type="primary" attr-type="submit" :disabled="value === null">{{ t('bench.keep') }}</n-button>
    </div>
    <p v-if="verdict?.verdict === 'out'" class="out" role="alert">{{ t('house.instrument.iceOut') }}</p>
    <p v-if="drift" class="told">
      {{
        drift.leavesIn === null
          ? t('house.instrument.steady', { percent: Math.round(drift.level * 100) })
          : t('house.instrument.leaves', { percent: Math.round(drift.level * 100), n: drift.leavesIn })
      }}
    </p>
    <ul v-if="instrument.checks.length > 0">
      <li v-for="c in instrument.checks.toReversed().slice(0, 5)" :key="c.at" class="small">
        {{ date(c.at) }} {{ clock(c.at) }}, {{ names.person(c.by) }}:
        {{
          c.method === 'ice-point'
            ? `${c.read} ${c.unit}, ${t(`verdict.${c.verdict}`)}`
            : t('house.instrument.gives', { percent: Math.round(c.ratio * 100) })
        }}
      </li>
    </ul>
  </form>
</template>

<style scoped>
.checking {
  padding: 4px 0 18px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: end;
  margin: 8px 0;
}
label {
  font-weight: 600;
  color: var(--ink-2);
}
.out {
  color: var(--out);
  font-weight: 650;
}
.told {
  font-weight: 600;
}
</style>
