<script setup lang="ts">
import { openOrders } from '@tadka/core/stock'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { useAmounts } from './amounts.ts'
import StockAct from './StockAct.vue'
import { useStockWords, type StockRow } from './stock.ts'

/** One thing in stock: what is there, how long it lasts, by when it is ordered; counted, taken in, ordered and lost here. */
const props = defineProps<{ row: StockRow; today: string }>()
const emit = defineEmits<{ change: []; made: [draft: AnyDraft] }>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const { say } = useAmounts()
const { date, day } = useTimes()
const words = useStockWords(() => props.today)

const acts = ['count', 'came', 'ordered', 'lost'] as const
const isOpen = ref(false)
const open = ref<(typeof acts)[number] | null>(null)
const told = computed(() => {
  const { told: all } = props.row
  return all && !('untold' in all) ? all : null
})
const urgent = computed(() => (told.value?.order.inDays ?? 99) <= 0)
const may = (act: (typeof acts)[number]) => session.mayDo(act === 'ordered' ? 'plan-shift' : 'record')
/** When the container in use was opened; by when strips are to be used. */
const inUse = computed(() => {
  const { of } = props.row.item
  if (of.kind === 'product') {
    const { container } = site.one('product', of.id) ?? {}
    return container ? [t('stock.opened', { day: day(container.openedAt) })] : []
  }
  const strips = of.kind === 'instrument' ? site.one('instrument', of.id) : null
  return strips && 'bestBefore' in strips ? [t('stock.strips', { day: day(strips.bestBefore) })] : []
})
/** What is worth a word beside the rest. */
const notes = computed(() => {
  const { item } = props.row
  if (!told.value) return []
  const { lossPerDay, lots } = told.value
  const week = lossPerDay * 7
  const dated = lots.filter((l) => l.bestBefore !== null)
  return [
    ...openOrders(props.row.state).map((o) =>
      t(o.expected < props.today ? 'stock.overdue' : 'stock.coming', {
        v: say(item.unit, o.amount),
        day: date(o.expected),
      }),
    ),
    // A little is how people pour.
    ...(week > told.value.perDay ? [t('stock.loss', { v: say(item.unit, week) })] : []),
    ...inUse.value,
    ...dated.map((l) =>
      t('stock.lots', { lot: l.lot || '–', v: say(item.unit, l.amount), day: date(l.bestBefore ?? '') }),
    ),
  ]
})
const past = computed(
  () => told.value?.lots.filter((l) => l.bestBefore !== null && l.bestBefore < props.today) ?? [],
)
</script>

<template>
  <li>
    <button type="button" class="row" :aria-expanded="isOpen" @click="isOpen = !isOpen">
      <span class="what">
        <b>{{ row.item.name }}</b>
        <span class="quiet small">{{ row.item.place }}</span>
      </span>
      <template v-if="told">
        <span class="what">
          <span>{{ t('stock.there', { v: say(row.item.unit, told.amount) }) }}</span>
          <span class="quiet small">{{
            `${t('stock.doubt', { v: say(row.item.unit, told.doubt) })}, ${t('stock.counted', { day: day(told.countedAt) })}`
          }}</span>
        </span>
        <b>{{ words.left(told) }}</b>
        <span :class="{ urgent }">{{ words.order(row.item, told) }}</span>
      </template>
      <span v-else-if="row.told && 'untold' in row.told" class="untold">{{
        t(`stock.untold.${row.told.untold}`)
      }}</span>
      <span v-else class="untold quiet">–</span>
      <span class="more" aria-hidden="true">{{ isOpen ? '−' : '+' }}</span>
    </button>
    <p v-for="l in past" :key="l.lot" class="urgent">{{ t('stock.past', { lot: l.lot || '–' }) }}</p>
    <p v-if="notes.length > 0" class="quiet small">{{ notes.join(' · ') }}</p>
    <div v-if="isOpen" class="acts no-print">
      <n-button
        v-for="a in acts.filter(may)"
        :key="a"
        :type="open === a ? 'primary' : 'default'"
        :aria-expanded="open === a"
        @click="open = open === a ? null : a"
        >{{ t(`stock.act.${a}`) }}</n-button
      >
      <n-button v-if="session.mayDo('set-up-house')" @click="emit('change')">{{
        t('stock.act.change')
      }}</n-button>
    </div>
    <stock-act
      v-if="isOpen && open"
      :key="open"
      :act="open"
      :row="row"
      :today="today"
      @done="(draft) => ((open = null), emit('made', draft))"
    />
  </li>
</template>

<style scoped>
li {
  padding: 12px 0 14px;
  border-bottom: 1px solid var(--line-soft);
  display: grid;
  gap: 6px;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.3fr) 130px minmax(0, 1.2fr) 24px;
  gap: 18px;
  align-items: start;
  width: 100%;
  min-height: 56px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
  position: relative;
}
.what {
  display: grid;
}
.untold {
  grid-column: 2 / -2;
  font-weight: 600;
}
.urgent {
  color: var(--out);
  font-weight: 650;
}
.more {
  font-size: 24px;
  line-height: 1;
  color: var(--ink-2);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.acts > * {
  min-height: 48px;
}
@media (max-width: 760px) {
  .row {
    grid-template-columns: minmax(0, 1fr);
    gap: 4px;
  }
  .more {
    position: absolute;
    right: 0;
  }
  .untold {
    grid-column: auto;
  }
}
</style>
