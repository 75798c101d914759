<script setup lang="ts">
import { dateAfter } from '@tadka/core/calendar'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import DayField from '../pieces/DayField.vue'
import NumberField from '../pieces/NumberField.vue'
import TextField from '../pieces/TextField.vue'
import { useSite } from '../site/site.ts'
import { useProcedures } from '../site/procedures.ts'
import { useAmounts } from './amounts.ts'
import type { StockRow } from './stock.ts'

/** Something in stock is counted, came, was ordered or lost: so much of it. */
const props = defineProps<{ row: StockRow; act: 'count' | 'came' | 'ordered' | 'lost'; today: string }>()
const emit = defineEmits<{ done: [draft: AnyDraft] }>()
const { t } = useI18n()
const site = useSite()
const message = useMessage()
const { today: day } = useProcedures()
const { unitOf, kept, typed } = useAmounts()

const item = computed(() => props.row.item)
const isProduct = computed(() => item.value.of.kind === 'product')
/** Bought is a pack of it, or what is to be ordered. */
const proposed = (): number | null => {
  const { told } = props.row
  const packs = told && !('untold' in told) ? Math.max(1, told.order.packs) : 1
  return props.act === 'came' || props.act === 'ordered'
    ? typed(item.value.unit, packs * item.value.pack)
    : null
}
const amount = ref(proposed())
const lot = ref('')
const bestBefore = ref('')
const expected = ref(dateAfter(day.value, item.value.leadDays))
const why = ref('')
const label = ref<'same' | 'other' | null>(null)
const enough = computed(() => {
  const n = amount.value
  if (n === null || Number.isNaN(n) || (props.act !== 'count' && n <= 0)) return false
  if (props.act === 'lost') return why.value.trim().length > 2
  return props.act !== 'came' || !isProduct.value || label.value !== null
})
/** What the log is told. */
function made(much: number): AnyDraft {
  const { of } = item.value
  const to = { kind: 'stock', id: props.row.state.id } as const
  switch (props.act) {
    case 'count':
      return site.record('stock.counted@1', to, { amount: much, of })
    case 'lost':
      return site.record('stock.lost@1', to, { amount: much, of, why: why.value.trim() })
    case 'ordered':
      return site.record('stock.ordered@1', to, { amount: much, expected: expected.value })
    case 'came':
      return site.record('stock.came@1', to, {
        ...{ amount: much, of, lot: lot.value.trim(), bestBefore: bestBefore.value || null },
        label: isProduct.value ? label.value : null,
      })
  }
}
function keep(): void {
  if (!enough.value) return
  emit('done', made(kept(item.value.unit, amount.value ?? 0)))
  message.success(t('house.saved'))
}
</script>

<template>
  <form class="act" @submit.prevent="keep">
    <label>
      {{ [t(`stock.ask.${act}`), unitOf(item.unit)].filter(Boolean).join(', ') }}
      <number-field
        v-model="amount"
        :min="0"
        :max="999999"
        :whole="item.unit === 'pieces'"
        :label="t(`stock.ask.${act}`)"
      />
    </label>
    <template v-if="act === 'came'">
      <text-field v-model="lot" large :name="t('stock.lot')" :most="40" />
      <day-field v-model="bestBefore" named optional :label="t('stock.bestBefore')" />
      <choice-pick
        v-if="isProduct"
        v-model="label"
        named
        class="wide"
        :label="t('stock.label.ask')"
        :choices="[
          { value: 'same', text: t('stock.label.same') },
          { value: 'other', text: t('stock.label.other') },
        ]"
      />
      <p v-if="label === 'other'" class="told wide" role="alert">
        {{ t('stock.label.told') }} <router-link to="/house/products">{{ t('house.products') }}</router-link>
      </p>
    </template>
    <day-field v-if="act === 'ordered'" v-model="expected" named :label="t('stock.expected')" :min="day" />
    <text-field
      v-if="act === 'lost'"
      v-model="why"
      large
      :name="t('stock.why')"
      :example="t('stock.whyLike')"
      :most="200"
    />
    <n-button type="primary" size="large" attr-type="submit" :disabled="!enough">{{
      t('stock.keep')
    }}</n-button>
  </form>
</template>

<style scoped>
.act {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 14px 20px;
  align-items: end;
  padding: 8px 0 6px 16px;
  border-left: 4px solid var(--sea);
}
label {
  font-weight: 600;
}
.wide {
  grid-column: 1 / -1;
}
.told {
  font-weight: 650;
  color: var(--out);
}
</style>
