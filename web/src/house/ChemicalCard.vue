<script setup lang="ts">
import type { SiteSet } from '@tadka/core/house'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import { useSite } from '../site/site.ts'
import { useKit } from '../site/kit.ts'
import DataSheet from './DataSheet.vue'

/** What somebody must know of a chemical at once: first aid in large words, the number to call, what to wear, what it must not meet. */
const props = defineProps<{ product: string }>()
const { t } = useI18n()
const site = useSite()
const kit = useKit()

const found = computed(() => kit.products.value.find((p) => p.id === props.product) ?? null)
const set = computed(() => site.set as Partial<SiteSet> | null)
const number = computed(() => set.value?.emergencyNumber ?? '')
const never = computed(() => {
  const names = found.value?.neverWith
  if (!names) return t('house.notEntered')
  return names.length > 0 ? names.map((x) => t(`chemical.${x}`)).join(', ') : t('house.labelNamesNone')
})
</script>

<template>
  <div v-if="found">
    <place-bar :title="found.name" :under="found.purpose">
      <router-link to="/house/products" class="link">{{ t('house.products') }}</router-link>
    </place-bar>
    <div class="card">
      <section class="aid">
        <h2>{{ t('house.card.aid') }}</h2>
        <p>{{ found.firstAid || t('house.notEntered') }}</p>
        <a v-if="number" :href="`tel:${number.replaceAll(' ', '')}`" class="call">{{
          t('house.card.call', { number })
        }}</a>
        <p v-else class="quiet">{{ t('house.card.noNumber') }}</p>
      </section>
      <dl>
        <div>
          <dt>{{ t('house.card.eyes') }}</dt>
          <dd>{{ set?.eyeWash || t('house.notEntered') }}</dd>
        </div>
        <div>
          <dt>{{ t('house.card.wear') }}</dt>
          <dd>{{ found.ppe.join(', ') || t('house.notEntered') }}</dd>
        </div>
        <div>
          <dt>{{ t('house.card.never') }}</dt>
          <dd>{{ never }}</dd>
        </div>
        <div>
          <dt>{{ t('house.card.for') }}</dt>
          <dd>{{ found.uses.map((u) => u.name).join(', ') }}</dd>
        </div>
      </dl>
      <data-sheet :product="found" />
      <p class="quiet">{{ t('house.card.label') }}</p>
    </div>
  </div>
  <p v-else class="card">
    {{ t('house.card.unknown') }} <router-link to="/house/products">{{ t('house.products') }}</router-link>
  </p>
</template>

<style scoped>
.card {
  padding: 8px var(--gutter) 32px;
  max-width: 1000px;
  display: grid;
  gap: 20px;
}
.aid {
  display: grid;
  gap: 14px;
  justify-items: start;
  padding: 18px 22px;
  background: var(--out-wash);
  border-left: 8px solid var(--out);
}
.aid p {
  font-size: clamp(24px, 3vw, 34px);
  line-height: 1.25;
  font-weight: 600;
}
.call {
  min-height: 84px;
  display: inline-flex;
  align-items: center;
  padding: 0 34px;
  border-radius: var(--r);
  background: var(--out);
  color: var(--paper);
  font-size: 28px;
  font-weight: 650;
  text-decoration: none;
}
dl {
  margin: 0;
  display: grid;
  gap: 0;
}
dl div {
  display: grid;
  grid-template-columns: 200px 1fr;
  gap: 4px 20px;
  padding: 12px 0;
  border-bottom: 1px solid var(--line-soft);
}
dt {
  color: var(--ink-2);
}
dd {
  margin: 0;
  font-size: 19px;
  font-weight: 600;
}
@media (max-width: 760px) {
  dl div {
    grid-template-columns: 1fr;
  }
}
</style>
