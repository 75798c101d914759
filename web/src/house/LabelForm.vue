<script setup lang="ts">
import { stripFit } from '@tadka/core/rules'
import { interval } from '@tadka/core/quantity'
import { chemicalClasses, type ChemicalClass } from '@tadka/core/solution'
import { NButton, NCheckbox, NSelect, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import { useUnitSystem } from '../site/unit-system.ts'
import CodeScan from '../pieces/CodeScan.vue'
import { newId } from '../wire/device.ts'
import { useKit, type Product } from '../site/kit.ts'
import { emptyLabel, emptyUse, type LabelDraft, type SupplyKind, type UseDraft } from './label-draft.ts'
import { type LabelFault, labelFaults, labelOf, labelTyped, useFaults } from './label-entry.ts'
import { alsoOf, supplyOf, wordings } from './label-supply.ts'
import LabelUse from './LabelUse.vue'
import LabelWording from './LabelWording.vue'
import ChoiceField from './ChoiceField.vue'
import TextField from './TextField.vue'
import './form.css'

/** A label copied off its bottle, in the order that labels are worded. */
const props = defineProps<{
  product: Product | null
  /** The use that something here asks for, and no product is entered for yet. */
  wanted?: string
  /** A bar code that was scanned and is on no product yet. */
  code?: string
}>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const site = useSite()
const kit = useKit()
const message = useMessage()

/** US labels give ounces to the gallon. */
const { system, isUs } = useUnitSystem()
const blank = isUs.value ? ({ ...emptyLabel, unit: 'fl oz', of: 'gal' } as const) : emptyLabel
const draft = ref<LabelDraft>(props.product ? labelTyped(props.product) : blank)
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

const classOptions = computed(() => chemicalClasses.map((c) => ({ label: t(`chemical.${c}`), value: c })))
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
      ...wordings,
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
if (props.code) set({ codes: props.code })
if (props.wanted) setUse(0, { id: props.wanted, name: t(`uses.${props.wanted}`) })
/** What sanitizes follows from what it is; another may be chosen. */
const chooseClass = (chemicalClass: ChemicalClass) =>
  set({ chemicalClass, agent: agentOfClass[chemicalClass] ?? '' })
const agentOfClass: Partial<Record<ChemicalClass, LabelDraft['agent']>> = {
  quat: 'quat',
  hypochlorite: 'chlorine',
  iodine: 'iodine',
}
/** What the label's wording comes to, as it is typed. */
const comesTo = computed(() => {
  const supply = supplyOf(draft.value)
  return supply?.kind === 'strength' ? t('house.label.comesTo', { ppm: Math.round(supply.stock) }) : ''
})
/** What the label says of a dilution as well, where that is not what its strength makes there. */
const also = computed(() => {
  const found = alsoOf(draft.value)
  if (found === 'wrong') return tried.value ? t('house.label.fault.also') : ''
  if (!found || found.agrees) return ''
  const { alsoAt: parts, alsoGives } = draft.value
  return t('house.label.disagrees', { parts, ppm: Math.round(found.gives), said: alsoGives })
})
/** Whether the site's strip can show a use's band at all. */
function unfit(u: UseDraft): string {
  const { agent } = draft.value
  const strip = agent ? kit.stripFor({ id: props.product?.id ?? '', agent }) : null
  const [lo, hi] = [Number(u.lo), Number(u.hi)]
  if (!strip || !(lo > 0) || !(hi >= lo)) return ''
  return stripFit(strip, interval(lo, hi)).canShow ? '' : t('house.label.unfit', { strip: strip.name })
}

/** Nothing picked is not entered; "the label names nothing" stands alone. */
function neverWith(picked: readonly string[]): LabelDraft['neverWith'] {
  if (picked.length === 0) return null
  const was = draft.value.neverWith
  const classes = picked.filter((x): x is ChemicalClass => x !== 'none')
  const turnedNone = picked.includes('none') && (was === null || was.length > 0)
  return turnedNone ? [] : classes
}

const addCode = (code: string) => set({ codes: [draft.value.codes, code].filter(Boolean).join(', ') })

function keep(): void {
  tried.value = true
  const label = labelOf(draft.value, t('house.label.readIt'))
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
      <text-field
        :name="t('house.label.name')"
        :model-value="draft.name"
        :fault="fault('name')"
        @update:model-value="(name: string) => set({ name })"
      />
      <choice-field
        :name="t('house.label.class')"
        :model-value="draft.chemicalClass || null"
        :options="classOptions"
        :fault="fault('class')"
        @update:model-value="chooseClass"
      />
      <choice-field
        :name="t('house.label.agent')"
        :model-value="draft.agent"
        :options="agents"
        @update:model-value="(agent: LabelDraft['agent']) => set({ agent })"
      />
      <choice-field
        :name="t('house.label.dose')"
        :model-value="draft.supply"
        :options="supplies"
        @update:model-value="(supply: SupplyKind) => set({ supply })"
      />
      <text-field
        :name="t(`house.label.amountOf.${draft.supply}`)"
        :model-value="draft.amount"
        :fault="fault('amount')"
        @update:model-value="(amount: string) => set({ amount })"
      >
        <span class="small">{{ comesTo }}</span>
      </text-field>
      <label-wording v-if="wordings.some((w) => w === draft.supply)" :draft="draft" @set="set" />
      <template v-if="draft.supply === 'strength'">
        <choice-field
          :name="t('house.label.as')"
          :model-value="draft.as"
          :options="stated"
          @update:model-value="(as: LabelDraft['as']) => set({ as })"
        />
        <text-field
          v-if="draft.as === '% w/w'"
          :name="t('house.label.density')"
          :model-value="draft.density"
          :fault="fault('density')"
          @update:model-value="(density: string) => set({ density })"
        />
        <choice-field
          v-if="draft.chemicalClass === 'hypochlorite'"
          :name="t('house.label.counts')"
          :model-value="draft.counts"
          :options="counts"
          @update:model-value="(c: LabelDraft['counts']) => set({ counts: c })"
        />
        <text-field
          :name="t('house.label.alsoGives')"
          :model-value="draft.alsoGives"
          :fault="also"
          @update:model-value="(alsoGives: string) => set({ alsoGives })"
        />
        <text-field
          :name="t('house.label.alsoAt')"
          :model-value="draft.alsoAt"
          @update:model-value="(alsoAt: string) => set({ alsoAt })"
        />
      </template>
      <n-checkbox
        v-if="draft.supply === 'pieces' || draft.supply === 'pieces-per'"
        :checked="draft.mayBeHalved"
        @update:checked="(mayBeHalved: boolean) => set({ mayBeHalved })"
      >
        {{ t('house.label.halves') }}
      </n-checkbox>
    </div>
    <fieldset v-for="(u, i) in draft.uses" :key="i">
      <legend>{{ t('house.label.use', { n: i + 1 }) }}</legend>
      <label-use
        :use="u"
        :units="system"
        :fault="[faultOfUse(u), unfit(u)].filter(Boolean).join(' ')"
        @set="(change) => setUse(i, change)"
      />
      <n-button v-if="draft.uses.length > 1" @click="set({ uses: draft.uses.filter((_, j) => j !== i) })">
        {{ t('house.label.dropUse') }}
      </n-button>
    </fieldset>
    <n-button @click="set({ uses: [...draft.uses, emptyUse] })">{{ t('house.label.addUse') }}</n-button>
    <div class="fields">
      <text-field
        :name="t('house.label.ppe')"
        :model-value="draft.ppe"
        @update:model-value="(ppe: string) => set({ ppe })"
      />
      <text-field
        class="wide"
        :name="t('house.firstAid')"
        :model-value="draft.firstAid"
        :example="t('house.label.readIt')"
        @update:model-value="(firstAid: string) => set({ firstAid })"
      />
      <div class="wide">
        <span class="name">{{ t('house.neverWith') }}</span>
        <n-select
          multiple
          :value="
            draft.neverWith === null ? [] : draft.neverWith.length > 0 ? [...draft.neverWith] : ['none']
          "
          :options="[{ label: t('house.labelNamesNone'), value: 'none' }, ...classOptions]"
          :placeholder="t('house.notEntered')"
          :aria-label="t('house.neverWith')"
          @update:value="(picked: string[]) => set({ neverWith: neverWith(picked) })"
        />
      </div>
      <div class="wide codes">
        <text-field
          :name="t('house.label.codes')"
          :model-value="draft.codes"
          :fault="fault('codes')"
          @update:model-value="(codes: string) => set({ codes })"
        />
        <code-scan :text="t('house.label.scan')" :how="t('house.label.scanHow')" @read="addCode" />
      </div>
    </div>
    <div class="act">
      <n-button type="primary" attr-type="submit">{{ t('house.label.keep') }}</n-button>
      <n-button @click="emit('close')">{{ t('common.cancel') }}</n-button>
    </div>
  </form>
</template>

<style scoped>
.codes {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 12px;
  align-items: end;
}
</style>
