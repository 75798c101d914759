<script setup lang="ts">
import { decimals } from '@tadka/core/quantity'
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useStockWords, type StockRow } from './stock.ts'

/** What is to be bought within a week, by the day: on paper, or as a table. */
const props = defineProps<{ rows: readonly StockRow[]; today: string }>()
const { t } = useI18n()
const session = useSession()
const words = useStockWords(() => props.today)
const print = () => window.print()
/** What it costs, in the site's own money; empty where nobody has said what a pack does. */
const costs = ({ item, told }: StockRow) =>
  item.price !== null && told && !('untold' in told) && told.order.packs > 0
    ? t('stock.costs', { n: decimals(item.price * told.order.packs, 2) })
    : ''
const order = ({ item, told }: StockRow) => (told && !('untold' in told) ? words.order(item, told) : '')
</script>

<template>
  <div class="shopping">
    <h2>{{ t('stock.shopping') }}</h2>
    <p v-if="rows.length === 0" class="quiet">{{ t('stock.shoppingNone') }}</p>
    <table v-else>
      <tbody>
        <tr v-for="r in rows" :key="r.state.id">
          <td>
            <b>{{ r.item.name }}</b>
          </td>
          <td>{{ order(r) }}</td>
          <td class="quiet">{{ r.item.supplier }}</td>
          <td>{{ costs(r) }}</td>
        </tr>
      </tbody>
    </table>
    <div v-if="rows.length > 0" class="acts no-print">
      <n-button @click="print">{{ t('stock.print') }}</n-button>
      <a :href="`/api/sites/${session.site}/stock/shopping.csv`" download>{{ t('stock.csv') }}</a>
    </div>
  </div>
</template>

<style scoped>
.shopping {
  margin: 12px 0 20px;
  padding: 12px 18px 14px;
  background: var(--raised);
  border: 1px solid var(--line-soft);
  border-radius: var(--r);
}
table {
  width: 100%;
  border-collapse: collapse;
}
td {
  padding: 8px 14px 8px 0;
  vertical-align: top;
  border-bottom: 1px solid var(--line-soft);
}
.acts {
  display: flex;
  gap: 18px;
  align-items: center;
  margin-top: 12px;
}
a {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
</style>
