<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import HouseContacts from './HouseContacts.vue'
import HouseTrouble from './HouseTrouble.vue'
import { useSiteSet } from '../site/site-set.ts'
import TradeDay from './TradeDay.vue'
import TradePlan from './TradePlan.vue'
import TradeRushes from './TradeRushes.vue'
import TradeStaff from './TradeStaff.vue'
import TradeWalks from './TradeWalks.vue'
import { draftOfTrade, siteFrom, tradeFault, type TradeDraft } from './trade-draft.ts'

/** The site's day: everything that rushes, quiet windows and the plan of a shift are worked out from. */
const { t } = useI18n()
const { kept, may, set } = useSiteSet()
const draft = ref<TradeDraft | null>(null)
const putBack = () => (draft.value = kept.value && draftOfTrade(kept.value))
watch(() => kept.value !== null, putBack, { immediate: true })

const fault = computed(() => draft.value && tradeFault(draft.value))
const changed = computed(
  () => kept.value && draft.value && JSON.stringify(draft.value) !== JSON.stringify(draftOfTrade(kept.value)),
)
const what = computed(() => {
  if (!fault.value) return ''
  const { kind, at } = fault.value
  return t(`house.trading.fault.${kind}`, { day: t(`house.trading.weekday.${at + 1}`), n: at + 1 })
})
function save(): void {
  if (!draft.value || !kept.value || fault.value) return
  set(siteFrom(draft.value, kept.value))
  putBack()
}
</script>

<template>
  <div>
    <form v-if="draft" class="trade" @submit.prevent="save">
      <trade-day v-model="draft" :may="may" />
      <trade-rushes v-model="draft" :may="may" />
      <trade-staff v-model="draft" :may="may" />
      <trade-walks v-model="draft" :may="may" />
      <trade-plan v-model="draft" :may="may" />
      <p v-if="!may" class="quiet">{{ t('house.mayNot') }}</p>
      <div v-else-if="changed" class="acts">
        <p v-if="fault" class="fault" role="alert">{{ what }}</p>
        <n-button type="primary" size="large" attr-type="submit" :disabled="fault !== null">{{
          t('house.trading.save')
        }}</n-button>
        <n-button size="large" @click="putBack">{{ t('house.trading.putBack') }}</n-button>
      </div>
    </form>
    <p v-else class="quiet">{{ t('house.trading.none') }}</p>
    <house-contacts />
    <house-trouble />
  </div>
</template>

<style scoped>
.trade :deep(h2) {
  margin: 26px 0 4px;
  font-size: 20px;
}
.trade :deep(ul:not(:empty) + .n-button),
.trade :deep(ul:not(:empty) + .acts) {
  margin-top: 12px;
}
.trade :deep(label) {
  font-weight: 600;
  color: var(--ink-2);
}
.acts {
  position: sticky;
  bottom: 0;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 14px;
  padding: 14px 0;
  margin-top: 20px;
  background: var(--paper);
  border-top: 2px solid var(--line);
}
.fault {
  flex-basis: 100%;
  color: var(--out);
  font-weight: 600;
}
</style>
