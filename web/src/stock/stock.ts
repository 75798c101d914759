import type { StockAnswer } from '@tadka/contract/stock'
import { dateAfter } from '@tadka/core/calendar'
import {
  isToOrder,
  shoppingDays,
  type StockItem,
  type StockStands,
  type StockState,
  type StockTold,
} from '@tadka/core/stock'
import { useDebounceFn } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useSite, useSiteStore } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { ask } from '../wire/api.ts'
import { useAmounts } from './amounts.ts'

export interface StockRow {
  readonly state: StockState
  readonly item: StockItem
  /** Null while the server has not said. */
  readonly told: StockTold | null
}

/** How all that is kept stands, as the server works it out. Throws where it cannot be asked. */
export const askStock = (site: string) => ask<StockAnswer>('GET', `/api/sites/${site}/stock`)

/** What is kept in stock: as this tablet knows it, and as the server works out how it stands. */
export function useStock() {
  const site = useSite()
  const store = useSiteStore()
  const session = useSession()
  const answer = ref<StockAnswer | null>(null)
  const failed = ref(false)
  async function look(): Promise<void> {
    try {
      answer.value = await askStock(session.site ?? '')
      failed.value = false
    } catch {
      failed.value = true
    }
  }
  onMounted(look)
  // What was counted here counts once it was sent; a dish machine's racks come one by one, and are not asked for each.
  watch(() => store.seq, useDebounceFn(look, 800, { maxWait: 5000 }))
  const urgency = ({ told }: StockRow) =>
    !told ? 9998 : 'untold' in told ? -9999 : (told.order.inDays ?? 9999)
  const rows = computed<StockRow[]>(() =>
    site
      .all('stock')
      .flatMap((state): StockRow[] => {
        const { item } = state
        if (!item || item.ended) return []
        return [{ state, item, told: answer.value?.items.find((i) => i.id === state.id) ?? null }]
      })
      .toSorted((a, b) => urgency(a) - urgency(b) || a.item.name.localeCompare(b.item.name)),
  )
  const shopping = computed(() => rows.value.filter(({ told }) => told && isToOrder(told, shoppingDays)))
  return {
    rows,
    shopping,
    failed,
    isAsked: computed(() => answer.value !== null || failed.value),
    today: computed(() => answer.value?.today ?? ''),
  }
}

/** How something stands, in words. */
export function useStockWords(today: () => string) {
  const { t } = useI18n()
  const { say } = useAmounts()
  const { date } = useTimes()
  const packs = (item: StockItem, n: number) => t('stock.order.packs', { n, v: say(item.unit, item.pack) }, n)
  return {
    left(told: StockStands): string {
      const { least, most } = told.left
      if (least === null) return t('stock.left.long')
      if (most === null) return t('stock.left.least', { least })
      return most <= 1 ? t('stock.left.one') : t('stock.left.span', { least, most })
    },
    order(item: StockItem, told: StockStands): string {
      const { inDays, packs: n, heldBy } = told.order
      if (inDays === null) return t('stock.order.fine')
      const what =
        n === 0
          ? t('stock.order.none')
          : [packs(item, n), ...(heldBy ? [t('stock.order.held')] : [])].join(', ')
      if (inDays > 0) return t('stock.order.by', { day: date(dateAfter(today(), inDays)), packs: what })
      return t(inDays === 0 ? 'stock.order.today' : 'stock.order.late', { packs: what })
    },
  }
}
