<script setup lang="ts">
import type { ProductSet } from '@tadka/core/record'
import { useI18n } from 'vue-i18n'
import { useSite } from '../record/site.ts'
import { useKit } from './kit.ts'

/** The labels: what each product is for, its dose, its limits, and what it must not meet. */
const { t } = useI18n()
const kit = useKit()
const site = useSite()

function supply(p: ProductSet): string {
  if (p.supply.kind === 'strength') return t('house.stockPpm', { v: p.supply.stock })
  if (p.supply.kind === 'per-litre') return t('house.perLitre', { v: p.supply.millilitres })
  return t('house.ratio', { meaning: p.supply.meaning, parts: p.supply.parts })
}
</script>

<template>
  <ul>
    <li v-for="p in kit.products.value" :key="p.id">
      <div class="name">
        <b>{{ p.name }}</b>
        <p class="quiet">{{ p.purpose }}</p>
        <p>{{ supply(p) }}</p>
      </div>
      <div>
        <p v-for="u in p.uses" :key="u.id" class="use">
          <b>{{ u.name }}</b><br />
          {{
            [
              u.range ? t('house.range', u.range) : t('house.notLabelled'),
              u.temperature ? t('house.temperature', { c: u.temperature.c }) : '',
              u.contactSeconds ? t('house.contact', { s: u.contactSeconds }) : '',
            ]
              .filter(Boolean)
              .join(', ')
          }}
        </p>
        <p class="caution">
          {{ t('house.ppe') }}: {{ p.ppe.join(', ') }}. {{ t('house.neverWith') }}:
          {{ p.neverWith.join(', ') }}.
        </p>
        <p>
          {{ t('house.firstAid') }}: {{ p.firstAid }}
          {{ t('house.emergency', { number: site.set?.emergencyNumber ?? '' }) }}
        </p>
      </div>
    </li>
  </ul>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 300px 1fr;
  gap: 32px;
  padding: 18px 0;
  border-bottom: 1px solid var(--line);
}
.name b {
  font-size: 22px;
}
.use {
  margin-bottom: 8px;
}
.caution {
  border-left: 4px solid var(--out);
  padding-left: 12px;
  font-weight: 600;
  margin: 8px 0;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr;
  }
}
</style>
