<script setup lang="ts">
import type { StockAnswer } from '@tadka/contract/stock'
import { isToOrder } from '@tadka/core/stock'
import { computed, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { askStock } from './stock.ts'

/** What is to be ordered today or was to be, for those who order: asked once, when they come to their shift. */
const { t } = useI18n()
const session = useSession()
const answer = ref<StockAnswer | null>(null)
onMounted(async () => {
  // Without network the list stands in House, as it was.
  answer.value = await askStock(session.site ?? '').catch(() => null)
})
const n = computed(() => answer.value?.items.filter((i) => isToOrder(i, 0)).length ?? 0)
</script>

<template>
  <section>
    <ul>
      <li v-if="n > 0">
        <b>{{ t('stock.toOrder', n) }}</b>
        <router-link to="/house/stock">{{ t('stock.see') }}</router-link>
      </li>
    </ul>
  </section>
</template>

<style scoped src="../pieces/asked.css" />
