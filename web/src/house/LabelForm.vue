<script setup lang="ts">
import { stripFit } from '@tadka/core/rules'
import { interval } from '@tadka/core/quantity'
import { NButton, NCheckbox, NInput, NSelect, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../record/site.ts'
import { newId } from '../wire/device.ts'
import { useKit, type Product } from './kit.ts'
import { emptyLabel, emptyUse, labelFaults, labelOf, labelTyped, supplyOf, useFaults } from './label-draft.ts'
import type { LabelDraft, LabelFault, SupplyKind, UseDraft } from './label-draft.ts'
import './form.css'

/** A label copied off its bottle, in the order that labels are worded. */
const props = defineProps<{ product: Product | null }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const site = useSite()
const kit = useKit()
const message = useMessage()

const draft = ref<LabelDraft>(props.product ? labelTyped(props.product) : { ...emptyLabel })
const tried = ref(false)
const set = (change: Partial<LabelDraft>) => (draft.value = { ...draft.value, ...change })
const setUse = (i: number, change: Partial<UseDraft>) =>
  set({ uses: draft.value.uses.map((u, j) => (j === i ? { ...u, ...change } : u)) })
const faults = computed(() => labelFaults(draft.value))
const fault = (name: LabelFault) =>
  tried.value && faults.value.includes(name) ? t(`house.label.fault.${name}`) : ''
const faultOfUse = (u: UseDraft) =>
  tried.value
    ? useFaults(u)
        .map((f) => t(`house.label.useFault.${f}`))
        .join(' ')
    : ''

const classes = ['hypochlorite', 'quat', 'detergent', 'acid', 'ammonia', 'peroxide', 'alkaline'] as const
const classOptions = computed(() => classes.map((c) => ({ label: t(`chemical.${c}`), value: c })))
const agents = computed(() =>
  (['', 'chlorine', 'quat', 'iodine', 'other'] as const).map((a) => ({
    label: t(`house.label.agentOf.${a || 'none'}`),
    value: a,
  })),
)
const supplies = computed(() =>
  (
    [
      'strength',
      'to',
      'in',
      'per-litre',
      'powder',
      'grams-per-litre',
      'pieces',
    ] as const satisfies readonly SupplyKind[]
  ).map((s) => ({
    label: t(`house.label.supplyOf.${s}`),
    value: s,
  })),
)
const stated = computed(() => (['% w/v', '% w/w', 'ppm'] as const).map((a) => ({ label: a, value: a })))
const counts = computed(() =>
  (['active', 'hypochlorite'] as const).map((c) => ({ label: t(`house.label.countsOf.${c}`), value: c })),
)
/** What the label's wording comes to, as it is typed. */
const comesTo = computed(() => {
  const supply = supplyOf(draft.value)
  return supply?.kind === 'strength' ? t('house.label.comesTo', { ppm: Math.round(supply.stock) }) : ''
})
/** Whether the site's strip can show a use's band at all. */
function unfit(u: UseDraft): string {
  const strip = draft.value.agent ? kit.stripFor(draft.value.agent) : null
  const [lo, hi] = [Number(u.lo), Number(u.hi)]
  if (!strip || !(lo > 0) || !(hi >= lo)) return ''
  return stripFit(strip, interval(lo, hi)).canShow ? '' : t('house.label.unfit', { strip: strip.name })
}

function keep(): void {
  tried.value = true
  const label = labelOf(draft.value)
  if (!label) return
  site.record('product.set@1', { kind: 'product', id: props.product?.id ?? newId() }, label)
  message.success(t('house.saved'))
  emit('close')
}
</script>

<template>
  <form class="house-form" @submit.prevent="keep">
    <h2>{{ product ? t('house.label.change', { name: product.name }) : t('house.label.new') }}</h2>
    <div class="fields">
      <label>
        {{ t('house.label.name') }}
        <n-input :value="draft.name" placeholder="" @update:value="(name: string) => set({ name })" />
        <span class="fault">{{ fault('name') }}</span>
      </label>
      <label class="wide">
        {{ t('house.label.purpose') }}
        <n-input
          :value="draft.purpose"
          placeholder=""
          @update:value="(purpose: string) => set({ purpose })"
        />
      </label>
      <div>
        <span class="name">{{ t('house.label.class') }}</span>
        <n-select
          :value="draft.chemicalClass"
          :options="classOptions"
          :aria-label="t('house.label.class')"
          @update:value="(chemicalClass: LabelDraft['chemicalClass']) => set({ chemicalClass })"
        />
      </div>
      <div>
        <span class="name">{{ t('house.label.agent') }}</span>
        <n-select
          :value="draft.agent"
          :options="agents"
          :aria-label="t('house.label.agent')"
          @update:value="(agent: LabelDraft['agent']) => set({ agent })"
        />
      </div>
      <div>
        <span class="name">{{ t('house.label.dose') }}</span>
        <n-select
          :value="draft.supply"
          :options="supplies"
          :aria-label="t('house.label.dose')"
          @update:value="(supply: SupplyKind) => set({ supply })"
        />
      </div>
      <label>
        {{ t(`house.label.amountOf.${draft.supply}`) }}
        <n-input :value="draft.amount" placeholder="" @update:value="(amount: string) => set({ amount })" />
        <span class="fault">{{ fault('amount') }}</span>
        <span class="small">{{ comesTo }}</span>
      </label>
      <template v-if="draft.supply === 'strength'">
        <div>
          <span class="name">{{ t('house.label.as') }}</span>
          <n-select
            :value="draft.as"
            :options="stated"
            :aria-label="t('house.label.as')"
            @update:value="(as: LabelDraft['as']) => set({ as })"
          />
        </div>
        <label v-if="draft.as === '% w/w'">
          {{ t('house.label.density') }}
          <n-input
            :value="draft.density"
            placeholder=""
            @update:value="(density: string) => set({ density })"
          />
          <span class="fault">{{ fault('density') }}</span>
        </label>
        <div v-if="draft.chemicalClass === 'hypochlorite'">
          <span class="name">{{ t('house.label.counts') }}</span>
          <n-select
            :value="draft.counts"
            :options="counts"
            :aria-label="t('house.label.counts')"
            @update:value="(c: LabelDraft['counts']) => set({ counts: c })"
          />
        </div>
      </template>
      <n-checkbox
        v-if="draft.supply === 'pieces'"
        :checked="draft.mayBeHalved"
        @update:checked="(mayBeHalved: boolean) => set({ mayBeHalved })"
      >
        {{ t('house.label.halves') }}
      </n-checkbox>
    </div>
    <fieldset v-for="(u, i) in draft.uses" :key="i">
      <legend>{{ t('house.label.use', { n: i + 1 }) }}</legend>
      <div class="fields">
        <label class="wide">
          {{ t('house.label.useName') }}
          <n-input :value="u.name" placeholder="" @update:value="(name: string) => setUse(i, { name })" />
        </label>
        <label
          v-for="f in ['lo', 'hi', 'target', 'contact', 'waterC', 'waterF', 'hardest'] as const"
          :key="f"
        >
          {{ t(`house.label.field.${f}`) }}
          <n-input :value="u[f]" placeholder="" @update:value="(v: string) => setUse(i, { [f]: v })" />
        </label>
        <n-checkbox
          :checked="u.rinseAfter"
          @update:checked="(rinseAfter: boolean) => setUse(i, { rinseAfter })"
        >
          {{ t('house.label.rinseAfter') }}
        </n-checkbox>
      </div>
      <p class="fault">{{ faultOfUse(u) }} {{ unfit(u) }}</p>
      <n-button v-if="draft.uses.length > 1" @click="set({ uses: draft.uses.filter((_, j) => j !== i) })">
        {{ t('house.label.dropUse') }}
      </n-button>
    </fieldset>
    <n-button @click="set({ uses: [...draft.uses, emptyUse] })">{{ t('house.label.addUse') }}</n-button>
    <div class="fields">
      <label>
        {{ t('house.label.ppe') }}
        <n-input :value="draft.ppe" placeholder="" @update:value="(ppe: string) => set({ ppe })" />
      </label>
      <label class="wide">
        {{ t('house.firstAid') }}
        <n-input
          :value="draft.firstAid"
          placeholder=""
          @update:value="(firstAid: string) => set({ firstAid })"
        />
        <span class="fault">{{ fault('firstAid') }}</span>
      </label>
      <div class="wide">
        <span class="name">{{ t('house.neverWith') }}</span>
        <n-select
          multiple
          :value="[...draft.neverWith]"
          :options="classOptions"
          :aria-label="t('house.neverWith')"
          @update:value="(neverWith: LabelDraft['chemicalClass'][]) => set({ neverWith })"
        />
      </div>
    </div>
    <div class="act">
      <n-button type="primary" attr-type="submit">{{ t('house.label.keep') }}</n-button>
      <n-button @click="emit('close')">{{ t('common.cancel') }}</n-button>
    </div>
  </form>
</template>
