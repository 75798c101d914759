<script setup lang="ts">
import { stockKinds, stockUnits, type StockItem, type StockKind } from '@tadka/core/stock'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import NumberField from '../pieces/NumberField.vue'
import TextField from '../pieces/TextField.vue'
import { useProcedures } from '../site/procedures.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useAmounts } from './amounts.ts'
import { draftOf, emptyStock, itemOf, unitOfSupply } from './stock-draft.ts'

/** Something that must never run out: what it is, how it is bought, what uses it. */
const props = defineProps<{ item: StockItem | null }>()
const emit = defineEmits<{ keep: [item: StockItem]; cancel: [] }>()
const { t } = useI18n()
const site = useSite()
const names = useNames()
const procedures = useProcedures()
const { kept, typed, unitOf } = useAmounts()

const draft = ref(props.item ? draftOf(props.item, (v) => typed(props.item?.unit ?? 'mL', v)) : emptyStock())
const tried = ref(false)
const made = computed(() => itemOf(draft.value, (v) => kept(draft.value.unit, v)))
const named = <S extends { readonly id: string }>(of: readonly S[], name: (s: S) => string) =>
  of.map((s) => ({ value: s.id, label: name(s) })).toSorted((a, b) => a.label.localeCompare(b.label))
/** What it may be, of the kind that was chosen. */
const which = computed(() => {
  const { kind } = draft.value
  if (kind === 'product') return named(site.all('product'), (p) => names.product(p.id))
  if (kind === 'spare') return named(site.all('spare'), (s) => s.name)
  const usedUp = ['strip', 'titration', 'indicator']
  return named(
    site.all('instrument').filter(({ kind: is }) => usedUp.includes(is)),
    (i) => names.instrument(i.id),
  )
})
watch(
  () => draft.value.kind,
  (kind: StockKind) => {
    draft.value.id = null
    draft.value.unit = kind === 'product' ? 'mL' : 'pieces'
  },
)
watch(
  () => draft.value.id,
  (id) => {
    const label = which.value.find((w) => w.value === id)?.label
    if (label && draft.value.name.trim() === '') draft.value.name = label
    const product = draft.value.kind === 'product' && id ? site.one('product', id) : null
    if (product) draft.value.unit = unitOfSupply(product.supply)
  },
)
const inUnit = (name: string) => [name, unitOf(draft.value.unit)].filter(Boolean).join(', ')
const runs = computed(() =>
  procedures
    .families()
    .flatMap((f) =>
      procedures
        .of(f)
        .map((p) => ({ value: p.id, label: `${t(`house.family.${f}`)}: ${procedures.nameOf(p.id)}` })),
    ),
)
function keep(): void {
  tried.value = true
  if (made.value) emit('keep', made.value)
}
</script>

<template>
  <form class="house-form" @submit.prevent="keep">
    <h2>{{ t(item ? 'stock.change' : 'stock.new') }}</h2>
    <div class="rows">
      <choice-pick
        v-model="draft.kind"
        named
        :label="t('stock.set.of')"
        :choices="stockKinds.map((k) => ({ value: k, text: t(`stock.set.kind.${k}`) }))"
      />
      <label v-if="draft.kind !== 'thing'">
        {{ t('stock.set.which') }}
        <n-select
          v-model:value="draft.id"
          :options="which"
          size="large"
          placeholder=""
          :aria-label="t('stock.set.which')"
        />
      </label>
      <choice-pick
        v-else
        v-model="draft.unit"
        named
        :label="t('stock.set.unit')"
        :choices="stockUnits.map((u) => ({ value: u, text: t(`stock.unit.${u}`) }))"
      />
    </div>
    <div class="fields">
      <text-field
        v-model="draft.name"
        large
        :name="t('stock.set.name')"
        :example="t('stock.set.nameLike')"
        :most="80"
      />
      <label>
        {{ inUnit(t('stock.set.pack')) }}
        <number-field v-model="draft.pack" :min="0" :max="999999" :label="t('stock.set.pack')" />
      </label>
      <label>
        {{ t('stock.set.lead') }}
        <number-field v-model="draft.leadDays" whole :min="0" :max="180" :label="t('stock.set.lead')" />
      </label>
      <text-field
        v-model="draft.supplier"
        large
        :name="t('stock.set.supplier')"
        :example="t('stock.set.supplierLike')"
        :most="80"
      />
      <label>
        {{ t('stock.set.price') }}
        <number-field v-model="draft.price" :min="0" :max="999999" :label="t('stock.set.price')" />
      </label>
      <label>
        {{ t('stock.set.keeps') }}
        <number-field
          v-model="draft.keepsDays"
          whole
          :min="1"
          :max="3650"
          :empty="t('stock.set.keepsEmpty')"
          :label="t('stock.set.keeps')"
        />
      </label>
      <text-field v-model="draft.place" large :name="t('stock.set.place')" :most="60" />
    </div>
    <fieldset v-if="draft.kind === 'thing'">
      <legend>{{ t('stock.set.perRun') }}</legend>
      <div v-for="(p, i) in draft.perRun" :key="i" class="run">
        <n-select
          v-model:value="p.procedure"
          filterable
          :options="runs"
          size="large"
          placeholder=""
          :aria-label="t('stock.set.procedure')"
        />
        <number-field v-model="p.amount" :min="0" :max="99999" :label="inUnit(t('stock.set.perRun'))" />
        <n-button size="large" @click="draft.perRun.splice(i, 1)">{{ t('round.set.remove') }}</n-button>
      </div>
      <n-button size="large" @click="draft.perRun.push({ procedure: null, amount: null })">{{
        t('stock.set.addRun')
      }}</n-button>
    </fieldset>
    <p v-if="tried && !made" class="fault" role="alert">{{ t('stock.set.fault') }}</p>
    <div class="act">
      <n-button type="primary" size="large" attr-type="submit">{{ t('stock.set.save') }}</n-button>
      <n-button size="large" @click="emit('cancel')">{{ t('common.cancel') }}</n-button>
      <n-button v-if="item" size="large" @click="emit('keep', { ...item, ended: true })">{{
        t('stock.set.end')
      }}</n-button>
    </div>
  </form>
</template>

<style scoped>
.fields {
  align-items: end;
}
.rows {
  display: grid;
  gap: 14px;
  margin-top: 12px;
}
.run {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 160px auto;
  gap: 12px;
  margin-bottom: 10px;
}
@media (max-width: 760px) {
  .run {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
