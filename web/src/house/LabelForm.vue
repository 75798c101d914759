<script setup lang="ts">
import { stripFit } from '@tadka/core/rules'
import { interval } from '@tadka/core/quantity'
import { chemicalClasses, type ChemicalClass } from '@tadka/core/solution'
import { NButton, NCheckbox, NSelect, useMessage } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import { useUnitSystem } from '../site/unit-system.ts'
import CodeScan from '../pieces/CodeScan.vue'
import { newId } from '../wire/device.ts'
import { useKit, type Product } from '../site/kit.ts'
import { emptyLabel, emptyUse, type LabelDraft, type SupplyKind, type UseDraft } from './label-draft.ts'
import { numberIn } from '../pieces/field.ts'
import { labelFaults, labelOf, labelTyped, useFaults } from './label-entry.ts'
import { alsoOf, supplyOf, wordings } from './label-supply.ts'
import LabelUse from './LabelUse.vue'
import LabelWording from './LabelWording.vue'
import ChoiceField from './ChoiceField.vue'
import { useDraftForm } from './draft-form.ts'
import HouseForm from './HouseForm.vue'
import TextField from '../pieces/TextField.vue'

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
const { draft, tried, set, fault, rest, keep } = useDraftForm({
  start: () => (props.product ? labelTyped(props.product) : blank),
  faults: labelFaults,
  made: (d) => labelOf(d, t('house.label.readIt')),
  type: 'product.set@1',
  words: 'house.label.fault',
  fieldOf: { chemicalClass: 'class', supply: 'amount', uses: null },
})
const setUse = (i: number, change: Partial<UseDraft>) =>
  set({ uses: draft.value.uses.map((u, j) => (j === i ? { ...u, ...change } : u)) })
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
  const [lo, hi] = [numberIn(u.lo), numberIn(u.hi)]
  if (!strip || !lo || hi === null || hi < lo) return ''
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

function save(): void {
  const label = keep()
  if (!label) return
  site.record('product.set@1', { kind: 'product', id: props.product?.id ?? newId() }, label)
  message.success(t('house.saved'))
  emit('close')
}
</script>

<template>
  <house-form
    :title="product ? t('house.label.change', { name: product.name }) : t('house.label.new')"
    :rest="rest"
    @keep="save"
    @close="emit('close')"
  >
    <div class="fields">
      <text-field v-model="draft.name" :name="t('house.label.name')" :fault="fault('name')" />
      <choice-field
        :name="t('house.label.class')"
        :model-value="draft.chemicalClass || null"
        :options="classOptions"
        :fault="fault('class')"
        @update:model-value="chooseClass"
      />
      <choice-field v-model="draft.agent" :name="t('house.label.agent')" :options="agents" />
      <choice-field v-model="draft.supply" :name="t('house.label.dose')" :options="supplies" />
      <text-field
        v-model="draft.amount"
        :name="t(`house.label.amountOf.${draft.supply}`)"
        :fault="fault('amount')"
      >
        <span class="small">{{ comesTo }}</span>
      </text-field>
      <label-wording v-if="wordings.some((w) => w === draft.supply)" :draft="draft" @set="set" />
      <template v-if="draft.supply === 'strength'">
        <choice-field v-model="draft.as" :name="t('house.label.as')" :options="stated" />
        <text-field
          v-if="draft.as === '% w/w'"
          v-model="draft.density"
          :name="t('house.label.density')"
          :fault="fault('density')"
        />
        <choice-field
          v-if="draft.chemicalClass === 'hypochlorite'"
          v-model="draft.counts"
          :name="t('house.label.counts')"
          :options="counts"
        />
        <text-field v-model="draft.alsoGives" :name="t('house.label.alsoGives')" :fault="also" />
        <text-field v-model="draft.alsoAt" :name="t('house.label.alsoAt')" />
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
      <text-field v-model="draft.ppe" :name="t('house.label.ppe')" :fault="fault('ppe')" />
      <text-field
        v-model="draft.firstAid"
        class="wide"
        :name="t('house.firstAid')"
        :fault="fault('firstAid')"
        :example="t('house.label.readIt')"
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
        <text-field v-model="draft.codes" :name="t('house.label.codes')" :fault="fault('codes')" />
        <code-scan :text="t('house.label.scan')" :how="t('house.label.scanHow')" @read="addCode" />
      </div>
    </div>
  </house-form>
</template>

<style scoped>
.codes {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 12px;
  align-items: end;
}
</style>
