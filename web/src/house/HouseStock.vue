<script setup lang="ts">
import type { StockItem } from '@tadka/core/stock'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { useStock } from '../stock/stock.ts'
import ShoppingList from '../stock/ShoppingList.vue'
import StockForm from '../stock/StockForm.vue'
import StockRow from '../stock/StockRow.vue'
import TakeBackNow from '../site/TakeBackNow.vue'
import { newId } from '../wire/device.ts'
import './form.css'

/** What runs use up: what is there, how long it lasts, what is to be bought. */
const { t } = useI18n()
const site = useSite()
const session = useSession()
const message = useMessage()
const { rows, shopping, failed, isAsked, today } = useStock()
const may = computed(() => session.mayDo('set-up-house'))
const at = ref<string | null>(null)
const made = ref<AnyDraft | null>(null)
const changed = computed(() => rows.value.find((r) => r.state.id === at.value)?.item ?? null)
function keep(item: StockItem): void {
  if (at.value === null) return
  made.value = site.record('stock.set@1', { kind: 'stock', id: at.value }, item)
  message.success(t('house.saved'))
  at.value = null
}
</script>

<template>
  <section>
    <p class="quiet">{{ t('stock.how') }}</p>
    <p v-if="failed" class="failed" role="status">{{ t('stock.unreachable') }}</p>
    <p v-else-if="!isAsked" class="quiet" role="status">{{ t('stock.asking') }}</p>
    <shopping-list v-if="rows.length > 0 && isAsked && !failed" :rows="shopping" :today="today" />
    <div v-if="rows.length === 0" class="none">
      <h2>{{ t('stock.none') }}</h2>
      <p class="quiet">{{ t('stock.noneHow') }}</p>
    </div>
    <ul>
      <stock-row
        v-for="r in rows"
        :key="r.state.id"
        :row="r"
        :today="today"
        @change="at = r.state.id"
        @made="(draft) => (made = draft)"
      />
    </ul>
    <take-back-now v-if="made" :key="made.id" :draft="made" @back="made = null" />
    <stock-form v-if="may && at" :key="at" :item="changed" @keep="keep" @cancel="at = null" />
    <n-button v-else-if="may" type="primary" size="large" class="new no-print" @click="at = newId()">{{
      t('stock.new')
    }}</n-button>
  </section>
</template>

<style scoped>
.failed {
  font-weight: 600;
  padding: 8px 14px;
  border-left: 5px solid var(--close);
}
.none {
  margin: 16px 0;
}
.new {
  margin-top: 18px;
}
</style>
